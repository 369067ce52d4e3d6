/**
 * Families of pictures that nobody here made: each is written in many ways, all are put together by their looks, and
 * what was put together is held against what is known. What went wrong is named.
 */
import { readdir, readFile } from 'node:fs/promises';
import { basename, join } from 'node:path';
import sharp, { type Sharp } from 'sharp';
import { familiesOf } from '@/core/picture/all-families';
import type { FamilyFile } from '@/core/picture/family-state';
import { fingerprintOf, type Fingerprint } from '@/core/picture/fingerprint';
import { sha256 } from '@/server/hash';
import { readPlanes } from '@/server/imaging/read-pixels';
import { report } from './measure';

/** Pictures smaller than this along their short side are icons. */
const LEAST_PX = 200;
/** Of all that are found, evenly strewn. */
const MOST = Number(process.env['PICTURES'] ?? 70);

type Way = (
  picture: Sharp,
  size: { readonly width: number; readonly height: number },
) => Sharp | Promise<Sharp>;

const long =
  (px: number): Way =>
  (picture) =>
    picture.resize(px, px, { fit: 'inside', withoutEnlargement: true });
const cropped =
  (share: number): Way =>
  (picture, { width, height }) =>
    picture.extract({
      left: Math.round(width * share),
      top: Math.round(height * share),
      width: Math.round(width * (1 - 2 * share)),
      height: Math.round(height * (1 - 2 * share)),
    });
const marked: Way = (picture, { width, height }) => {
  const [px, w] = [Math.max(12, Math.round(width / 14)), Math.round(width * 0.5)];
  const text = `<svg width="${w}" height="${px * 2}"><text x="50%" y="70%" text-anchor="middle" font-family="DejaVu Sans" font-size="${px}" fill="#fff" fill-opacity="0.75" stroke="#000" stroke-opacity="0.4">Ferndrake</text></svg>`;
  return picture.composite([
    {
      input: Buffer.from(text),
      left: Math.round(width * 0.45),
      top: Math.max(0, Math.round(height * 0.75 - px)),
    },
  ]);
};

const asItIs: Way = (picture) => picture;

/** What is done to a picture, and how it is written then. */
const WAYS: Readonly<Record<string, Way>> = {
  'scaled to 1600': long(1600),
  'scaled to 800': long(800),
  'scaled to 400': long(400),
  'scaled to 150': long(150),
  'JPEG 85': (picture) => picture.flatten({ background: '#fff' }).jpeg({ quality: 85 }),
  'JPEG 40': (picture) => picture.flatten({ background: '#fff' }).jpeg({ quality: 40 }),
  WebP: (picture) => picture.webp({ quality: 75 }),
  AVIF: (picture) =>
    picture.resize(900, 900, { fit: 'inside', withoutEnlargement: true }).avif({ quality: 50 }),
  PNG: (picture) => picture.resize(700, 700, { fit: 'inside', withoutEnlargement: true }).png(),
  square: (picture) => picture.resize(200, 200, { fit: 'cover' }),
  'cut by 5 %': cropped(0.05),
  'cut by 15 % of its area': cropped((1 - Math.sqrt(0.85)) / 2),
  'cut by 15 % at every side': cropped(0.15),
  brighter: (picture) => picture.flatten({ background: '#fff' }).modulate({ brightness: 1.2 }),
  grey: (picture) => picture.greyscale(),
  marked,
  bordered: (picture, { width }) =>
    picture.flatten({ background: '#fff' }).extend({
      ...{ top: width >> 5, bottom: width >> 5, left: width >> 5, right: width >> 5 },
      background: '#ffffff',
    }),
  'turned by EXIF': (picture) =>
    picture.rotate(90).flatten({ background: '#fff' }).withMetadata({ orientation: 8 }).jpeg(),
  mirrored: (picture) => picture.flop(),
};

/** Ways after which a picture is the same to the eye, and must be found all but always. */
const STRICT = new Set([
  'scaled to 1600',
  'scaled to 800',
  'scaled to 400',
  'JPEG 85',
  'WebP',
  'AVIF',
  'PNG',
  'grey',
  'turned by EXIF',
]);

interface Written extends FamilyFile {
  readonly of: string;
  readonly way: string;
  readonly print: Fingerprint;
}

async function picturesIn(folder: string, leastPx = LEAST_PX): Promise<string[]> {
  const names = (await readdir(folder, { recursive: true })).filter((name) =>
    /\.(?:jpe?g|png|webp)$/iu.test(name),
  );
  const paths = new Map<string, string>();
  for (const name of names.sort()) {
    const path = join(folder, name);
    const bytes = await readFile(path);
    const { width = 0, height = 0 } = await sharp(bytes)
      .metadata()
      .catch(() => ({ width: 0, height: 0 }));
    // The same picture lies there for every language of a manual.
    if (Math.min(width, height) >= leastPx) paths.set(sha256(bytes), path);
  }
  return [...paths.values()];
}

async function written(path: string, number: number): Promise<Written[]> {
  const upright = await sharp(await readFile(path))
    .autoOrient()
    .resize(2000, 2000, { fit: 'inside', withoutEnlargement: true })
    .png()
    .toBuffer({ resolveWithObject: true });
  const { width, height } = upright.info;
  const of = `${number} ${basename(path)}`;
  const all: Written[] = [];
  for (const [way, make] of Object.entries({ original: asItIs, ...WAYS })) {
    const made = await make(sharp(upright.data), { width, height });
    const bytes = await made.toBuffer({ resolveWithObject: true });
    const print = fingerprintOf(await readPlanes(bytes.data, way));
    // White on transparent, laid over white, is gone: nobody could find it.
    if (all[0] && isBlank(print) && !isBlank(all[0].print)) continue;
    all.push({ id: `${of} ${way}`, of, way, widthPx: bytes.info.width, heightPx: bytes.info.height, print });
  }
  return all;
}

/** Samples of brightness, of 255, between the darkest and the lightest of a picture that shows nothing. */
const BLANK = 12;
const isBlank = ({ plane: { data } }: Fingerprint): boolean => Math.max(...data) - Math.min(...data) <= BLANK;

/** Pictures of a folder as they lie there, icons as well: the screens of a manual are look-alikes, and take longest. */
const AT_ONCE = 2000;
const ALLOWED_MS = 15;

async function benchAtOnce(folders: readonly string[]): Promise<void> {
  const found = (await Promise.all(folders.map((folder) => picturesIn(folder, 1)))).flat();
  const step = Math.max(1, found.length / AT_ONCE);
  const files: (FamilyFile & { readonly print: Fingerprint })[] = [];
  for (let n = 0; n < Math.min(AT_ONCE, found.length); n++) {
    const id = found[Math.floor(n * step)] as string;
    const bytes = await readFile(id);
    const { width = 1, height = 1 } = await sharp(bytes).metadata();
    const print = fingerprintOf(await readPlanes(bytes, id));
    files.push({ id, widthPx: width, heightPx: height, print });
  }
  const byId = new Map(files.map((file) => [file.id, file.print]));
  const before = process.cpuUsage();
  familiesOf(files, (id) => byId.get(id) as Fingerprint);
  const { user, system } = process.cpuUsage(before);
  const ours = (user + system) / 1000 / Math.max(1, files.length);
  report(
    `families of ${files.length} files as they lie there: processor time a file, of what is allowed`,
    { ours, bare: ALLOWED_MS, unit: 'ms' },
    { atMost: 1 },
  );
}

export async function benchFamilies(folders: readonly string[]): Promise<void> {
  await benchAtOnce(folders);
  const found = (await Promise.all(folders.map((folder) => picturesIn(folder)))).flat();
  const step = Math.max(1, found.length / MOST);
  const chosen = found.filter((_, n) => Math.floor(n / step) !== Math.floor((n - 1) / step));
  const files: Written[] = [];
  for (const [number, path] of chosen.entries()) files.push(...(await written(path, number)));
  const byId = new Map(files.map((file) => [file.id, file]));
  const families = familiesOf(files, (id) => (byId.get(id) as Written).print);
  tell(
    files,
    families.map(({ members }) => members.map(({ id }) => byId.get(id) as Written)),
  );
}

/** So few of a picture's files are named. */
const FEW = 3;

function waysOf(family: readonly Written[], of: string): string {
  const own = family.filter((file) => file.of === of);
  return own.map(({ way }) => way).join(', ');
}

/** A file is found where it is with most of the files of its picture. */
function tell(files: readonly Written[], families: readonly (readonly Written[])[]): void {
  let [right, all] = [0, 0];
  const home = new Map<string, { readonly family: readonly Written[]; readonly size: number }>();
  for (const family of families) {
    const sizes = new Map<string, number>();
    for (const { of } of family) sizes.set(of, (sizes.get(of) ?? 0) + 1);
    const named = [...sizes].map(([of, size]) =>
      size > FEW ? `${of} × ${size}` : `${of} (${waysOf(family, of)})`,
    );
    for (const [of, size] of sizes) if (size > (home.get(of)?.size ?? 0)) home.set(of, { family, size });
    all += (family.length * (family.length - 1)) / 2;
    for (const size of sizes.values()) right += (size * (size - 1)) / 2;
    if (sizes.size > 1) process.stderr.write(`together: ${named.join(', ')}\n`);
  }
  const pictures = new Set(files.map(({ of }) => of)).size;
  report(
    `families of ${pictures} pictures: pairs that are right, of all that are put together`,
    {
      ours: right,
      bare: all,
      unit: 'pairs',
    },
    { atLeast: 0.998 },
  );
  for (const way of Object.keys(WAYS)) {
    const ones = files.filter((file) => file.way === way);
    const lost = ones.filter((file) => !home.get(file.of)?.family.includes(file));
    if (lost.length > 0) process.stderr.write(`lost, ${way}: ${lost.map(({ of }) => of).join(', ')}\n`);
    report(
      `families: found ${way}`,
      { ours: ones.length - lost.length, bare: ones.length, unit: 'files' },
      { atLeast: STRICT.has(way) ? 0.99 : 0.95 },
    );
  }
}
