/** Pixels of a picture of any type that sites have, upright and small: bounded in size, pixels and time. */
import sharp, { type Sharp } from 'sharp';
import type { Tint } from '@/core/picture/colour';
import { PLANE_PX } from '@/core/picture/fingerprint';
import type { GreyPlane } from '@/core/picture/grey-plane';
import { planesOnGround } from '@/core/picture/ground';
import { ProblemError } from '../problem-error';
import { MAX_PIXELS } from './inspect-image';
import { largestIcon } from './read-icons';
import { kindOfBytes } from './sniff-picture';

/** Seconds after which decoding one picture is given up. */
const TIME_LIMIT_S = 30;

/** HEIC is decoded by one thread that nothing can stop: only what a phone's camera makes. */
const MAX_HEIC_PIXELS = 60_000_000;

/** A picture as sharp takes it in, of whatever type; turned upright by its EXIF orientation. */
export async function openPicture(bytes: Uint8Array): Promise<Sharp> {
  const raw = await decodedElsewhere(bytes);
  if (raw) {
    const { width, height, data } = raw;
    return sharp(data, { raw: { width, height, channels: 4 }, limitInputPixels: MAX_PIXELS });
  }
  return sharp(bytes, { limitInputPixels: MAX_PIXELS, failOn: 'error' })
    .timeout({ seconds: TIME_LIMIT_S })
    .autoOrient();
}

interface RawPixels {
  readonly width: number;
  readonly height: number;
  /** Red, green, blue, alpha, each 0 to 255. */
  readonly data: Uint8Array;
}

/** Pixels of the types that sharp does not read: HEIC and ICO. */
async function decodedElsewhere(bytes: Uint8Array): Promise<RawPixels | null> {
  switch (kindOfBytes(bytes)) {
    case 'heic':
      return decodedHeic(bytes);
    case 'ico':
      return iconPixels(bytes);
    default:
      return null;
  }
}

async function decodedHeic(bytes: Uint8Array): Promise<RawPixels> {
  // Loaded for the first picture of its kind: of most sites there is none.
  const { default: heic } = await import('heic-decode');
  const images = await heic.all({ buffer: bytes });
  try {
    const [first] = images;
    if (!first) throw new Error('The file holds no picture.');
    if (first.width * first.height > MAX_HEIC_PIXELS)
      throw new ProblemError({
        code: 'IMAGE_TOO_LARGE',
        what: 'The picture is too large to open.',
        why: `It has ${first.width} × ${first.height} pixels; of this type up to ${MAX_HEIC_PIXELS / 1e6} million are opened.`,
        remedy: 'Save it as JPEG.',
      });
    const { width, height, data } = await first.decode();
    return { width, height, data: new Uint8Array(data.buffer, data.byteOffset, data.byteLength) };
  } finally {
    images.dispose();
  }
}

async function iconPixels(bytes: Uint8Array): Promise<RawPixels> {
  const largest = largestIcon(bytes);
  if (largest.type === 'bmp') {
    const { width, height, data } = largest;
    return { width, height, data: new Uint8Array(data) };
  }
  const { data, info } = await sharp(largest.data, { limitInputPixels: MAX_PIXELS })
    .ensureAlpha()
    .raw()
    .toBuffer({ resolveWithObject: true });
  return { width: info.width, height: info.height, data };
}

/**
 * A picture's brightness and colours for comparing: upright, on its ground, at most 256 pixels along its long side.
 *
 * @param name what the file is called, for the message
 * @throws ProblemError `IMAGE_BROKEN` or `IMAGE_TOO_LARGE`
 */
export async function readPlanes(bytes: Uint8Array, name: string): Promise<{ plane: GreyPlane; tint: Tint }> {
  try {
    return await planesOfPicture(await openPicture(bytes));
  } catch (error) {
    throw brokenPixels(name, error);
  }
}

/** What is said of a picture whose pixels can't be read; a problem that says it already stays. */
export function brokenPixels(name: string, error: unknown): ProblemError {
  if (error instanceof ProblemError) return error;
  // A decoder's own name before its words says nothing to anybody.
  const said = (error instanceof Error ? error.message : String(error)).replace(/^\w*vips\w*: /iu, '');
  return new ProblemError(
    {
      code: 'IMAGE_BROKEN',
      what: `“${name}” is damaged.`,
      why: `Its header can be read and its pixels can’t: ${said}.`,
      remedy: 'Upload it again from the original, or swap another picture in.',
    },
    { cause: error },
  );
}

/** The same of a picture that is open already. */
export async function planesOfPicture(picture: Sharp): Promise<{ plane: GreyPlane; tint: Tint }> {
  const { data, info } = await picture
    .resize(PLANE_PX, PLANE_PX, { fit: 'inside', withoutEnlargement: true })
    .toColourspace('srgb')
    .raw()
    .toBuffer({ resolveWithObject: true });
  return planesOnGround({ width: info.width, height: info.height, channels: info.channels, data });
}

/**
 * A picture decoded once to a size in which all that is measured can be: each call gives it anew, without decoding.
 *
 * @param longSide in pixels; a smaller picture keeps its size
 */
export async function decodedOnce(bytes: Uint8Array, longSide: number): Promise<() => Sharp> {
  const { data, info } = await (
    await openPicture(bytes)
  )
    .resize(longSide, longSide, { fit: 'inside', withoutEnlargement: true })
    .toColourspace('srgb')
    .raw()
    .toBuffer({ resolveWithObject: true });
  const { width, height, channels } = info;
  return () => sharp(data, { raw: { width, height, channels } });
}
