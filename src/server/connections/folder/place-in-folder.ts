/**
 * Where a path of a site lies on the disk: inside the site's folder, links followed as far as they stay in it. Names are
 * text; one whose bytes are not UTF-8 is known by those bytes written as in a URL (`caf%E9.jpg`).
 */
import { lstat, realpath } from 'node:fs/promises';
import { dirname, join, sep } from 'node:path';
import { ProblemError } from '../../problem-error';

/** A place on the disk: text, or bytes where those are no text. */
export type DiskPlace = string | Buffer;

export function isInside(root: string, place: string): boolean {
  return place === root || place.startsWith(root + sep);
}

/** The name of a folder's entry as a path holds it; `null` bytes never occur in one. */
export function nameOf(bytes: Buffer): { readonly name: string; readonly isText: boolean } {
  const name = bytes.toString('utf8');
  if (!name.includes('\ufffd') || Buffer.from(name, 'utf8').equals(bytes)) return { name, isText: true };
  const written = Array.from(bytes, (byte) =>
    byte < 0x80 ? String.fromCharCode(byte) : `%${byte.toString(16).toUpperCase().padStart(2, '0')}`,
  );
  return { name: written.join(''), isText: false };
}

/** The bytes that a path may stand for besides its letters; `null` where it holds no escaped byte above ASCII. */
function asBytes(path: string): Buffer | null {
  if (!/%[89a-f][\da-f]/iu.test(path)) return null;
  const parts = path.split(/(%[89a-f][\da-f])/iu);
  return Buffer.concat(
    parts.map((part, i) => (i % 2 === 1 ? Buffer.from(part.slice(1), 'hex') : Buffer.from(part, 'utf8'))),
  );
}

/** The real place of a path that is there and lies inside the site, else `null`. */
export async function existingPlace(root: string, path: string): Promise<DiskPlace | null> {
  if (path.includes('\0')) return null;
  const place = await realpath(join(root, path)).catch(() => null);
  if (place !== null) return isInside(root, place) ? place : null;
  const bytes = asBytes(path);
  if (!bytes) return null;
  const whole = Buffer.concat([Buffer.from(root + sep, 'utf8'), bytes]);
  const real = await realpath(whole, { encoding: 'buffer' }).catch(() => null);
  const isWithin = real?.subarray(0, root.length + 1).equals(Buffer.from(root + sep, 'utf8')) ?? false;
  return isWithin ? real : null;
}

/**
 * The real place of a path that may not be there yet. Nothing is made: a folder that is missing is looked for upwards,
 * so that a link out of the site is seen before anything is written behind it.
 *
 * @throws ProblemError `PATH_OUTSIDE`
 */
export async function targetPlace(root: string, path: string): Promise<DiskPlace> {
  const existing = await existingPlace(root, path);
  if (existing !== null && existing !== root) return existing;
  const wanted = join(root, path);
  if (!path.includes('\0') && isInside(root, wanted) && wanted !== root && existing === null) {
    const place = await throughLinks(root, wanted);
    if (place !== null) return place;
  }
  throw new ProblemError({
    code: 'PATH_OUTSIDE',
    what: `${path} does not lie inside the site.`,
    why: 'It leads out of the site’s folder, by its name or through a link.',
    remedy: 'Only files below the site’s folder are read and written.',
  });
}

/** Where a missing place would come to lie, or `null` where that is outside of the site. */
async function throughLinks(root: string, wanted: string): Promise<string | null> {
  const missing: string[] = [];
  for (let at = wanted; ; at = dirname(at)) {
    const place = await realpath(at).catch(() => null);
    if (place !== null) return isInside(root, place) ? join(place, ...missing) : null;
    // A link that leads nowhere would be written through: what it names is not known to lie inside.
    if (await isLink(at)) return null;
    missing.unshift(at.slice(dirname(at).length + 1));
    if (at === root) return null;
  }
}

async function isLink(place: string): Promise<boolean> {
  return lstat(place).then(
    (info) => info.isSymbolicLink(),
    () => false,
  );
}
