/** Rights that are written into files are read back by two readers that know nothing of each other, and no pixel changes. */
import { mkdtemp, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { decodeXML } from 'entities';
import exifr from 'exifr';
import { exiftool } from 'exiftool-vendored';
import sharp from 'sharp';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { facade } from '@demo/site/scenes';
import type { MetadataOut } from '@/core/rights/metadata-out';
import { problemOf } from '@/server/problem-error';
import { readMetadata } from '@/server/imaging/read-metadata';
import { MetadataWriter } from '@/server/imaging/write-metadata';

const writer = new MetadataWriter();
let folder: string;
beforeAll(async () => {
  folder = await mkdtemp(join(tmpdir(), 'metadata-'));
});
afterAll(async () => {
  await writer.end();
  await exiftool.end();
  await rm(folder, { recursive: true });
});

const RIGHTS: MetadataOut = {
  title: 'Die Halle im Mai — “hall”',
  creators: ['Ánn Lée', 'Tom O’Hay'],
  credit: 'Ánn Lée / Brightline Picture Agency and Sons',
  source: 'https://archive.example/hall?a=1&b=2',
  copyrightNotice: '© Brightline',
  owner: 'Brightline',
  usageTerms: 'Brightline: for news only; not for commercial use',
  webStatement: 'https://creativecommons.org/licenses/by-sa/4.0/',
  licence: 'https://creativecommons.org/licenses/by-sa/4.0/',
  attributionUrl: 'https://archive.example/hall',
  isMarked: true,
  licenceEnd: '2027-08-31',
  modelRelease: 'MR-LMR',
};

const scene = () => sharp(Buffer.from(facade(3, 'red'))).resize(320, 240);
const FORMATS = {
  jpeg: () => scene().jpeg().withExif({ IFD0: { Artist: 'Nobody', Make: 'Box' }, IFD2: { DateTimeOriginal: '2024:05:01 10:00:00' } }), // oxfmt-ignore
  png: () => scene().png(),
  webp: () => scene().webp(),
  tiff: () => scene().tiff(),
  avif: () => scene().avif(),
} as const;

const pixels = (bytes: Uint8Array) => sharp(bytes).raw().toBuffer();

describe.each(Object.entries(FORMATS))('%s', (format, made) => {
  let before: Buffer;
  let after: Uint8Array;
  beforeAll(async () => {
    before = await made().toBuffer();
    after = await writer.write(before, format, RIGHTS);
  });

  it('keeps every pixel', async () => {
    expect((await pixels(after)).equals(await pixels(before))).toBe(true);
  });

  it('is read back the same by one reader', async () => {
    const path = join(folder, `read.${format}`);
    await writeFile(path, after);
    const tags = (await exiftool.read(path, { readArgs: ['-G1', '-struct', '-n'] })) as unknown as Record<
      string,
      unknown
    >;
    expect(tags).toMatchObject({
      'XMP-dc:Title': RIGHTS.title,
      'XMP-dc:Creator': RIGHTS.creators,
      'XMP-dc:Rights': RIGHTS.copyrightNotice,
      'XMP-photoshop:Credit': RIGHTS.credit,
      'XMP-photoshop:Source': RIGHTS.source,
      'XMP-xmpRights:Owner': ['Brightline'],
      'XMP-xmpRights:UsageTerms': RIGHTS.usageTerms,
      'XMP-xmpRights:WebStatement': RIGHTS.webStatement,
      'XMP-xmpRights:Marked': true,
      'XMP-cc:License': RIGHTS.licence,
      'XMP-cc:AttributionURL': RIGHTS.attributionUrl,
      'XMP-plus:CopyrightOwner': [{ CopyrightOwnerName: 'Brightline' }],
      'XMP-plus:ImageCreator': [{ ImageCreatorName: 'Ánn Lée' }, { ImageCreatorName: 'Tom O’Hay' }],
      'XMP-plus:ModelReleaseStatus': 'MR-LMR',
    });
  });

  // A reader that knows nothing of WebP, of AVIF its EXIF alone, and of XML its named characters not.
  it('by a second one', async () => {
    if (format === 'webp')
      return expect(exifr.parse(Buffer.from(after))).rejects.toThrow('Unknown file format');
    const bytes = Buffer.from(after);
    const whole = { xmp: true, iptc: false, tiff: true, ifd0: {}, icc: false, mergeOutput: false };
    const tags = (await exifr.parse(bytes, whole)) as Record<string, Record<string, unknown> | undefined>;
    if (format !== 'png') expect(tags['ifd0']).toMatchObject({ Copyright: RIGHTS.copyrightNotice });
    if (format === 'avif') return;
    const text = (value: unknown) => decodeXML(String((value as { value?: string }).value ?? value));
    const { dc = {}, xmpRights = {}, cc, plus } = tags;
    // Credit and source stand in a namespace that is called after a program: they are found by their own names.
    const { Credit: credit, Source: source } = Object.assign({}, ...Object.values(tags)) as Record<string, unknown>; // oxfmt-ignore
    expect([text(dc['title']), dc['creator'], text(dc['rights'])]).toEqual([
      ...[RIGHTS.title, RIGHTS.creators, RIGHTS.copyrightNotice],
    ]);
    expect([credit, source].map(text)).toEqual([RIGHTS.credit, RIGHTS.source]);
    expect([text(xmpRights['UsageTerms']), xmpRights['WebStatement'], xmpRights['Marked']]).toEqual([
      ...[RIGHTS.usageTerms, RIGHTS.webStatement, true],
    ]);
    expect(xmpRights['Owner']).toBe('Brightline');
    expect(JSON.stringify(cc)).toContain(RIGHTS.licence);
    expect(JSON.stringify(plus)).toContain('Tom O’Hay');
  });

  it('and by Ibidem itself', async () => {
    expect(await readMetadata(after)).toMatchObject({
      title: RIGHTS.title,
      creator: 'Ánn Lée',
      credit: RIGHTS.credit,
      copyright: RIGHTS.copyrightNotice,
      source: RIGHTS.source,
      usageTerms: RIGHTS.usageTerms,
      licenceUrl: RIGHTS.webStatement,
    });
  });
});

it('keeps what the file says besides, and of what is not given', async () => {
  const before = await FORMATS.jpeg().toBuffer();
  const after = await readMetadata(await writer.write(before, 'jpeg', { credit: 'The school' }));
  expect(after).toMatchObject({
    taken: '2024:05:01 10:00:00',
    camera: 'Box',
    creator: 'Nobody',
    credit: 'The school',
  });
});

it('cuts short what the older record has no room for, and nothing else', async () => {
  const after = await writer.write(await FORMATS.jpeg().toBuffer(), 'jpeg', RIGHTS);
  const iptc = (await exifr.parse(Buffer.from(after), { iptc: true, xmp: false, tiff: false })) as Record<
    string,
    unknown
  >;
  expect(iptc).toMatchObject({
    Byline: ['Ánn Lée', "Tom O'Hay"],
    Credit: 'Ánn Lée / Brightline Picture Age',
    CopyrightNotice: '© Brightline',
  });
  expect(String(iptc['Source'])).toBe(RIGHTS.source?.slice(0, 32));
});

it.each([
  ['a format that carries none', 'svg', Buffer.from('<svg xmlns="http://www.w3.org/2000/svg"/>')],
  ['a broken file', 'jpeg', Buffer.from([0xff, 0xd8, 0xff, 0x00, 0x01])],
])('refuses %s', async (_, format, bytes) => {
  const code = await writer.write(bytes, format, RIGHTS).then(() => null, (error: unknown) => problemOf(error).code); // oxfmt-ignore
  expect(code).toBe('METADATA_UNWRITTEN');
});
