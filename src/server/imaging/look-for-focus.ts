import type { Sharp } from 'sharp';
import { FULL_RANGE, SHORT_RANGE } from '@/core/focus/faces-found';
import { importanceOf, type ShareRect } from '@/core/focus/importance';
import type { FocusPixels } from '@/core/focus/oklab';
import { asThreeChannels, broughtInside } from '@/core/focus/small-pixels';
import type { Held } from '@/core/focus/shape-crop';
import { suggestFocus, type SuggestedFocus } from '@/core/focus/suggest-focus';
import type { PixelSize } from '@/core/swap/slot';
import { brokenPixels, openPicture } from './read-pixels';

/** What a look at a picture found: enough to crop it to any shape. */
export interface FocusFound extends Held {
  readonly focus: SuggestedFocus;
  /** Pixels of the picture, upright. */
  readonly widthPx: number;
  readonly heightPx: number;
}

export type HeadRange = 'short' | 'full';

/** Finds the heads in a small picture, as `find-heads` does. It is handed in: only workers and commands load its models. */
export type HeadFinder = (pixels: FocusPixels, range: HeadRange) => Promise<readonly ShareRect[]>;

/** Side of the square that each range looks at, in pixels. */
const HEAD_SIDE: Readonly<Record<HeadRange, number>> = { short: SHORT_RANGE.side, full: FULL_RANGE.side };

/** Long side at which a picture is weighed, in pixels. */
const WEIGHED_PX = 96;
/** Pixels from which a picture may take the time to look for small heads, and below which for none at all. */
const LARGE = 900_000;
const LEAST = 40_000;

/**
 * Looks for the subject of a picture.
 *
 * @param name what the file is called, for the message
 * @param heads finds heads, about 12 ms, or 37 ms in a picture of a megapixel and more; `null` where none are looked for
 * @throws ProblemError `IMAGE_BROKEN` or `IMAGE_TOO_LARGE`
 */
export async function lookForFocus(
  bytes: Uint8Array,
  name: string,
  heads: HeadFinder | null,
): Promise<FocusFound> {
  try {
    const picture = await openPicture(bytes);
    const { autoOrient, width, height } = await picture.metadata();
    // What HEIC and icons are decoded to has no flag and is upright.
    const size = { widthPx: autoOrient.width || width, heightPx: autoOrient.height || height };
    return await focusOfPicture(picture, size, heads);
  } catch (error) {
    throw brokenPixels(name, error);
  }
}

/**
 * The same of a picture that is open already.
 *
 * @param size pixels of the picture as it came, upright
 */
export async function focusOfPicture(
  picture: Sharp,
  { widthPx, heightPx }: PixelSize,
  heads: HeadFinder | null,
): Promise<FocusFound> {
  const range: HeadRange = widthPx * heightPx >= LARGE ? 'full' : 'short';
  const side = Math.max(2 * WEIGHED_PX, HEAD_SIDE[range]);
  const { data, info } = await picture
    .flatten({ background: '#ffffff' })
    .resize(side, side, { fit: 'inside', withoutEnlargement: true })
    .toColourspace('srgb')
    .removeAlpha()
    .raw()
    .toBuffer({ resolveWithObject: true });
  const large = asThreeChannels(data, info);
  const importance = importanceOf(broughtInside(large, WEIGHED_PX));
  const looks = heads !== null && widthPx * heightPx >= LEAST;
  const found = looks ? await heads(broughtInside(large, HEAD_SIDE[range]), range) : [];
  return { widthPx, heightPx, importance, heads: found, focus: suggestFocus(importance, found) };
}
