import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import sharp from 'sharp';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { facade, river, stage } from '@demo/site/scenes';
import { rowsOf } from '../fixtures/run-ibidem';
import { runHere } from '../fixtures/run-program';
import { writeFiles } from '../fixtures/write-site';

let folder: string;
const scene = (svg: string) => sharp(Buffer.from(svg)).resize(900, 600);

beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), 'ibidem-pictures-'));
  const hall = await scene(stage(11))
    .withExif({ IFD2: { DateTimeOriginal: '2022:12:14 19:05:00' } })
    .jpeg()
    .toBuffer();
  await writeFiles(folder, {
    'hall.jpg': hall,
    'copy of hall.jpg': hall,
    'small/hall-300x200.webp': await sharp(hall).resize(300, 200).webp().toBuffer(),
    'small/thumb_17.png': await sharp(hall).resize(150, 150).png().toBuffer(),
    'mirrored.jpg': await sharp(hall).flop().resize(700).jpeg().toBuffer(),
    'other choir.jpg': await scene(stage(17)).jpeg().toBuffer(),
    'facade-2016.jpg': await scene(facade(3, 'red')).jpeg().toBuffer(),
    'river.png': await scene(river(2)).png().toBuffer(),
    'river on its side.jpg': await sharp(await scene(river(2)).png().toBuffer())
      .rotate(90)
      .resize(300)
      .jpeg()
      .toBuffer(),
    'broken.jpg': hall.subarray(0, 900),
    'notes.txt': 'no picture',
  });
});
afterAll(() => rm(folder, { recursive: true, force: true }));

describe('ibidem families', () => {
  it('prints a row a file, with family, master, scale and crop', async () => {
    const { code, out, err } = await runHere('families', folder);
    expect(code).toBe(0);
    expect(err).toContain('broken.jpg is passed over');
    const rows = rowsOf(out);
    expect(rows.map(({ file, family }) => [file, family])).toEqual([
      ['copy of hall.jpg', 'copy of hall.jpg'],
      ['facade-2016.jpg', 'facade-2016.jpg'],
      ['hall.jpg', 'copy of hall.jpg'],
      ['mirrored.jpg', 'copy of hall.jpg'],
      ['other choir.jpg', 'other choir.jpg'],
      ['river on its side.jpg', 'river on its side.jpg'],
      ['river.png', 'river.png'],
      ['small/hall-300x200.webp', 'copy of hall.jpg'],
      ['small/thumb_17.png', 'copy of hall.jpg'],
    ]);
    const row = (file: string) => rows.find((one) => one['file'] === file);
    expect(row('hall.jpg')).toMatchObject({ master: false, scale: 1, crop: null });
    expect(row('river on its side.jpg')).toMatchObject({ twin: 'river.png', turned: 270 });
    expect(row('river.png')).toMatchObject({ twin: 'river on its side.jpg', turned: 90 });
    expect(row('mirrored.jpg')).toMatchObject({ mirrored: true, crop: null });
    expect(row('small/hall-300x200.webp')?.['scale']).toBeCloseTo(1 / 3, 2);
    const crop = row('small/thumb_17.png')?.['crop'] as Record<string, number>;
    expect(crop['left']).toBeCloseTo(1 / 6, 1.7);
    expect(crop['width']).toBeCloseTo(2 / 3, 1.7);
    expect(row('small/thumb_17.png')?.['scale']).toBeCloseTo(0.25, 2);
  });
});

describe('ibidem dates', () => {
  it('prints the best days of each file and what tells them', async () => {
    const { code, out } = await runHere('dates', folder);
    expect(code).toBe(0);
    const rows = rowsOf(out);
    const row = (file: string) => rows.find((one) => one['file'] === file) as Record<string, unknown>;
    expect(row('hall.jpg')).toMatchObject({ from: '2022-12-14', until: '2022-12-14' });
    expect((row('hall.jpg')['evidence'] as { origin: string }[]).map(({ origin }) => origin)).toEqual([
      'camera',
      'file date',
    ]);
    expect(row('facade-2016.jpg')).toMatchObject({ from: '2016-01-01', until: '2016-12-31' });
    expect(row('river.png')['from']).toBeNull();
  });

  it('says what is wrong with a folder that is not there', async () => {
    const { code, out, err } = await runHere('dates', join(folder, 'nowhere'));
    expect([code, out]).toEqual([2, '']);
    expect(err).toContain('nowhere');
  });
});
