/** What is made of a picture for one place: its crop, pixels and format. Tells it before any pixel is made, and plans it. */
import { suggestedCrop, type ShapePoint } from '../focus/shape-points';
import type { PlacementKind } from '../markup/kinds/kind';
import type { DeclaredSlot } from '../markup/placement';
import { cropToShape, shareKept, type CropRect, type FocalPoint } from './crop';
import { slotOf, type PixelSize, type Slot } from './slot';

/** Formats in which renditions are made; `original` leaves the candidate's bytes as they are. */
export type RenditionFormat = 'jpeg' | 'png' | 'webp' | 'avif' | 'original';

/** A picture as far as its fitting needs to know it. */
export interface FittingPicture extends PixelSize {
  /** As sharp names it: `jpeg`, `png`, `svg`, `gif` … */
  readonly format: string;
  readonly isAnimated: boolean;
  readonly focal: FocalPoint;
  /** Its best crops, where the point is the suggested one. */
  readonly shapes?: readonly ShapePoint[];
}

/** A place as far as fitting needs to know it. */
interface FittedPlace {
  readonly kind: PlacementKind;
  readonly declared: DeclaredSlot;
  /** What must stay in view in this place, where that is another point than everywhere else. */
  readonly focal?: FocalPoint | undefined;
  /** Whether it gets a list of widths, for screens that need fewer pixels. */
  readonly isListed?: boolean | undefined;
}

export interface MadeForPlace {
  readonly slot: Slot;
  /** In the picture's pixels. */
  readonly crop: CropRect;
  /** Pixels that are made. */
  readonly size: PixelSize;
  readonly format: Exclude<RenditionFormat, 'original'>;
  /** Share of the picture's area that is kept, 0 to 1. */
  readonly keeps: number;
  /** The picture has fewer pixels than the slot asks for: it is put in as large as it is, not blown up. */
  readonly isTooSmall: boolean;
  /** Its own bytes suit the place. */
  readonly isAsItIs: boolean;
  /** Size of a second file for screens with fewer pixels; `null` where none is made. */
  readonly narrow: PixelSize | null;
}

/** What moves or is drawn in lines is put in as it is. */
export const isLeftAlone = ({ isAnimated, format }: Pick<FittingPicture, 'isAnimated' | 'format'>): boolean =>
  isAnimated || format === 'svg';

/**
 * What is made of a picture for a place.
 *
 * @param old pixel size of the file that stands there now, `null` where it is missing
 */
export function madeForPlace(
  place: FittedPlace,
  picture: FittingPicture,
  old: PixelSize | null,
): MadeForPlace {
  const slot = slotOf(place.kind, place.declared, old);
  const { widthPx, heightPx } = picture;
  const whole: CropRect = { left: 0, top: 0, widthPx, heightPx };
  const format = formatFor(place, picture);
  const asItIs = { slot, crop: whole, size: { widthPx, heightPx }, format, keeps: 1, isAsItIs: true, narrow: null }; // oxfmt-ignore
  if (isLeftAlone(picture)) return { ...asItIs, isTooSmall: false };
  const crop = slot.shape === 'free' ? whole : cropFor(picture, slot.widthPx / slot.heightPx, place.focal);
  const size = fitted(crop, slot);
  const isAsItIs = isNearly(crop, picture) && isNearly(size, picture) && format === picture.format;
  return {
    ...{ slot, crop, size, format, isAsItIs },
    keeps: shareKept(picture, crop),
    isTooSmall: slot.shape === 'fixed' && size.widthPx < slot.widthPx,
    narrow: place.isListed && !isAsItIs ? narrower(slot, size) : null,
  };
}

/**
 * The crop of a shape: about the point that somebody chose for the place, else the best one that was found.
 *
 * @param ratio width ÷ height, > 0
 */
function cropFor(
  picture: Pick<FittingPicture, 'widthPx' | 'heightPx' | 'focal' | 'shapes'>,
  ratio: number,
  own: FocalPoint | undefined,
): CropRect {
  const { focal, shapes } = picture;
  if (own || !shapes) return cropToShape(picture, ratio, own ?? focal);
  return suggestedCrop(picture, ratio, focal, shapes);
}

/** A screen with one pixel to each of the place needs half of the picture; nearly as many are not worth a file. */
const WORTH_A_FILE = 1.5;

function narrower({ css }: Slot, { widthPx, heightPx }: PixelSize): PixelSize | null {
  if (!css || widthPx < WORTH_A_FILE * css.widthPx) return null;
  const narrow = Math.max(1, Math.round(css.widthPx));
  return { widthPx: narrow, heightPx: Math.max(1, Math.round((heightPx * narrow) / widthPx)) };
}

/** A pixel more or less is no other picture: 1,600 × 1,067 where 1,600 × 1,066 were asked for. */
function isNearly(a: PixelSize, b: PixelSize): boolean {
  return Math.abs(a.widthPx - b.widthPx) <= 1 && Math.abs(a.heightPx - b.heightPx) <= 1;
}

/** The slot's pixels, or what the crop has where that is less; never enlarged. */
function fitted(crop: CropRect, slot: Slot): PixelSize {
  const scale = Math.min(1, slot.widthPx / crop.widthPx, slot.heightPx / crop.heightPx);
  if (slot.shape === 'fixed' && slot.widthPx <= crop.widthPx && slot.heightPx <= crop.heightPx) {
    return { widthPx: slot.widthPx, heightPx: slot.heightPx };
  }
  return {
    widthPx: Math.max(1, Math.round(crop.widthPx * scale)),
    heightPx: Math.max(1, Math.round(crop.heightPx * scale)),
  };
}

/** A declared type is kept; icons are PNG; otherwise the picture's own format where browsers show it. */
function formatFor(
  { kind, declared }: FittedPlace,
  { format }: FittingPicture,
): Exclude<RenditionFormat, 'original'> {
  const type = /^image\/(webp|avif|png|jpeg)$/i.exec(declared.type?.trim() ?? '')?.[1]?.toLowerCase();
  if (type) return type as Exclude<RenditionFormat, 'original'>;
  if (kind === 'icon') return 'png';
  return format === 'png' || format === 'webp' ? format : 'jpeg';
}
