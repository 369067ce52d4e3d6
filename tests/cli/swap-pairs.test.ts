import { mkdtemp, readFile, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import sharp from 'sharp';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { facade, river, stage } from '@demo/site/scenes';
import { rowsOf } from '../fixtures/run-ibidem';
import { runHere } from '../fixtures/run-program';
import { snapshot, writeFiles } from '../fixtures/write-site';

let folder: string;
let site: string;
const jpeg = (svg: string, width: number, height: number) => sharp(Buffer.from(svg)).resize(width, height).jpeg(); // oxfmt-ignore

beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), 'ibidem-pairs-'));
  site = join(folder, 'site');
  const hall = await jpeg(stage(11), 900, 600).toBuffer();
  await writeFiles(site, {
    'index.html': '<figure><img src="img/hall.jpg" alt="hall" width=450 height=300><figcaption>Old</figcaption></figure>\n<img src="img/small/hall.webp" alt="hall" width=90 height=60>',
    'news/a.html': '<img src="../img/sample.png" width=200 height=200 alt="">\n<img src="../img/hall.jpg" width=450>',
    'img/hall.jpg': hall,
    'img/small/hall.webp': await sharp(hall).resize(300, 200).webp().toBuffer(),
    'img/sample.png': await sharp(Buffer.from(facade(4, 'red'))).resize(400, 400).png().toBuffer(),
  }); // oxfmt-ignore
  await writeFiles(folder, {
    'new/river.jpg': await jpeg(river(2), 1800, 1200).toBuffer(),
    // What matters is at the right edge.
    'new/right.jpg': await sharp({ create: { width: 1600, height: 800, channels: 3, background: '#dddddd' } }).composite([{ input: Buffer.from('<svg xmlns="http://www.w3.org/2000/svg" width="200" height="800"><rect width="200" height="800" fill="#c00000"/></svg>'), left: 1400, top: 0 }]).jpeg().toBuffer(),
  }); // oxfmt-ignore
});
afterAll(() => rm(folder, { recursive: true, force: true }));

const pairs = async (rows: readonly object[]) => {
  const file = join(folder, 'pairs.jsonl');
  await writeFile(file, rows.map((row) => JSON.stringify(row)).join('\n'));
  return file;
};
const ALL = [
  { from: 'img/hall.jpg', to: 'new/river.jpg', alt: 'The river & its banks', caption: 'New' },
  { from: 'img/none.jpg', to: 'new/river.jpg' },
  { from: 'img/sample.png', to: 'new/right.jpg', focal: { x: 0.95, y: 0.5 } },
];

it('swaps many in one, with words and focal points; one that can’t be done is named, and the others are', async () => {
  const out = join(folder, 'out');
  const before = await snapshot(site);
  const { code, err } = await runHere('swap', site, '--pairs', await pairs(ALL), '--out', out);
  expect(code).toBe(1);
  expect(err).toContain('line 2: No placement shows img/none.jpg.');
  const after = await snapshot(out);
  expect(after['index.html']).toBe(
    before['index.html']
      ?.replace('img/hall.jpg" alt="hall"', 'img/river-900x600.jpg" alt="The river &amp; its banks"')
      .replace('Old', 'New'),
  );
  expect(after['news/a.html']).toBe('<img src="../img/right-400x400.jpg" width=200 height=200 alt="">\n<img alt="The river &amp; its banks" src="../img/river-900x600.jpg" width=450>'); // oxfmt-ignore
  // The focal point is in the crop: the red bar, a quarter of its width.
  const { data, info } = await sharp(await readFile(join(out, 'img/right-400x400.jpg'))).raw().toBuffer({ resolveWithObject: true }); // oxfmt-ignore
  expect([info.width, info.height]).toEqual([400, 400]);
  const reds = Array.from({ length: 400 }, (_, x) => data[(200 * 400 + x) * 3 + 1] ?? 255).filter((green) => green < 80); // oxfmt-ignore
  expect(reds.length).toBeGreaterThan(60);
});

it('takes the other sizes of the same picture along where that is asked for', async () => {
  const out = join(folder, 'family');
  const rows = await runHere('swap', site, '--from', 'img/hall.jpg', '--to', join(folder, 'new/river.jpg'), '--family', '--out', out); // oxfmt-ignore
  expect([rows.code, rows.err]).toEqual([0, '']);
  expect(rowsOf(rows.out).map(({ was, becomes }) => `${String(was)} ${String(becomes)}`)).toEqual([
    'img/hall.jpg img/river-900x600.jpg',
    'img/small/hall.webp img/small/river-180x120.jpg',
    '../img/hall.jpg ../img/river-900x600.jpg',
  ]);
  expect((await sharp(await readFile(join(out, 'img/small/river-180x120.jpg'))).metadata()).width).toBe(180);
});

it.each([
  ['two rows for one picture', [{ from: 'a.png', to: 'b.png' }, { from: 'a.png', to: 'c.png' }], [], 'both put something in the place of a.png'],
  ['a row that is no pair', [{ from: 'a.png' }], [], 'is not a pair'],
  ['a single picture beside the pairs', [], ['--from', 'a.png'], 'Both a file of pairs and a single picture'],
])('refuses %s before anything is read', async (_, rows, more, message) => {
  const { code, err, out } = await runHere('swap', site, '--pairs', await pairs(rows), ...more, '--dry-run');
  expect([code, out]).toEqual([2, '']);
  expect(err).toContain(message);
}); // oxfmt-ignore
