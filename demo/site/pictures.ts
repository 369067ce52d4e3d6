/** The picture files of the demo site: what each shows, how large it is, and what a camera left in it. */
import { copyFile, mkdir, utimes, writeFile } from 'node:fs/promises';
import { dirname, join } from 'node:path';
import sharp from 'sharp';
import { GROWN_PICTURES } from './growth';
import { FAULT_PICTURES } from './faults';
import { WORD_FAULT_PICTURES } from './word-faults';
import { LEFTOVER_PICTURES } from './leftovers';
import type { Picture } from './picture';
import { facade, hands, instrument, logo, portrait, poster, river, room, sample, stage } from './scenes';

const photo = (
  path: string,
  scene: string,
  [width, height]: readonly [number, number],
  taken?: string,
): Picture => (taken ? { path, scene, width, height, taken } : { path, scene, width, height });

/** A photograph in the widths that the responsive pages ask for. */
function widths(stem: string, scene: string, taken: string, list: readonly number[]): Picture[] {
  return list.map((width) =>
    photo(`${stem}-${width}.jpg`, scene, [width, Math.round((width * 2) / 3)], taken),
  );
}

const HAND_MADE: readonly Picture[] = [
  { path: 'img/sample_600x400.png', scene: sample(600, 400), width: 600, height: 400, isDrawn: true },
  { path: 'img/sample_300x300.png', scene: sample(300, 300), width: 300, height: 300, isDrawn: true },
  { path: 'img/logo.png', scene: logo(), width: 120, height: 120, isDrawn: true },
  { path: 'favicon.png', scene: logo(), width: 32, height: 32, isDrawn: true },
  ...widths('img/facade-2016', facade(3, 'red'), '2016:06:11 10:20:00', [480, 960, 1600]),
  ...widths('img/choir-winter', stage(11), '2022:12:14 19:05:00', [480, 960]),
  photo('img/hall-choir.jpg', stage(17), [960, 640], '2024:03:02 18:30:00'),
  photo('img/young-choir.jpg', stage(23), [960, 640], '2023:07:08 11:00:00'),
  photo('img/engine-room.jpg', room(5), [1200, 800], '2021:09:20 15:10:00'),
  photo('img/piano-room.jpg', room(9), [600, 400], '2019:10:02 14:00:00'),
  // The neighbour who lent it had it from somebody else.
  {
    ...photo('img/river-door.jpg', river(2), [1600, 1067], '2019:05:18 20:40:00'),
    copyright: '© 2019 Brightline',
  },
  photo('img/banner-summer.jpg', river(8), [1200, 380], '2020:07:01 17:00:00'),
  photo('img/violin-bench.jpg', instrument(4), [600, 400], '2025:03:12 09:30:00'),
  photo('img/violin-bench_thumb.jpg', instrument(4), [160, 160], '2025:03:12 09:30:00'),
  photo('img/cello-lesson.jpg', instrument(12), [900, 600], '2020:11:05 16:00:00'),
  photo('img/cello-lesson_thumb.jpg', instrument(12), [160, 160], '2020:11:05 16:00:00'),
  photo('img/cello-case_thumb.jpg', instrument(19), [160, 160]),
  photo('img/cello-case.jpg', instrument(19), [900, 600]),
  photo('img/flute.jpg', hands(3), [600, 400], '2018:02:14 10:00:00'),
  photo('img/guitar-group.jpg', room(21), [600, 400], '2018:04:19 10:00:00'),
  photo('img/drums.jpg', room(33), [600, 400]),
  photo('img/cafe-cup.jpg', hands(7), [800, 533], '2022:01:22 08:15:00'),
  photo('img/DSC_0417.jpg', hands(15), [3000, 2000], '2017:05:06 12:30:00'),
  photo('tutors/img/marrable.jpg', portrait(5), [800, 1000], '2021:09:03 09:00:00'),
  photo('tutors/img/oake.jpg', portrait(8), [400, 500], '2016:09:05 09:00:00'),
  photo('tutors/img/thorne.jpg', portrait(13), [400, 500], '2015:09:07 09:00:00'),
  photo(
    'concerts/img/poster-summer24.png',
    poster(3, ['SUMMER', 'CONCERT', '14 June 2024, 7 pm', 'Old Fire Station']),
    [620, 877],
  ),
  photo(
    'concerts/img/poster-winter22.png',
    poster(9, ['WINTER', 'VOICES', '14 December 2022, 7 pm', 'Old Fire Station']),
    [620, 877],
  ),
  photo('news/pics/open-day.jpg', facade(14, 'red'), [320, 213], '2014:09:13 11:00:00'),
  photo('news/pics/open-day_big.jpg', facade(14, 'red'), [1200, 800], '2014:09:13 11:00:00'),
  photo('news/pics/first-choir.jpg', stage(31), [320, 213], '2014:12:11 19:00:00'),
  photo('news/pics/first-choir_big.jpg', stage(31), [1200, 800], '2014:12:11 19:00:00'),
  photo('news/pics/flood.jpg', river(15), [320, 213], '2015:02:21 08:00:00'),
  photo('news/pics/workbench.jpg', instrument(27), [320, 213], '2015:05:30 14:00:00'),
  photo('news/pics/paper.gif', hands(22), [64, 64]),
  photo('img/unused-old-banner.jpg', river(29), [900, 200], '2014:03:01 10:00:00'),
];

export const ALL_PICTURES: readonly Picture[] = [
  ...HAND_MADE,
  ...GROWN_PICTURES,
  ...LEFTOVER_PICTURES,
  ...FAULT_PICTURES,
  ...WORD_FAULT_PICTURES,
];

/** Draws every picture into a folder; the same bytes on every run of the same version of the image library. */
export async function drawPictures(
  folder: string,
  isWanted: (path: string) => boolean = () => true,
): Promise<void> {
  const all = ALL_PICTURES.map((picture, i) => ({ picture, seed: i + 1 })).filter(({ picture }) =>
    isWanted(picture.path),
  );
  const hand = async () => {
    for (let next = all.pop(); next; next = all.pop()) {
      const target = join(folder, next.picture.path);
      await mkdir(dirname(target), { recursive: true });
      await writeFile(target, await draw(next.picture, next.seed));
      const { written } = next.picture;
      if (written) await utimes(target, new Date(written), new Date(written));
    }
  };
  await Promise.all([hand(), hand(), hand()]);
  for (const [from, to] of COPIES) if (isWanted(from)) await copyFile(join(folder, from), join(folder, to));
}

/** Somebody once copied them in the file manager, and both stayed. */
export const COPIES = [
  ['img/hall-choir.jpg', 'img/hall-choir copy.jpg'],
  ['join/img/kitchen.jpg', 'join/img/kitchen-copy.jpg'],
] as const;

async function draw(picture: Picture, seed: number): Promise<Buffer> {
  const { width, height } = picture;
  let image = sharp(Buffer.from(picture.scene)).resize(width, height, { fit: 'cover' });
  if (!picture.isDrawn) {
    const pixels = await image
      .blur(0.6 + width / 4000)
      .removeAlpha()
      .raw()
      .toBuffer();
    await addGrain(pixels, seed);
    image = sharp(pixels, { raw: { width, height, channels: 3 } });
  }
  if (picture.onItsSide) {
    const { data, info } = await image.raw().toBuffer({ resolveWithObject: true });
    image = sharp(data, { raw: info }).rotate(270);
    if (picture.onItsSide === 'noted') image = image.withMetadata({ orientation: 6 });
  }
  if (picture.taken) image = image.withExif({ IFD2: { DateTimeOriginal: picture.taken } });
  if (picture.description) image = image.withExifMerge({ IFD0: { ImageDescription: picture.description } });
  if (picture.copyright) image = image.withExifMerge({ IFD0: { Copyright: picture.copyright } });
  if (picture.scanned) image = image.withExif({ IFD2: { DateTimeDigitized: picture.scanned } });
  if (picture.path.endsWith('.png') && picture.format !== 'jpeg')
    return image.png({ compressionLevel: 9, palette: true }).toBuffer();
  if (picture.path.endsWith('.gif')) return image.gif().toBuffer();
  return image.jpeg({ quality: 84 }).toBuffer();
}

/** How light grains of a sensor's noise are, as samples. */
const GRAIN = { darkest: 108, tones: 0x28 };

/** Lays grey noise like a sensor's over red, green and blue samples, from a seed. */
async function addGrain(pixels: Buffer, seed: number): Promise<void> {
  const laid = await softLight();
  let state = seed * 2654435761;
  for (let i = 0; i < pixels.length; i += 3) {
    state = (Math.imul(state, 1664525) + 1013904223) >>> 0;
    const row = ((state >>> 24) & (GRAIN.tones - 1)) * 256;
    for (let at = i; at < i + 3; at++) pixels[at] = laid[row + (pixels[at] as number)] as number;
  }
}

let table: Promise<Buffer> | undefined;

/** What the image library makes of each sample under each grain, a row a grain. Asked for whole pictures it was a third of drawing. */
const softLight = (): Promise<Buffer> =>
  (table ??= (async () => {
    const size = { width: 256, height: GRAIN.tones };
    const under = Buffer.from(Array.from({ length: 256 * GRAIN.tones * 3 }, (_, i) => ((i / 3) | 0) % 256));
    const over = Buffer.from(Array.from({ length: 256 * GRAIN.tones }, (_, i) => GRAIN.darkest + (i >> 8)));
    return sharp(under, { raw: { ...size, channels: 3 } })
      .composite([{ input: over, raw: { ...size, channels: 1 }, blend: 'soft-light' }])
      .removeAlpha()
      .extractChannel(0)
      .raw()
      .toBuffer();
  })());
