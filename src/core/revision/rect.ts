/** Rectangles in shares of a picture, and where they go when it is turned or mirrored. */
import type { PixelSize } from '../swap/slot';
import type { CropRect } from '../swap/crop';

/** Shares of a picture's width and height, 0 to 1 from the top left. */
export interface Rect {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

/**
 * A rectangle in whole pixels: inside the picture, at least one pixel each way. Whole pixels that were turned into shares
 * come back as they were.
 */
export function pixelsOf({ x, y, width, height }: Rect, { widthPx, heightPx }: PixelSize): CropRect {
  const [left, wide] = span(x, width, widthPx);
  const [top, high] = span(y, height, heightPx);
  return { left, top, widthPx: wide, heightPx: high };
}

function span(start: number, length: number, whole: number): [number, number] {
  const size = Math.min(whole, Math.max(1, Math.round(length * whole)));
  return [Math.min(whole - size, Math.max(0, Math.round(start * whole))), size];
}

/** Whole pixels of a picture as shares of it. */
export function sharesOf(
  { left, top, widthPx, heightPx }: CropRect,
  { widthPx: wide, heightPx: high }: PixelSize,
): Rect {
  return { x: left / wide, y: top / high, width: widthPx / wide, height: heightPx / high };
}

/** Where a rectangle is after the picture was turned by a quarter clockwise. */
export function turnedRect({ x, y, width, height }: Rect): Rect {
  return { x: 1 - y - height, y: x, width: height, height: width };
}

/** Where a rectangle is after the picture was mirrored. */
export function mirroredRect(rect: Rect, way: 'sideways' | 'upside down'): Rect {
  return way === 'sideways'
    ? { ...rect, x: 1 - rect.x - rect.width }
    : { ...rect, y: 1 - rect.y - rect.height };
}
