/**
 * Pictures through real codecs: what is one picture is put together whatever was done to it, and what only looks alike
 * is not.
 */
import sharp, { type Sharp } from 'sharp';
import { beforeAll, describe, expect, it } from 'vitest';
import { badge, cardSlide, facade, instrument, logo, noPerson, poster, river, room, sample, stage, sunAndHills } from '@demo/site/scenes'; // oxfmt-ignore
import { familiesOf } from '@/core/picture/all-families';
import { fingerprintOf, type Fingerprint } from '@/core/picture/fingerprint';
import { readPlanes } from '@/server/imaging/read-pixels';

const draw = (svg: string) => sharp(Buffer.from(svg)).flatten({ background: '#ffffff' });
const photograph = (svg: string) => draw(svg).resize(1200, 800, { fit: 'cover' }).blur(0.8);

/** The families of some pictures, as sets of their names. */
async function sorted(pictures: Readonly<Record<string, Uint8Array>>): Promise<string[][]> {
  const prints = new Map<string, Fingerprint>();
  const files: { id: string; widthPx: number; heightPx: number }[] = [];
  for (const [id, bytes] of Object.entries(pictures)) {
    const { width, height } = await sharp(bytes).metadata();
    files.push({ id, widthPx: width, heightPx: height });
    prints.set(id, fingerprintOf(await readPlanes(bytes, id)));
  }
  const families = familiesOf(files, (id) => prints.get(id) as Fingerprint);
  return families.map(({ members }) => members.map(({ id }) => id).sort());
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

/** One form with other words: as a screen is in another language. */
function form(words: readonly string[]): string {
  const rows = words.map(
    (word, n) =>
      `<text x="60" y="${150 + 62 * n}" font-size="26">${word}</text><rect x="330" y="${122 + 62 * n}" width="420" height="40" fill="#fff" stroke="#7a7a7a"/>`,
  );
  return `<svg xmlns="http://www.w3.org/2000/svg" width="900" height="640" font-family="DejaVu Sans"><rect width="900" height="640" fill="#e9e6df"/><rect width="900" height="70" fill="#2e4a52"/><circle cx="46" cy="35" r="18" fill="#d9a441"/><text x="84" y="45" font-size="28" fill="#fff">${words.join(' ').slice(0, 24)}</text>${rows.join('')}<rect x="640" y="570" width="200" height="44" rx="6" fill="#4b7f52"/></svg>`;
}

const LANGUAGES: readonly (readonly string[])[] = [
  ['Name', 'Street', 'Town', 'Telephone', 'Instrument', 'Teacher', 'Beginning'],
  ['Vorname', 'Straße', 'Ort', 'Telefon', 'Instrument', 'Lehrkraft', 'Beginn'],
  ['Prénom', 'Rue', 'Ville', 'Téléphone', 'Instrument', 'Professeur', 'Début'],
  ['Nombre', 'Calle', 'Ciudad', 'Teléfono', 'Instrumento', 'Profesora', 'Inicio'],
  ['Nome', 'Via', 'Città', 'Telefono', 'Strumento', 'Insegnante', 'Inizio'],
  ['Navn', 'Gate', 'By', 'Telefon', 'Instrument', 'Lærer', 'Start'],
  ['Naam', 'Straat', 'Plaats', 'Telefoon', 'Instrument', 'Docent', 'Begin'],
  ['Imię', 'Ulica', 'Miasto', 'Telefon', 'Instrument', 'Nauczyciel', 'Początek'],
];

/** A bar of a tone, aslant, with something at one end. */
const tool = (tone: string, thick: number, end: string, px: number) =>
  draw(`<svg width="${px}" height="${px * 0.75}" viewBox="0 0 100 75"><g transform="rotate(-25 50 37)"><rect x="6" y="${37 - thick / 2}" width="88" height="${thick}" rx="${thick / 3}" fill="${tone}"/>${end}</g></svg>`); // oxfmt-ignore
/** A letter with ground above and beneath, larger than signs are. */
const tall = (text: string) =>
  draw(`<svg width="90" height="170" viewBox="0 0 60 113"><text x="30" y="92" text-anchor="middle" font-family="DejaVu Sans" font-weight="bold" font-size="92">${text}</text></svg>`); // oxfmt-ignore

describe('families of real files', () => {
  it('give every cutting of a screen in eight languages to its own', async () => {
    const files: Record<string, Buffer> = {};
    const wanted: string[][] = [];
    for (const [n, words] of LANGUAGES.entries()) {
      const whole = await draw(form(words)).png().toBuffer();
      const ways: Record<string, Sharp> = {
        screen: sharp(whole),
        'cut at each side': sharp(whole).extract({ left: 45, top: 32, width: 810, height: 576 }),
        square: sharp(whole).resize(200, 200, { fit: 'cover' }),
        bordered: sharp(whole).extend({ top: 28, bottom: 28, left: 28, right: 28, background: '#fff' }),
        mirrored: sharp(whole).flop(),
        'its upper left': sharp(whole).extract({ left: 0, top: 0, width: 780, height: 555 }),
        small: sharp(whole).resize(400).jpeg({ quality: 60 }),
      };
      for (const [way, image] of Object.entries(ways)) files[`${n} ${way}`] = await image.toBuffer();
      wanted.push(
        Object.keys(ways)
          .map((way) => `${n} ${way}`)
          .sort(),
      );
    }
    expect((await sorted(files)).sort()).toEqual(wanted.sort());
  });

  it.each(Object.keys(CHANGES))(
    'take along what was %s',
    async (how) => {
      const changed: Record<string, Uint8Array> = {};
      for (const name of Object.keys(SCENES)) {
        // Pixels first: sharp does its steps in an order of its own.
        const image = sharp(await sharp(originals[name]).png().toBuffer());
        changed[`${name}, ${how}`] = await (CHANGES[how] as (of: Sharp) => Sharp)(image).toBuffer();
      }
      const families = await sorted({ ...originals, ...changed });
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
    ['a pencil and a spanner', { pencil: tool('#d9a441', 13, '<path d="M6 30.5 l-5 6.5 l5 6.5z" fill="#222"/>', 256), spanner: tool('#222', 10, '<circle cx="92" cy="37" r="10" fill="none" stroke="#222" stroke-width="4"/>', 140) }],
    ['two tall letters', { one: tall('I'), other: tall('T') }],
    ['two instruments on one bench', { violin: photograph(instrument(4)), cello: photograph(instrument(12)) }],
  ])('keep apart %s', async (_, pictures) => {
    const bytes: Record<string, Uint8Array> = {};
    for (const [name, image] of Object.entries(pictures)) bytes[name] = await image.png().toBuffer();
    expect((await sorted(bytes)).sort()).toEqual(Object.keys(pictures).map((name) => [name]).sort());
  }); // oxfmt-ignore
});

/** Stripes, a disc and a star. */
const FLAG =
  '<svg width="320" height="210" viewBox="0 0 320 210"><rect width="320" height="210" fill="#f2f2f2"/><rect width="320" height="70" fill="#2a5db0"/><rect y="140" width="320" height="70" fill="#c33"/><circle cx="90" cy="105" r="46" fill="#e8c53a"/><path d="M210 60 l14 40 h42 l-34 25 l13 41 l-35 -25 l-35 25 l13 -41 l-34 -25 h42z" fill="#2b6b3a"/></svg>';

describe('what is nothing but stripes', () => {
  const flag = (colours: readonly string[], isUpright = false) => {
    const share = 100 / colours.length;
    const stripes = colours.map((colour, n) =>
      isUpright
        ? `<rect x="${n * share}%" width="${share}%" height="100%" fill="${colour}"/>`
        : `<rect y="${n * share}%" width="100%" height="${share}%" fill="${colour}"/>`,
    );
    return draw(`<svg xmlns="http://www.w3.org/2000/svg" width="600" height="400">${stripes.join('')}</svg>`);
  };
  const FLAGS: Readonly<Record<string, Sharp>> = {
    'two across': flag(['#b5382f', '#f4f1e8']),
    'three across': flag(['#f4f1e8', '#2f7d4f', '#b5382f']),
    'three others': flag(['#1d1d1d', '#d9b13b', '#27508f']),
    'three upright': flag(['#27508f', '#f4f1e8', '#b5382f'], true),
  };

  it('is one picture in all its formats and sizes, and each flag its own', async () => {
    const files: Record<string, Buffer> = {};
    for (const [name, image] of Object.entries(FLAGS))
      for (const way of ['scaled to 150', 'JPEG of quality 40', 'WebP', 'AVIF', 'turned by EXIF'])
        files[`${name}, ${way}`] = await (CHANGES[way] as (one: Sharp) => Sharp)(image.clone()).toBuffer();
    const found = await sorted(files);
    expect(found.map((ids) => [...new Set(ids.map((id) => id.split(',')[0]))])).toEqual(
      found.map((ids) => [ids[0]?.split(',')[0]]),
    );
    expect(found).toHaveLength(Object.keys(FLAGS).length);
  });
});

describe('what is drawn on a bare ground', () => {
  const sign = (shapes: string, px = 112) =>
    draw(`<svg width="${px}" height="${px}" viewBox="0 0 100 100">${shapes}</svg>`);
  const letter = async (text: string) =>
    sharp(await sign(`<text x="50" y="82" text-anchor="middle" font-family="DejaVu Sans" font-weight="bold" font-size="96">${text}</text>`).png().toBuffer()).trim().png().toBuffer(); // oxfmt-ignore
  const folder = (px: number, emblem: string) =>
    sign(`<path d="M6 24 h34 l8 10 h46 v52 h-88 z" fill="#d9a441" stroke="#7a5518" stroke-width="3"/>${emblem}`, px); // oxfmt-ignore
  const note =
    '<g fill="#2e4a52"><circle cx="66" cy="74" r="8"/><rect x="71" y="44" width="4" height="31"/></g>';

  it.each(['CG', 'EF', 'hn', 'nr', 'gq', 'uU', 'CO'])(
    'is one letter or another: %s',
    async ([one, other]) => {
      const both = { one: await letter(one as string), other: await letter(other as string) };
      expect(await sorted(both)).toHaveLength(2);
    },
  );

  it.each<[string, (image: Sharp, px: number) => Sharp]>([
    ['smaller', (image, px) => image.resize(Math.round(px * 0.7))],
    ['JPEG of quality 40', (image) => image.jpeg({ quality: 40 })],
    ['blurred', (image) => image.blur(1.2)],
    ['brighter', (image) => image.linear(0.8, 51)],
  ])('is the same letter where it is %s', async (_, made) => {
    for (const one of 'GRS') {
      const own = await letter(one);
      const { width } = await sharp(own).metadata();
      expect(await sorted({ own, other: await made(sharp(own), width).toBuffer() })).toHaveLength(1);
    }
  });

  it.each<[string, string, (cut: Sharp) => Sharp]>([
    ['a room, cut and made brighter', room(5), (cut) => cut.modulate({ brightness: 1.4 })],
    ['a flag, cut and made darker', FLAG, (cut) => cut.linear(0.65, 0)],
  ])('is one picture still: %s', async (_, svg, made) => {
    const whole = await draw(svg).png().toBuffer();
    const { width, height } = await sharp(whole).metadata();
    const part = { left: Math.round(width * 0.08), top: Math.round(height * 0.05), width: Math.round(width * 0.8), height: Math.round(height * 0.85) }; // oxfmt-ignore
    const cut = sharp(await sharp(whole).extract(part).png().toBuffer());
    expect(await sorted({ whole, part: await made(cut).png().toBuffer() })).toHaveLength(1);
  });

  it('is another sign with an emblem on it where it is small, and one picture with a mark on it where it is not', async () => {
    const both = async (px: number) =>
      sorted({ bare: await folder(px, '').png().toBuffer(), other: await folder(px, note).png().toBuffer() });
    expect(await both(96)).toHaveLength(2);
    expect(await both(400)).toHaveLength(1);
  });
});
