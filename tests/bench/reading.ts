/** Reading pages (placements, context, styles) beside a bare parse with locations of the same bytes. */
import { parse } from 'parse5';
import { siteOfFiles } from '@/core/address/resolve-address';
import type { SheetText } from '@/core/markup/place-styles';
import { openFolder } from '@/server/connections/folder';
import { readPageBytes, readSheets } from '@/server/connections/read-site';
import { byTurns, report } from './measure';
import { grownPages, pagesIn, type BenchPage } from './pages';

export async function benchReading(folders: readonly string[]): Promise<void> {
  await measure('read pages like the demo', grownPages(400), new Map());
  for (const folder of folders) {
    const connection = await openFolder(folder);
    const sheets = await readSheets(connection, (await connection.list()).files, siteOfFiles());
    await measure(`read ${folder.split('/').at(-1) ?? folder}`, await pagesIn(folder), sheets);
  }
}

async function measure(
  name: string,
  pages: readonly BenchPage[],
  sheets: ReadonlyMap<string, SheetText>,
): Promise<void> {
  const site = siteOfFiles();
  const sheetOf = (path: string) => sheets.get(path);
  const ours = () => pages.map((page) => readPageBytes(page, site, sheetOf).placements.length);
  const bare = () =>
    pages.map(({ bytes }) => parse(Buffer.from(bytes).toString('utf8'), { sourceCodeLocationInfo: true }));
  report(name, await byTurns(ours, bare));
}
