import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { addressText, siteOfFiles } from '@/core/address/resolve-address';
import type { Placement } from '@/core/markup/placement';
import { openFolder } from '@/server/connections/folder/open-folder';
import { placementsOf, readSite } from '@/server/connections/read-site';
import { snapshot } from '../../tests/fixtures/write-site';
import { ANSWERS } from './answers';
import { generateSite, textFiles } from './generate';
import { ALL_PICTURES, COPIES, drawPictures } from './pictures';

/** Some of what is drawn: all of it takes ten times as long as the rest of this, and is drawn for the tests of the whole demo. */
const SOME = (path: string) => /choir|2019|logo/.test(path);
/** The address of every file that the site comes to have. */
const FILES = [
  ...textFiles().keys(),
  ...ALL_PICTURES.map(({ path }) => path),
  ...COPIES.map(([, copy]) => copy),
];

let folder: string;
let placements: Placement[];
let encodings: Map<string, string>;

beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), 'ibidem-demo-'));
  await generateSite(join(folder, 'site'), join(folder, 'answers.json'), SOME);
  placements = [];
  encodings = new Map();
  const connection = await openFolder(join(folder, 'site'));
  const site = siteOfFiles(['www.ferndrake.example']);
  for await (const found of placementsOf(connection, site)) placements.push(...found);
  for await (const read of readSite(connection, site, 'rows')) {
    if (read.kind === 'pages') for (const { path, encoding } of read.pages) encodings.set(path, encoding);
  }
});
afterAll(() => rm(folder, { recursive: true, force: true }));

describe('the demo site', () => {
  it('is the same every time', async () => {
    const first = await snapshot(join(folder, 'site'));
    for (const [path, bytes] of textFiles()) expect(Buffer.from(bytes).toString('latin1')).toBe(first[path]);
    await drawPictures(join(folder, 'again'), SOME);
    const again = await snapshot(join(folder, 'again'));
    expect(Object.keys(again).length).toBeGreaterThan(12);
    expect(first).toMatchObject(again);
  });

  it('has its pages in three designs and two encodings', () => {
    expect(encodings.size).toBe(126);
    expect([...encodings.values()].filter((encoding) => encoding === 'windows-1252')).toHaveLength(9);
  });

  it.each(ANSWERS)('has its fault $rule at $page', ({ page, raw }) => {
    expect(placements.some((placement) => placement.page === page && placement.raw === raw)).toBe(true);
  });

  it('shows its leftover picture on exactly the pages of the answer key, in several kinds of markup', () => {
    const leftover = placements.filter(({ address }) => addressText(address) === 'img/sample_600x400.png');
    const known = ANSWERS.filter(({ rule }) => rule === 'fresh/placeholder').map(({ page }) => page);
    expect(new Set(leftover.map(({ page }) => page))).toEqual(new Set(known));
    expect(new Set(leftover.map(({ kind }) => kind))).toEqual(
      new Set(['img', 'source', 'link', 'css', 'meta']),
    );
  });

  it('has every kind of markup that waits, tells or nests, and pictures nothing shows', () => {
    const kinds = new Set(placements.map(({ kind }) => kind));
    for (const kind of [
      'lazy',
      'noscript',
      'json-ld',
      'manifest',
      'iframe-srcdoc',
      'poster',
      'srcset',
    ] as const) {
      expect(kinds).toContain(kind);
    }
    const files = FILES.filter((path) => /\.(?:jpg|png|gif)$/.test(path));
    expect(files.length).toBeGreaterThan(310);
    const shown = new Set(placements.map(({ address }) => addressText(address)));
    expect(files.filter((path) => !shown.has(path)).length).toBeGreaterThan(30);
  });

  it('asks for no file that is missing, but for the two it should', () => {
    const files = new Set(FILES);
    const missing = placements.flatMap(({ address }) =>
      address.kind === 'site' && !files.has(address.path) ? [address.path] : [],
    );
    expect([...new Set(missing)].sort()).toEqual(['img/Flute.jpg', 'news/pics/missing-tools.jpg']);
  });
});
