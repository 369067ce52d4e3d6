/** Applying a swap to 1,000 pages beside reading and writing the same files bare. */
import { mkdir, mkdtemp, readFile, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { dirname, join } from 'node:path';
import { siteOfFiles } from '@/core/address/resolve-address';
import { applyEdits } from '@/core/edit/apply-edits';
import type { SourceEdit } from '@/core/edit/source-edit';
import { siblingReference } from '@/core/edit/write-value';
import { decodeHtml } from '@/core/source/decode-source';
import { sha256 } from '@/server/hash';
import { readPageBytes } from '@/server/reading/read-batch';
import { sourceShelf } from '@/server/reading/source-shelf';
import { byTurns, report } from './measure';
import { grownPages } from './pages';

export async function benchSwapping(): Promise<void> {
  const folder = await mkdtemp(join(tmpdir(), 'ibidem-bench-'));
  const pages = grownPages(1000);
  const site = siteOfFiles();
  const prepared: { path: string; edits: SourceEdit[]; expects: string }[] = [];
  for (const page of pages) {
    await mkdir(dirname(join(folder, 'site', page.path)), { recursive: true });
    await writeFile(join(folder, 'site', page.path), page.bytes);
    await mkdir(dirname(join(folder, 'out', page.path)), { recursive: true });
    const { placements } = readPageBytes(page, { site, shelf: sourceShelf([], site) });
    const edits = placements
      .filter(({ source }) => source === page.path)
      .map(({ start, end, raw }) => ({
        start,
        end,
        was: raw,
        becomes: siblingReference(raw, 'new-600x400.jpg', ['html']),
      }));
    prepared.push({ path: page.path, edits, expects: sha256(page.bytes) });
  }
  const ours = async () => {
    for (const { path, edits, expects } of prepared) {
      const bytes = await readFile(join(folder, 'site', path));
      if (sha256(bytes) !== expects) throw new Error(`${path} changed`);
      const result = applyEdits({ bytes, source: decodeHtml(bytes) }, edits);
      if (!result.ok) throw new Error(result.problem.code);
      await writeFile(join(folder, 'out', path), result.bytes);
    }
  };
  const bare = async () => {
    for (const { path } of prepared)
      await writeFile(join(folder, 'out', path), await readFile(join(folder, 'site', path)));
  };
  report('apply a swap to 1,000 pages', await byTurns(ours, bare), { atMost: 1.5 });
  await rm(folder, { recursive: true, force: true });
}
