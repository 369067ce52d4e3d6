/** Pages to measure on: those of folders that are given, else a school's site grown from the demo's pages. */
import { openFolder } from '@/server/connections/folder/open-folder';
import { isPagePath } from '@/core/source/role-of-name';
import { textFiles } from '@demo/site/generate';

export interface BenchPage {
  readonly path: string;
  readonly bytes: Uint8Array;
}

const MAX_PAGES = 800;

/** The pages below a folder, at most 800. */
export async function pagesIn(folder: string): Promise<BenchPage[]> {
  const connection = await openFolder(folder);
  const { files } = await connection.list();
  const pages: BenchPage[] = [];
  for (const { path } of files.filter((file) => isPagePath(file.path)).slice(0, MAX_PAGES)) {
    pages.push({ path, bytes: await connection.read(path) });
  }
  return pages;
}

/** So many pages in the manner of the demo's, with more words and a number each; and their style sheets. */
export function grownPages(count: number): BenchPage[] {
  const originals = [...textFiles()].filter(([path]) => isPagePath(path));
  const words = new TextEncoder().encode(
    `\n${'<p>Lessons are given from Monday to Saturday, <a href="index.html">as ever</a>.</p>\n'.repeat(60)}`,
  );
  return Array.from({ length: count }, (_, n) => {
    const [path, bytes] = originals[n % originals.length] as [string, Uint8Array];
    const folder = path.includes('/') ? path.slice(0, path.indexOf('/')) : '';
    const name = `${folder ? `${folder}/` : ''}n${n}.html`;
    return { path: name, bytes: Buffer.concat([bytes, words, Buffer.from(`<!-- ${n} -->`)]) };
  });
}

/** The demo's style sheets. */
export function grownSheets(): BenchPage[] {
  return [...textFiles()].filter(([path]) => path.endsWith('.css')).map(([path, bytes]) => ({ path, bytes }));
}
