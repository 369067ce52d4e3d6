/** The sizes a picture goes through on its way from the original to the result, and where its points go. */
import type { CropRect, FocalPoint } from '../swap/crop';
import type { PixelSize } from '../swap/slot';
import { inTurn, inverse, mapped, moved, scaled, turned, type Affine } from './affine';
import { pixelsOf } from './rect';
import { withoutStruck, type Revision, type WantedSize } from './steps';

export interface Frames {
  /** After turning by quarters; mirroring changes no size. */
  readonly upright: PixelSize;
  /** After straightening: the largest frame of the same shape without a blank corner. */
  readonly straight: PixelSize;
  /** What is cut out of the straightened picture. */
  readonly crop: CropRect;
  readonly result: PixelSize;
}

/**
 * The sizes of a revision's steps. Struck steps count for nothing.
 *
 * @param original pixels of the original, turned upright by its camera's flag
 */
export function framesOf(original: PixelSize, revision: Revision): Frames {
  const { turn, straighten, crop, size } = withoutStruck(revision);
  const upright = turn % 2 === 0 ? original : { widthPx: original.heightPx, heightPx: original.widthPx };
  const straight = straightened(upright, straighten);
  const cut = crop
    ? pixelsOf(crop, straight)
    : { left: 0, top: 0, widthPx: straight.widthPx, heightPx: straight.heightPx };
  return { upright, straight, crop: cut, result: sized(cut, size) };
}

/**
 * The largest rectangle of a picture's shape inside the picture turned by an angle about its middle. With ρ the longer
 * side over the shorter, each side shrinks by 1 ÷ (cos θ + ρ · sin θ): then the corner that comes nearest to an edge
 * touches it.
 */
function straightened({ widthPx, heightPx }: PixelSize, degrees: number): PixelSize {
  if (degrees === 0) return { widthPx, heightPx };
  const angle = (Math.abs(degrees) * Math.PI) / 180;
  const longer = Math.max(widthPx / heightPx, heightPx / widthPx);
  const scale = 1 / (Math.cos(angle) + longer * Math.sin(angle));
  return {
    widthPx: Math.max(1, Math.floor(widthPx * scale)),
    heightPx: Math.max(1, Math.floor(heightPx * scale)),
  };
}

/** Never larger than it is. */
function sized({ widthPx, heightPx }: PixelSize, size: WantedSize | null): PixelSize {
  if (!size) return { widthPx, heightPx };
  const side = { width: widthPx, height: heightPx, longest: Math.max(widthPx, heightPx) }[size.by];
  const scale = Math.min(1, size.px / side);
  return {
    widthPx: Math.max(1, Math.round(widthPx * scale)),
    heightPx: Math.max(1, Math.round(heightPx * scale)),
  };
}

/** The map from the original's pixels to those of the straightened picture. */
export function toStraight(original: PixelSize, revision: Revision): Affine {
  const { turn, mirror, straighten } = withoutStruck(revision);
  const { straight } = framesOf(original, revision);
  return inTurn(
    moved(-original.widthPx / 2, -original.heightPx / 2),
    turned(turn * 90),
    scaled(mirror === 'sideways' ? -1 : 1, mirror === 'upside down' ? -1 : 1),
    turned(straighten),
    moved(straight.widthPx / 2, straight.heightPx / 2),
  );
}

/** The map from the original's pixels to those of the result. */
export function toResult(original: PixelSize, revision: Revision): Affine {
  const { crop, result } = framesOf(original, revision);
  return inTurn(
    toStraight(original, revision),
    moved(-crop.left, -crop.top),
    scaled(result.widthPx / crop.widthPx, result.heightPx / crop.heightPx),
  );
}

/** Where a point of the original is in the result, in shares; at the edge where it was cut away. */
export function pointInResult(original: PixelSize, revision: Revision, point: FocalPoint): FocalPoint {
  const { result } = framesOf(original, revision);
  return carried(toResult(original, revision), point, [original, result]);
}

/** Where a point of the result is in the original, in shares. */
export function pointInOriginal(original: PixelSize, revision: Revision, point: FocalPoint): FocalPoint {
  const { result } = framesOf(original, revision);
  return carried(inverse(toResult(original, revision)), point, [result, original]);
}

function carried(map: Affine, { x, y }: FocalPoint, [from, to]: readonly [PixelSize, PixelSize]): FocalPoint {
  const there = mapped(map, { x: x * from.widthPx, y: y * from.heightPx });
  return { x: within(there.x / to.widthPx), y: within(there.y / to.heightPx) };
}

const within = (share: number) => Math.min(1, Math.max(0, share));
