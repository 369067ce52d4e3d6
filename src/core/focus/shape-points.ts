/** The best crops of a picture for some shapes, kept as numbers, from which that of any shape follows without a second look. */
import type { CropRect, FocalPoint } from '../swap/crop';
import type { PixelSize } from '../swap/slot';
import { shapeCrop, type Held } from './shape-crop';

/** Where the best crop of a shape begins. */
export interface ShapePoint {
  /** Width ÷ height, > 0. */
  readonly ratio: number;
  /** Share of the room it can slide in, 0 (left or top) to 1. */
  readonly at: number;
}

/** From narrow to wide: a third of the way between two of them no crop is far off. */
const RATIOS = [0.4, 0.5, 0.6, 0.7, 0.8, 1, 1.2, 1.4, 1.6, 1.8, 2.2, 2.8, 3.6] as const;

/** @param picture pixels of the picture, upright */
export function shapePoints(picture: PixelSize, held: Held): ShapePoint[] {
  return RATIOS.flatMap((ratio) => {
    const { left, top, widthPx, heightPx } = shapeCrop(picture, ratio, held);
    const room = picture.widthPx - widthPx || picture.heightPx - heightPx;
    return room > 0 ? [{ ratio, at: (left || top) / room }] : [];
  });
}

/**
 * The best crop of a shape, between those of the nearest shapes that slide along the same line. The focal point is inside.
 *
 * @param ratio width ÷ height, > 0
 */
export function suggestedCrop(
  picture: PixelSize,
  ratio: number,
  focal: FocalPoint,
  points: readonly ShapePoint[],
): CropRect {
  const { widthPx, heightPx } = picture;
  const own = widthPx / heightPx;
  const isWide = own > ratio;
  const width = Math.max(1, isWide ? Math.min(widthPx, Math.round(heightPx * ratio)) : widthPx);
  const height = Math.max(1, isWide ? heightPx : Math.min(heightPx, Math.round(widthPx / ratio)));
  const whole = isWide ? widthPx : heightPx;
  const window = isWide ? width : height;
  const point = (isWide ? focal.x : focal.y) * whole;
  const alike = points.filter((one) => own > one.ratio === isWide);
  const wanted = between(alike, ratio, isWide ? focal.x : focal.y) * (whole - window);
  const first = Math.max(0, Math.min(whole - window, Math.ceil(point - window)));
  const last = Math.min(whole - window, Math.floor(point));
  const at = Math.min(last, Math.max(first, Math.round(wanted)));
  return { left: isWide ? at : 0, top: isWide ? 0 : at, widthPx: width, heightPx: height };
}

/** Between the two nearest shapes, by the logarithm of their ratios; the nearest one beyond the ends. */
function between(points: readonly ShapePoint[], ratio: number, otherwise: number): number {
  const below = points.findLast((one) => one.ratio <= ratio);
  const above = points.find((one) => one.ratio >= ratio);
  if (!below || !above) return (below ?? above)?.at ?? otherwise;
  if (below.ratio === above.ratio) return below.at;
  const share = Math.log(ratio / below.ratio) / Math.log(above.ratio / below.ratio);
  return below.at + share * (above.at - below.at);
}
