/** `ibidem rights` on a site with real picture files: versions made as people make them, covered by their master’s record. */
import { mkdtemp, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import sharp, { type Sharp } from 'sharp';
import { afterAll, beforeAll, expect, it } from 'vitest';
import { facade, stage } from '@demo/site/scenes';
import { rowsOf } from '../fixtures/run-ibidem';
import { runHere } from '../fixtures/run-program';
import { writeFiles } from '../fixtures/write-site';

let folder: string;

/** Not modifications: another size, format or way of writing; made upright by the camera’s flag. */
const SAME: Readonly<Record<string, (picture: Sharp) => Sharp>> = {
  'small.jpg': (picture) => picture.resize(480).jpeg({ quality: 70 }),
  'lossy.webp': (picture) => picture.webp({ quality: 40 }),
  'few-colours.png': (picture) => picture.resize(600).png({ palette: true, colours: 64 }),
};
/** Modifications. */
const CHANGED: Readonly<Record<string, (picture: Sharp) => Sharp>> = {
  'crop.jpg': (picture) => picture.extract({ left: 200, top: 100, width: 700, height: 500 }).jpeg(),
  'trimmed.jpg': (picture) => picture.extract({ left: 30, top: 20, width: 1140, height: 760 }).jpeg(),
  'square.jpg': (picture) => picture.resize(400, 400, { fit: 'cover' }).jpeg(),
  'mirror.jpg': (picture) => picture.flop().jpeg(),
  'grey.jpg': (picture) => picture.resize(700).greyscale().jpeg(),
  'pale.jpg': (picture) => picture.modulate({ saturation: 0.4 }).jpeg(),
  'bright.jpg': (picture) => picture.resize(500).modulate({ brightness: 1.2 }).jpeg(),
  'contrast.jpg': (picture) => picture.linear(1.25, -32).jpeg(),
  'border.jpg': (picture) =>
    picture.extend({ top: 30, bottom: 30, left: 30, right: 30, background: '#fff' }).jpeg(),
  'turned.jpg': (picture) => picture.rotate(90).jpeg(),
  'stretched.jpg': (picture) => picture.resize(900, 500, { fit: 'fill' }).jpeg(),
  'marked.jpg': (picture) => picture.composite([{ input: Buffer.from(MARK) }]).jpeg(),
};
const MARK = '<svg xmlns="http://www.w3.org/2000/svg" width="1200" height="800"><text x="600" y="420" font-size="90" text-anchor="middle" fill="#fff" fill-opacity="0.8" font-family="DejaVu Sans">FERNDRAKE</text></svg>'; // oxfmt-ignore
const VERSIONS = { ...SAME, ...CHANGED };

const photograph = async (scene: string): Promise<Buffer> => {
  const noise = { type: 'gaussian', mean: 128, sigma: 9 } as const;
  const grain = await sharp({ create: { width: 1200, height: 800, channels: 3, background: '#808080', noise } }).png().toBuffer(); // oxfmt-ignore
  return sharp(Buffer.from(scene)).resize(1200, 800).blur(0.8).composite([{ input: grain, blend: 'soft-light' }]).jpeg({ quality: 92 }).toBuffer(); // oxfmt-ignore
};

beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), 'ibidem-rights-'));
  const hall = await photograph(facade(3, 'red'));
  const choir = await photograph(stage(11));
  const made = await Promise.all(
    Object.entries(VERSIONS).map(
      async ([name, make]) => [`img/hall-${name}`, await make(sharp(hall)).toBuffer()] as const,
    ),
  );
  const images = Object.keys(VERSIONS).map((name) => `<p><img src="img/hall-${name}" alt=""></p>`);
  await writeFiles(join(folder, 'site'), {
    'img/hall.jpg': hall,
    'img/choir.jpg': choir,
    ...Object.fromEntries(made),
    'index.html': `<html lang="en"><title>Hall</title><body><img src="img/hall.jpg" alt="">${images.join('\n')}<footer>All photos: Ann Lee, CC BY-ND 4.0</footer>`,
    'shop/index.html': '<html lang="en"><title>Shop</title><body><figure><img src="../img/choir.jpg" alt=""><figcaption>© Ann Lee / Brightline</figcaption></figure>',
  }); // oxfmt-ignore
  await writeFile(
    join(folder, 'records.jsonl'),
    `${[
      { record: 'site', host: 'www.ferndrake.example' },
      { record: 'section', pattern: 'shop/**', purpose: 'selling', commercial: true },
      { record: 'picture', files: ['img/hall.jpg'], creator: ['Ann Lee'], licence: 'CC-BY-ND-4.0' },
      { record: 'picture', files: ['img/choir.jpg'], licence: 'own:bright' },
      { record: 'licence', id: 'own:bright', credit: true, line: 'Ann Lee / Brightline', purposes: ['selling'], until: '2026-12-31' },
    ].map((row) => JSON.stringify(row)).join('\n')}\n`,
  ); // oxfmt-ignore
  const csv = [
    'record,files,creator,licence,pattern,purpose,commercial,id,credit,line,purposes,until,releases',
    'picture,img/hall.jpg; img/hall-crop.jpg,Ann Lee,CC-BY-ND-4.0,,,,,,,,,',
    'picture,img/choir.jpg,,own:bright,,,,,,,,,',
    'section,,,,shop/**,selling,yes,,,,,,',
    'licence,,,,,,,own:bright,yes,Ann Lee / Brightline,selling,2026-12-31,',
    'person,,,,,,,p17,,,,,"[{""purposes"":[""teaching""]}]"',
  ];
  await writeFile(join(folder, 'records.csv'), csv.join('\n'));
  await writeFile(join(folder, 'bad.jsonl'), '{"record":"site"}\n{"record":"picture","files":["a"],"until":"2026-02-30"}\n');
}, 60_000); // oxfmt-ignore

afterAll(async () => rm(folder, { recursive: true, force: true }));

interface Row {
  readonly page: string;
  readonly url: string;
  readonly may: string;
  readonly because: readonly string[];
  readonly until: string | null;
  readonly credit: { readonly needed: boolean; readonly found: boolean | null };
  readonly chain: readonly string[];
}

const rights = async (...options: string[]) => {
  const { out, err, code } = await runHere('rights', join(folder, 'site'), ...options);
  return { rows: rowsOf(out) as unknown as Row[], err, code };
};

it('judges every version by its master’s record, and the day that is asked about', async () => {
  const records = join(folder, 'records.jsonl');
  const { rows, code } = await rights('--records', records, '--on', '2026-11-27');
  expect(code).toBe(0);
  const answers = Object.fromEntries(rows.map(({ url, because }) => [url, because.join(' ')]));
  const expected = (of: object, codes: string) =>
    Object.fromEntries(Object.keys(of).map((name) => [`img/hall-${name}`, codes]));
  expect(answers).toEqual({
    ...{ 'img/hall.jpg': '', 'img/choir.jpg': '' },
    ...expected(SAME, ''),
    ...expected(CHANGED, 'licence-noderivatives'),
  });
  const choir = rows.find(({ url }) => url === 'img/choir.jpg');
  expect(choir).toMatchObject({ may: 'yes', until: '2027-01-01', credit: { needed: true, found: true } });
}, 60_000);

it('reads the same records as CSV, and a crop that its record names stands as it is', async () => {
  const { rows, code } = await rights('--records', join(folder, 'records.csv'), '--on', '2027-01-01', '--fail-on', 'no'); // oxfmt-ignore
  expect(code).toBe(1);
  expect(rows.find(({ url }) => url === 'img/choir.jpg')).toMatchObject({ may: 'no', because: ['licence-ended'], until: null }); // oxfmt-ignore
  expect(rows.find(({ url }) => url === 'img/hall-crop.jpg')).toMatchObject({ may: 'yes' });
  expect(rows.find(({ url }) => url === 'img/hall-square.jpg')).toMatchObject({ may: 'no' });
}, 60_000);

it('names the line that it can’t read, and ends with 2', async () => {
  const { rows, err, code } = await rights('--records', join(folder, 'bad.jsonl'));
  expect(code).toBe(2);
  expect(rows).toEqual([]);
  expect(err).toMatch(/Line 2 can’t be read\..*2026-02-30/s);
  expect((await rights('--records', join(folder, 'none.jsonl'))).code).toBe(2);
  const never = await rights('--records', join(folder, 'records.csv'), '--on', '2026-13-01');
  expect(never.err).toContain('is not a day');
});
