import sharp from 'sharp';
import { describe, expect, it } from 'vitest';
import { inspectImage } from '@/server/imaging/inspect-image';
import { jpegQuality } from '@/server/imaging/jpeg-quality';
import { readMetadata } from '@/server/imaging/read-metadata';
import { readPlanes } from '@/server/imaging/read-pixels';
import { HEIC } from './heic-picture';

const readGreyPlane = async (bytes: Uint8Array) => (await readPlanes(bytes, 'a')).plane;
const left =
  '<svg xmlns="http://www.w3.org/2000/svg" width="80" height="40"><rect width="80" height="40" fill="#fff"/><rect width="40" height="40" fill="#000"/></svg>';
const halves = () => sharp(Buffer.from(left));

/** An icon with one picture in it, as a PNG (the form since Windows Vista). */
async function icon(side: number): Promise<Buffer> {
  const png = await halves().resize(side, side, { fit: 'fill' }).png().toBuffer();
  const header = Buffer.alloc(22);
  header.writeUInt16LE(1, 2);
  header.writeUInt16LE(1, 4);
  header.writeUInt8(side, 6);
  header.writeUInt8(side, 7);
  header.writeUInt16LE(1, 10);
  header.writeUInt16LE(32, 12);
  header.writeUInt32LE(png.length, 14);
  header.writeUInt32LE(22, 18);
  return Buffer.concat([header, png]);
}

describe('readGreyPlane', () => {
  it.each([
    ['jpeg', () => halves().jpeg().toBuffer()],
    ['png', () => halves().png().toBuffer()],
    ['webp', () => halves().webp().toBuffer()],
    ['avif', () => halves().avif({ effort: 0 }).toBuffer()],
    ['gif', () => halves().gif().toBuffer()],
    ['tiff', () => halves().tiff().toBuffer()],
    ['svg', () => Promise.resolve(Buffer.from(left))],
    ['ico', () => icon(48)],
    ['jpeg', () => halves().rotate(90).withMetadata({ orientation: 8 }).jpeg().toBuffer()],
  ])('reads %s upright', async (format, make) => {
    const bytes = await make();
    expect((await inspectImage(bytes, 'a')).format).toBe(format);
    const { width, height, data } = await readGreyPlane(bytes);
    const row = Math.floor(height / 2) * width;
    expect(data[row + 2]).toBeLessThan(20);
    expect(data[row + width - 3]).toBeGreaterThan(235);
  });

  it('reads HEIC', async () => {
    expect(await inspectImage(HEIC, 'phone.heic')).toMatchObject({
      format: 'heic',
      widthPx: 64,
      heightPx: 48,
    });
    const { width, height, data } = await readGreyPlane(HEIC);
    expect([width, height]).toEqual([64, 48]);
    expect(data[20 * 64 + 20]).toBeGreaterThan(240);
    expect(data[2]).toBeLessThan(130);
  });

  it('shows what is transparent over white, and only the first of many frames', async () => {
    const clear = await sharp({ create: { width: 20, height: 10, channels: 4, background: '#0000' } })
      .png()
      .toBuffer();
    expect([...(await readGreyPlane(clear)).data].every((value) => value === 255)).toBe(true);
    const white = await sharp(clear)
      .composite([
        { input: { create: { width: 8, height: 4, channels: 4, background: '#fff' } }, left: 6, top: 3 },
      ])
      .png()
      .toBuffer();
    // Over white nothing could be seen of it: then it stands over black.
    const { data } = await readGreyPlane(white);
    expect([data[0], data[5 * 20 + 10]]).toEqual([0, 255]);
    const frames = Buffer.concat(
      Array.from({ length: 400 }, (_, n) => Buffer.alloc(20 * 10 * 3, n % 2 ? 255 : 0)),
    );
    const moving = await sharp(frames, { raw: { width: 20, height: 4000, channels: 3, pageHeight: 10 } })
      .gif()
      .toBuffer();
    expect(await inspectImage(moving, 'a')).toMatchObject({ heightPx: 10, isAnimated: true });
    expect((await readGreyPlane(moving)).height).toBe(10);
  });

  it.each<[string, () => Promise<Uint8Array>]>([
    ['a JPEG cut short', async () => (await halves().resize(900).jpeg().toBuffer()).subarray(0, 3000)],
    ['a HEIC cut short', () => Promise.resolve(HEIC.subarray(0, 500))],
    ['an icon that points outside', async () => (await icon(48)).subarray(0, 60)],
    ['a text', () => Promise.resolve(Buffer.from('holiday.jpg'))],
    ['nothing', () => Promise.resolve(Buffer.alloc(0))],
    [
      'entities that blow up',
      () =>
        Promise.resolve(
          Buffer.from(
            `<!DOCTYPE svg [<!ENTITY a "aaaaaaaaaa">${'bcdefghi'
              .split('')
              .map((c, i) => `<!ENTITY ${c} "${`&${'abcdefgh'[i]};`.repeat(10)}">`)
              .join(
                '',
              )}]><svg xmlns="http://www.w3.org/2000/svg" width="9" height="9"><text>&i;</text></svg>`,
          ),
        ),
    ],
  ])('refuses %s, and soon', async (_, make) => {
    const before = performance.now();
    await expect(readGreyPlane(await make())).rejects.toThrow();
    expect(performance.now() - before).toBeLessThan(5000);
  });

  it('reads nothing from elsewhere for an SVG, and does not mind its scripts', async () => {
    const svg = `<?xml version="1.0"?><!DOCTYPE svg [<!ENTITY x SYSTEM "file:///etc/passwd">]><svg xmlns="http://www.w3.org/2000/svg" xmlns:xlink="http://www.w3.org/1999/xlink" width="40" height="40"><script>while(true){}</script><rect width="40" height="40" fill="#fff"/><image xlink:href="file:///etc/passwd" width="40" height="40"/><text y="20">&x;</text></svg>`;
    const read = await readGreyPlane(Buffer.from(svg)).then(
      ({ data }) => [...data],
      () => 'refused',
    );
    if (read !== 'refused') expect((read as number[]).every((value) => value === 255)).toBe(true);
  });

  it('bounds a strip of 1 × 60,000', async () => {
    const strip = await sharp({ create: { width: 1, height: 60_000, channels: 3, background: '#888' } })
      .png()
      .toBuffer();
    expect(await readGreyPlane(strip)).toMatchObject({ width: 1, height: 256 });
  });
});

describe('readMetadata', () => {
  const xmp = `<x:xmpmeta xmlns:x="urn:example:packet"><rdf:RDF xmlns:rdf="http://www.w3.org/1999/02/22-rdf-syntax-ns#"><rdf:Description xmlns:dc="http://purl.org/dc/elements/1.1/" xmlns:own="urn:example:own" xmlns:Iptc4xmpCore="http://iptc.org/std/Iptc4xmpCore/1.0/xmlns/" own:Credit="Ferndrake archive"><own:DateCreated>1987-05</own:DateCreated><dc:title><rdf:Alt><rdf:li xml:lang="x-default">The engine room</rdf:li></rdf:Alt></dc:title><dc:creator><rdf:Seq><rdf:li>M. Kestle</rdf:li></rdf:Seq></dc:creator><dc:subject><rdf:Bag><rdf:li>hall</rdf:li><rdf:li>piano</rdf:li></rdf:Bag></dc:subject><Iptc4xmpCore:AltTextAccessibility><rdf:Alt><rdf:li xml:lang="x-default">A piano beside a tall window</rdf:li></rdf:Alt></Iptc4xmpCore:AltTextAccessibility></rdf:Description></rdf:RDF></x:xmpmeta>`;

  it.each(['jpeg', 'png', 'webp', 'avif'] as const)('reads EXIF and XMP of %s', async (format) => {
    const image = halves()
      .withExif({
        IFD0: { Artist: 'Somebody else', Model: 'Box 3' },
        IFD2: { DateTimeOriginal: '2016:06:11 10:20:00' },
      })
      .withXmp(xmp);
    expect(await readMetadata(await image.toFormat(format).toBuffer())).toEqual({
      taken: '2016:06:11 10:20:00',
      camera: 'Box 3',
      dates: [{ field: 'XMP DateCreated', value: '1987-05' }],
      title: 'The engine room',
      altText: 'A piano beside a tall window',
      creator: 'M. Kestle',
      credit: 'Ferndrake archive',
      keywords: ['hall', 'piano'],
    });
  });

  it('reads IPTC of a JPEG', async () => {
    const field = (number: number, value: string) =>
      Buffer.concat([Buffer.from([0x1c, 2, number, 0, value.length]), Buffer.from(value, 'latin1')]);
    const iim = Buffer.concat([
      field(55, '20190518'),
      field(80, 'M. Kestle'),
      field(120, 'The river at dusk'),
    ]);
    const resource = Buffer.concat([
      // The signature of an image resource block, as JPEG's APP13 carries it.
      Buffer.from('50686f746f73686f7020332e30003842494d', 'hex'),
      Buffer.from([4, 4, 0, 0, 0, 0, 0, iim.length]),
      iim,
      Buffer.alloc(iim.length % 2),
    ]);
    const jpeg = await halves().jpeg().toBuffer();
    const length = Buffer.alloc(2);
    length.writeUInt16BE(resource.length + 2);
    const bytes = Buffer.concat([
      jpeg.subarray(0, 2),
      Buffer.from([0xff, 0xed]),
      length,
      resource,
      jpeg.subarray(2),
    ]);
    expect(await readMetadata(bytes)).toEqual({
      dates: [{ field: 'IPTC DateCreated', value: '2019-05-18' }],
      creator: 'M. Kestle',
      description: 'The river at dusk',
    });
  });

  it.each([
    ['none', async () => halves().png().toBuffer()],
    ['broken XMP', async () => halves().withXmp('<x:xmpmeta><rdf:RDF').png().toBuffer()],
    ['no picture', async () => Buffer.from('a text')],
  ])('gives nothing for %s', async (_, make) => expect(await readMetadata(await make())).toEqual({}));
});

describe('jpegQuality', () => {
  it.each([30, 50, 75, 85, 95])('tells quality %i to within 2', async (quality) => {
    expect(
      Math.abs((jpegQuality(await halves().jpeg({ quality }).toBuffer()) ?? 0) - quality),
    ).toBeLessThanOrEqual(2);
  });
  it('says nothing of what is no JPEG', async () =>
    expect(jpegQuality(await halves().png().toBuffer())).toBeNull());
});
