/** Reading pages (placements, context, styles) beside a bare parse with locations of the same bytes. */
import { parse } from 'parse5';
import { siteOfFiles } from '@/core/address/resolve-address';
import { openFolder } from '@/server/connections/folder/open-folder';
import { readSources } from '@/server/connections/site-sources';
import { readPageBytes } from '@/server/reading/read-batch';
import { openReadingPool } from '@/server/reading/reading-pool';
import { sourceShelf, type SharedSource } from '@/server/reading/source-shelf';
import { byTurns, quickestOf, report } from './measure';
import { grownPages, pagesIn, type BenchPage } from './pages';

const site = siteOfFiles();

export async function benchReading(folders: readonly string[]): Promise<void> {
  await measure('read pages like the demo', grownPages(400), []);
  for (const folder of folders) {
    const connection = await openFolder(folder);
    const sources = await readSources(connection, (await connection.list()).files);
    await measure(`read ${folder.split('/').at(-1) ?? folder}`, await pagesIn(folder), sources);
  }
  await measureDoubling();
  await measureLargePage();
  await measureAllCores();
}

const bareParse = (pages: readonly BenchPage[]) => {
  for (const { bytes } of pages) parse(Buffer.from(bytes).toString('utf8'), { sourceCodeLocationInfo: true });
};

async function measure(
  name: string,
  pages: readonly BenchPage[],
  sources: readonly SharedSource[],
): Promise<void> {
  const from = { site, shelf: sourceShelf(sources, site) };
  const ours = () => {
    for (const page of pages) readPageBytes(page, from);
  };
  report(name, await byTurns(ours, () => bareParse(pages)), { atMost: 1.3 });
}

/** Pages that are long in one way, given how often. Twice the page may take twice the time. */
const LONG_IN_ONE_WAY: readonly (readonly [string, number, (times: number) => string])[] = [
  ['a 5 MB page', 51_000, nestedList],
  ['100,000 files of one srcset', 100_000, (times) => `<img srcset="${'a.png 2w, '.repeat(times)}b.png 1w">`],
  [
    '50,000 pictures of one style',
    50_000,
    (times) => `<p style="${'background:url(a.png);'.repeat(times)}">`,
  ],
  ['100,000 imports of one sheet', 100_000, (times) => `<style>${'@import "x.css";'.repeat(times)}</style>`],
];

/** Beneath what is nested deep. */
function nestedList(times: number): string {
  const item =
    '<li><figure><a href="b.jpg"><img src="a.jpg" alt="x"></a><figcaption>Words</figcaption></figure>\n';
  return `${'<div>'.repeat(10_000)}<ul>${item.repeat(times)}`;
}

async function measureDoubling(): Promise<void> {
  const from = { site, shelf: sourceShelf([], site) };
  for (const [name, times, pageOf] of LONG_IN_ONE_WAY) {
    const page = (n: number): BenchPage => ({ path: 'large.html', bytes: Buffer.from(pageOf(n)) });
    const [whole, half] = [page(times), page(times / 2)];
    const measured = await byTurns(
      () => readPageBytes(whole, from),
      () => readPageBytes(half, from),
      3,
    );
    report(`read ${name}, beside half of it (2 is linear)`, measured, { atMost: 2.2 });
  }
}

/** A page of 5 MB with 52,000 places, of the time that is allowed for it. */
async function measureLargePage(): Promise<void> {
  const from = { site, shelf: sourceShelf([], site) };
  const rows = Array.from(
    { length: LARGE_PLACES },
    (_, n) =>
      `<tr><td><img src="img/${n}.jpg" alt="Picture ${n}" width=80></td><td>Some words beside it, row ${n}</td></tr>\n`,
  );
  const bytes = Buffer.from(`<!doctype html><table>${rows.join('')}</table>`);
  const { ours } = await quickestOf(
    {
      ours: () => {
        const { placements } = readPageBytes({ path: 'large.html', bytes }, from);
        if (placements.length !== LARGE_PLACES) throw new Error(`${placements.length} places were read`);
      },
    },
    3,
  );
  report(
    `read a ${Math.round(bytes.length / 1e6)} MB page of ${LARGE_PLACES} places, of what is allowed`,
    { ours, bare: ALLOWED_LARGE_MS, unit: 'ms' },
    { atMost: 1 },
  );
}

const LARGE_PLACES = 52_000;
const ALLOWED_LARGE_MS = 3000;

/** A site of 10,000 pages with every core, beside one bare pass over the same bytes. */
async function measureAllCores(): Promise<void> {
  const pages = grownPages(10_000);
  const ours = async () => {
    const pool = await openReadingPool(site, [], pages.length);
    const copies = async function* () {
      for (const page of pages) yield { ...page, bytes: new Uint8Array(page.bytes) };
    };
    for await (const batch of pool.read(copies(), 'rows'))
      if (batch.length === 0) throw new Error('an empty batch');
    await pool.close();
  };
  report(
    'read 10,000 pages with all cores, threads started',
    await byTurns(ours, () => bareParse(pages), 1),
    { atMost: 1 },
  );
}
