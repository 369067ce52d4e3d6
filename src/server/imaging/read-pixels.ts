/** Pixels of a picture of any type that sites have, upright and small: bounded in size, pixels and time. */
import heicDecode from 'heic-decode';
import sharp, { type Sharp } from 'sharp';
import { planesOf, type Tint } from '@/core/picture/colour';
import { PLANE_PX } from '@/core/picture/fingerprint';
import type { GreyPlane } from '@/core/picture/grey-plane';
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
  const images = await heicDecode.all({ buffer: bytes });
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

/** Brightness from the darkest to the lightest sample below which a picture shows nothing, of 255. */
const BLANK = 12;
/** Mean brightness, of 255, of what is not transparent from which a picture is made for dark ground. */
const LIGHT = 200;
/** Mean opacity, of 1, above which the ground hardly shows. */
const MOSTLY_OPAQUE = 0.75;

/**
 * A picture's brightness and colours for comparing: upright, at most 256 pixels along its long side. Where it is
 * transparent it lies over white; over black where it is light, as white drawings are, and nothing would be seen of it.
 *
 * @param name what the file is called, for the message
 * @throws ProblemError `IMAGE_BROKEN` or `IMAGE_TOO_LARGE`
 */
export async function readPlanes(bytes: Uint8Array, name: string): Promise<{ plane: GreyPlane; tint: Tint }> {
  try {
    const { width, height, channels, data } = await smallPixels(bytes);
    if (channels === 3) return planesOf({ width, height, data });
    if (channels < 3) return planesOf({ width, height, data: inColour(data, channels, 255) });
    const over = (ground: number) => planesOf({ width, height, data: inColour(data, channels, ground) });
    const { opacity, brightness } = visible(data);
    const white = over(255);
    const isForDark = brightness > LIGHT && opacity < MOSTLY_OPAQUE;
    if (opacity === 1 || (!isForDark && spanOf(white.plane) > BLANK)) return white;
    const black = over(0);
    return isForDark || spanOf(black.plane) > BLANK ? black : white;
  } catch (error) {
    if (error instanceof ProblemError) throw error;
    throw new ProblemError(
      {
        code: 'IMAGE_BROKEN',
        what: `“${name}” is damaged.`,
        why: `Its header can be read and its pixels can’t: ${error instanceof Error ? error.message : String(error)}.`,
        remedy: 'Upload it again from the original, or swap another picture in.',
      },
      { cause: error },
    );
  }
}

async function smallPixels(bytes: Uint8Array) {
  const picture = await openPicture(bytes);
  const { data, info } = await picture
    .resize(PLANE_PX, PLANE_PX, { fit: 'inside', withoutEnlargement: true })
    .toColourspace('srgb')
    .raw()
    .toBuffer({ resolveWithObject: true });
  return { ...info, data };
}

/** How opaque a picture is as a whole, of 1, and how bright what is to be seen of it, of 255. */
function visible(rgba: Uint8Array): { readonly opacity: number; readonly brightness: number } {
  let [alphas, light] = [0, 0];
  for (let i = 0; i < rgba.length; i += 4) {
    const alpha = rgba[i + 3]!;
    alphas += alpha;
    // Weights of ITU-R BT.601.
    light += alpha * (0.299 * rgba[i]! + 0.587 * rgba[i + 1]! + 0.114 * rgba[i + 2]!);
  }
  return { opacity: alphas / (255 * (rgba.length / 4)), brightness: alphas === 0 ? 0 : light / alphas };
}

function spanOf({ data }: GreyPlane): number {
  let [least, most] = [255, 0];
  for (const value of data) {
    if (value < least) least = value;
    if (value > most) most = value;
  }
  return most - least;
}

/**
 * Three channels of one, of grey with alpha, or of colour with alpha laid over a ground.
 *
 * @param ground brightness of it, 0 to 255
 */
function inColour(data: Uint8Array, channels: number, ground: number): Uint8Array {
  const rgb = new Uint8Array((data.length / channels) * 3);
  for (let i = 0, from = 0; i < rgb.length; i += 3, from += channels) {
    const alpha = channels === 2 || channels === 4 ? data[from + channels - 1]! / 255 : 1;
    for (let k = 0; k < 3; k++)
      rgb[i + k] = Math.round(alpha * data[from + (channels < 3 ? 0 : k)]! + (1 - alpha) * ground);
  }
  return rgb;
}
