/**
 * The most used pictures of sites that nobody here wrote, each swapped in all its places: a browser shows the new picture in
 * each of them, in the same box to a pixel, and the sources are equal outside what was written.
 */
import { mkdtemp, readFile, rm, stat, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium, type Page } from '@playwright/test';
import sharp from 'sharp';
import { ibidem } from '../fixtures/run-ibidem';
import { apart, boxes } from './box-of-images';
import { report } from './measure';
import { compareWraps } from './wraps';
import { CHROMIUM } from '../chromium';

/** Pictures of a site, and pages of each, that are looked at. */
const PICTURES = 5;
const PAGES = 8;

interface Place {
  readonly page: string;
  readonly kind: string;
  readonly url: string | null;
  readonly dormant: boolean;
}

interface Edit {
  readonly source: string;
  readonly start: number;
  readonly end: number;
  readonly was: string;
  readonly becomes: string;
}

const rowsOf = <T>(text: string): T[] => text.split('\n').filter(Boolean).map((line) => JSON.parse(line) as T); // oxfmt-ignore

export async function benchBoxes(sites: readonly string[]): Promise<void> {
  if (sites.length === 0) return;
  const folder = await mkdtemp(join(tmpdir(), 'ibidem-boxes-'));
  const to = join(folder, 'a new picture.jpg');
  await writeFile(to, await newPicture());
  const browser = await chromium.launch({ executablePath: CHROMIUM, args: ['--no-sandbox'] });
  const page = await (await browser.newContext({ viewport: { width: 1280, height: 900 }, javaScriptEnabled: true })).newPage(); // oxfmt-ignore
  const seen = { places: 0, same: 0, spans: 0, equal: 0 };
  const wraps = { images: 0, wrapped: 0, same: 0 };
  const tried = new Set<string>();
  try {
    for (const site of sites)
      for (const { url, pages } of await mostUsed(site)) {
        const out = join(folder, 'out');
        await rm(out, { recursive: true, force: true });
        const run = await ibidem('swap', site, '--from', url, '--to', to, '--out', out);
        if (run.code !== 0) throw new Error(`${site} ${url}: ${run.err}`);
        const edits = rowsOf<Edit>(run.out);
        await compareSources({ site, out, edits, seen });
        for (const path of pages) {
          await compareBoxes(page, { site, out, path, old: url, seen });
          if (tried.has(`${site}/${path}`)) continue;
          tried.add(`${site}/${path}`);
          await compareWraps(page, { site, path, copy: join(folder, 'wrapped'), seen: wraps });
        }
      }
  } finally {
    await browser.close();
    await rm(folder, { recursive: true, force: true });
  }
  if (seen.places === 0) return;
  report('places with the same box after a swap', { ours: seen.same, bare: seen.places, unit: 'places' }, { atLeast: 1 }); // oxfmt-ignore
  report('images in the same box within a picture', { ours: wraps.same, bare: wraps.wrapped, unit: 'images' }, { atLeast: 1 }); // oxfmt-ignore
  process.stderr.write(`${wraps.wrapped} of ${wraps.images} images may stand in a picture\n`);
  report('sources equal outside what was written', { ours: seen.equal, bare: seen.spans, unit: 'sources' }, { atLeast: 1 }); // oxfmt-ignore
}

/** Larger than what these sites show, so that nothing is too small for its place. */
async function newPicture(): Promise<Buffer> {
  return sharp({ create: { width: 4200, height: 3100, channels: 3, background: '#3c6e71' } }).jpeg().toBuffer(); // oxfmt-ignore
}

/** The pictures on most pages, by what `read` says, with some of those pages. */
async function mostUsed(site: string): Promise<{ url: string; pages: string[] }[]> {
  const run = await ibidem('read', site);
  const pages = new Map<string, Set<string>>();
  for (const { url, page, kind, dormant } of rowsOf<Place>(run.out)) {
    if (!url || dormant || kind !== 'img' || !/\.(?:png|jpe?g|gif|webp)$/i.test(url) || /^https?:/.test(url)) continue; // oxfmt-ignore
    if (!(await stat(join(site, url)).then((file) => file.isFile(), () => false))) continue; // oxfmt-ignore
    pages.set(url, (pages.get(url) ?? new Set()).add(page));
  }
  return [...pages]
    .toSorted(([, a], [, b]) => b.size - a.size)
    .slice(0, PICTURES)
    .map(([url, on]) => ({ url, pages: [...on].slice(0, PAGES) }));
}

interface Compared {
  readonly site: string;
  readonly out: string;
  readonly seen: { places: number; same: number; spans: number; equal: number };
}

async function compareSources({ site, out, edits, seen }: Compared & { readonly edits: readonly Edit[] }) {
  for (const source of new Set(edits.map((edit) => edit.source))) {
    const [before, after] = await Promise.all([readFile(join(site, source), 'latin1'), readFile(join(out, source), 'latin1')]); // oxfmt-ignore
    // What was written is taken out of both; the rest must be the same text.
    const own = edits.filter((edit) => edit.source === source);
    const rest = (text: string, which: 'was' | 'becomes') => own.reduce((left, edit) => left.replace(Buffer.from(edit[which]).toString('latin1'), '\0'), text); // oxfmt-ignore
    seen.spans++;
    if (rest(before, 'was') === rest(after, 'becomes')) seen.equal++;
    else process.stderr.write(`${source}: differs outside\n`);
  }
}

async function compareBoxes(
  page: Page,
  { site, out, path, old, seen }: Compared & { readonly path: string; readonly old: string },
) {
  const before = await boxes(page, join(site, path));
  const after = await boxes(page, join(out, path));
  const name = decodeURI(old).split('/').at(-1);
  for (const [n, box] of before.entries()) {
    if (box.file !== name) continue;
    seen.places++;
    const is = after[n];
    const isSame = is !== undefined && is.isLoaded && is.file !== name && apart(box, is) <= 1;
    if (isSame) seen.same++;
    else process.stderr.write(`${path}: ${JSON.stringify(box)} became ${JSON.stringify(is)}\n`);
  }
}
