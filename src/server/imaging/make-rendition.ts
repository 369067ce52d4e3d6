import type { Sharp } from 'sharp';
import type { Rendition } from '@/core/swap/plan-swap';
import { ProblemError } from '../problem-error';
import { openPicture } from './read-pixels';

/** How well a format is written: 1 to 100, as each encoder counts it. */
export interface Quality {
  readonly jpeg: number;
  readonly webp: number;
  readonly avif: number;
  /** Whether the encoder takes its time for fewer bytes. */
  readonly isThorough: boolean;
}

/** For what readers load. */
const FOR_PLACES: Quality = { jpeg: 82, webp: 82, avif: 55, isThorough: true };
const THUMBNAIL_PX = 480;

/**
 * Makes a rendition of a picture: turned upright, cropped, scaled down, in its format, with its own metadata.
 *
 * @throws ProblemError `RENDITION_FAILED`
 */
export async function makeRendition(bytes: Uint8Array, rendition: Rendition): Promise<Uint8Array> {
  if (rendition.format === 'original') return bytes;
  const { crop, widthPx, heightPx } = rendition;
  const shaped = (await openPicture(bytes))
    .extract({ left: crop.left, top: crop.top, width: crop.widthPx, height: crop.heightPx })
    .resize(widthPx, heightPx, { fit: 'fill', kernel: 'lanczos3' })
    .keepMetadata();
  return encoded(shaped, rendition.format, FOR_PLACES)
    .toBuffer()
    .catch((error: unknown) => {
      throw new ProblemError(
        {
          code: 'RENDITION_FAILED',
          what: `${rendition.path} could not be made.`,
          why: error instanceof Error ? error.message : String(error),
          remedy: 'Try another picture; nothing was changed.',
        },
        { cause: error },
      );
    });
}

/** A picture to be written in a format. */
export function encoded(
  image: Sharp,
  format: Exclude<Rendition['format'], 'original'>,
  quality: Quality,
): Sharp {
  switch (format) {
    case 'jpeg':
      return image
        .flatten({ background: '#ffffff' })
        .jpeg({ quality: quality.jpeg, mozjpeg: quality.isThorough });
    case 'png':
      return image.png({ compressionLevel: 9 });
    case 'webp':
      return image.webp({ quality: quality.webp });
    case 'avif':
      return image.avif({ quality: quality.avif });
  }
}

/** A small WebP of a picture for screens, at most 480 pixels on the long side. */
export async function makeThumbnail(bytes: Uint8Array): Promise<Uint8Array> {
  return thumbnailOf(await openPicture(bytes));
}

/** The same of a picture that is open already. */
export async function thumbnailOf(picture: Sharp): Promise<Uint8Array> {
  return (
    picture
      .resize(THUMBNAIL_PX, THUMBNAIL_PX, { fit: 'inside', withoutEnlargement: true })
      // Half the time of the encoder's usual effort, for two bytes more in a hundred.
      .webp({ quality: 80, effort: 2 })
      .toBuffer()
  );
}
