/**
 * Pictures through real codecs: what is one picture is put together whatever was done to it, and what only looks alike
 * is not.
 */
import sharp, { type Sharp } from 'sharp';
import { beforeAll, describe, expect, it } from 'vitest';
import { badge, cardSlide, facade, instrument, logo, noPerson, poster, river, room, sample, stage, sunAndHills } from '@demo/site/scenes'; // prettier-ignore
import { FamilyBuilder } from '@/core/picture/families';
import { fingerprintOf, type Fingerprint } from '@/core/picture/fingerprint';
import { readPlanes } from '@/server/imaging/read-pixels';

const draw = (svg: string) => sharp(Buffer.from(svg)).flatten({ background: '#ffffff' });
const photograph = (svg: string) => draw(svg).resize(1200, 800, { fit: 'cover' }).blur(0.8);

/** The families of some pictures, as sets of their names. */
async function familiesOf(pictures: Readonly<Record<string, Uint8Array>>): Promise<string[][]> {
  const prints = new Map<string, Fingerprint>();
  const files: { id: string; widthPx: number; heightPx: number }[] = [];
  for (const [id, bytes] of Object.entries(pictures)) {
    const { width, height } = await sharp(bytes).metadata();
    files.push({ id, widthPx: width, heightPx: height });
    prints.set(id, fingerprintOf(await readPlanes(bytes, id)));
  }
  const builder = new FamilyBuilder((id) => prints.get(id) as Fingerprint, [], files.length);
  for (const file of files.sort((a, b) => b.widthPx * b.heightPx - a.widthPx * a.heightPx)) builder.add(file);
  for (const id of builder.lonely()) builder.lookAgain(id);
  return builder.families().map(({ members }) => members.map(({ id }) => id).sort());
}

const mark = (width: number, height: number) =>
  Buffer.from(
    `<svg width="${width}" height="${height}"><text x="${width / 2}" y="${height * 0.55}" text-anchor="middle" font-family="DejaVu Sans" font-size="${height / 8}" fill="#fff" fill-opacity="0.5">FERNDRAKE</text></svg>`,
  );

/** What sites and people do to pictures. */
const CHANGES: Readonly<Record<string, (image: Sharp) => Sharp>> = {
  'scaled to 800': (image) => image.resize(800).png(),
  'scaled to 150': (image) => image.resize(150).png(),
  'JPEG of quality 40': (image) => image.jpeg({ quality: 40 }),
  WebP: (image) => image.webp({ quality: 70 }),
  AVIF: (image) => image.avif({ quality: 50, effort: 0 }),
  grey: (image) => image.greyscale().jpeg(),
  brighter: (image) => image.linear(1.12, 12).jpeg(),
  'a square thumbnail': (image) => image.resize(150, 150, { fit: 'cover' }).jpeg(),
  'cut by 5 % at each side': (image) => image.extract({ left: 60, top: 40, width: 1080, height: 720 }).jpeg(),
  'cut by 15 % at one corner': (image) =>
    image.extract({ left: 180, top: 120, width: 1020, height: 680 }).jpeg(),
  bordered: (image) =>
    image.extend({ top: 40, bottom: 40, left: 40, right: 40, background: '#222222' }).jpeg(),
  marked: (image) => image.composite([{ input: mark(1200, 800) }]).jpeg(),
  'turned by EXIF': (image) => image.rotate(90).withMetadata({ orientation: 8 }).jpeg(),
  mirrored: (image) => image.flop().jpeg(),
};

const SCENES = { hall: stage(11), room: room(5), river: river(2), front: facade(3, 'red') };
const originals: Record<string, Buffer> = {};
beforeAll(async () => {
  for (const [name, svg] of Object.entries(SCENES)) originals[name] = await photograph(svg).png().toBuffer();
});

describe('families of real files', () => {
  it.each(Object.keys(CHANGES))(
    'take along what was %s',
    async (how) => {
      const changed: Record<string, Uint8Array> = {};
      for (const name of Object.keys(SCENES)) {
        // Pixels first: sharp does its steps in an order of its own.
        const image = sharp(await sharp(originals[name]).png().toBuffer());
        changed[`${name}, ${how}`] = await (CHANGES[how] as (of: Sharp) => Sharp)(image).toBuffer();
      }
      const families = await familiesOf({ ...originals, ...changed });
      expect(families.sort()).toEqual(
        Object.keys(SCENES)
          .map((name) => [name, `${name}, ${how}`])
          .sort(),
      );
    },
    60_000,
  );

  it.each<[string, Readonly<Record<string, Sharp>>]>([
    ['a bell and a person without a face', { bell: draw(logo()).resize(120, 120), nobody: draw(noPerson()) }],
    ['the slides of a gallery', { one: draw(cardSlide(1)), two: draw(cardSlide(2)), three: draw(cardSlide(3)) }],
    ['a sample and what stands for a picture', { sample: draw(sample(600, 400)), hills: draw(sunAndHills('#dfe3e2', '#b6bfbd')) }],
    ['two words in one frame', { ours: draw(badge('YOUR LOGO', '#e4e4e4', '#9a9a9a')), theirs: draw(badge('JOINERS', '#f4efe2', '#5b3a1e')) }],
    ['posters of two years', { of2019: draw(poster(9, ['CONCERT', '2019', '12 December 2019', 'Fire Station'])), of2020: draw(poster(10, ['CONCERT', '2020', '12 December 2020', 'Fire Station'])) }],
    ['a front before and after it was painted', { red: photograph(facade(3, 'red')), green: photograph(facade(3, 'green')) }],
    ['two choirs on one stage', { hall: photograph(stage(11)), young: photograph(stage(23)) }],
    ['two instruments on one bench', { violin: photograph(instrument(4)), cello: photograph(instrument(12)) }],
  ])('keep apart %s', async (_, pictures) => {
    const bytes: Record<string, Uint8Array> = {};
    for (const [name, image] of Object.entries(pictures)) bytes[name] = await image.png().toBuffer();
    expect((await familiesOf(bytes)).sort()).toEqual(Object.keys(pictures).map((name) => [name]).sort());
  }); // prettier-ignore
});
