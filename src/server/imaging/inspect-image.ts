/** What a file of bytes is as a picture: bounded in size and pixels, and never believed by its name. */
import sharp from 'sharp';
import type { PixelSize } from '@/core/swap/slot';
import { ProblemError } from '../problem-error';
import { largestIcon } from './read-icons';
import { kindOfBytes } from './sniff-picture';

/** Largest picture that is opened, in pixels: beyond every camera, below what fills the memory. */
export const MAX_PIXELS = 120_000_000;

export interface ImageFacts extends PixelSize {
  /** `jpeg`, `png`, `svg`, `gif`, `webp`, `avif`, `heic`, `tiff`, `ico`. */
  readonly format: string;
  readonly isAnimated: boolean;
}

const TURNED = 5;

/**
 * Reads a picture's facts from its header, as readers see it (turned by its EXIF orientation).
 *
 * @param name what the file is called, for the message
 * @throws ProblemError `IMAGE_EMPTY`, `IMAGE_UNREADABLE` or `IMAGE_TOO_LARGE`
 */
export async function inspectImage(bytes: Uint8Array, name: string): Promise<ImageFacts> {
  if (bytes.length === 0) {
    throw new ProblemError({
      code: 'IMAGE_EMPTY',
      what: `“${name}” is empty.`,
      why: 'The file holds 0 bytes; the copy from the camera or phone probably stopped halfway.',
      remedy: 'Copy it again and check that it opens on your own machine.',
    });
  }
  const facts = await header(bytes).catch((error: unknown) => {
    throw new ProblemError(
      {
        code: 'IMAGE_UNREADABLE',
        what: `“${name}” is not a picture that Ibidem can read.`,
        why: 'Its content is not JPEG, PNG, WebP, AVIF, HEIC, GIF, SVG, TIFF or ICO, whatever its name says, or it is damaged.',
        remedy: 'Open it on your own machine and save it as JPEG or PNG.',
      },
      { cause: error },
    );
  });
  const { width, height, format } = facts;
  if (width * height > MAX_PIXELS) {
    throw new ProblemError({
      code: 'IMAGE_TOO_LARGE',
      what: `“${name}” is too large to open.`,
      why: `It has ${width.toLocaleString('en')} × ${height.toLocaleString('en')} pixels; Ibidem opens up to ${MAX_PIXELS / 1e6} million.`,
      remedy: 'Make it smaller first: 4,000 pixels on the long side are enough for any page.',
    });
  }
  const isTurned = (facts.orientation ?? 1) >= TURNED;
  return {
    format,
    widthPx: isTurned ? height : width,
    heightPx: isTurned ? width : height,
    isAnimated: (facts.pages ?? 1) > 1 && (format === 'gif' || format === 'webp' || format === 'png'),
  };
}

interface Header {
  readonly format: string;
  readonly width: number;
  readonly height: number;
  readonly orientation?: number | undefined;
  readonly pages?: number | undefined;
}

async function header(bytes: Uint8Array): Promise<Header> {
  if (kindOfBytes(bytes) === 'ico') {
    const { width, height } = largestIcon(bytes);
    return { format: 'ico', width, height };
  }
  const facts = await sharp(bytes, { limitInputPixels: false }).metadata();
  if (facts.format !== 'heif') return facts;
  // HEIC is stored turned already: its decoder gives it upright, whatever its EXIF says.
  return facts.compression === 'hevc'
    ? { format: 'heic', width: facts.width, height: facts.height }
    : { ...facts, format: 'avif' };
}
