import type { PixelSize } from './slot';

/** A point of a picture as shares of its width and height, 0 to 1 from the top left. */
export interface FocalPoint {
  readonly x: number;
  readonly y: number;
}

/** A rectangle in image pixels, whole numbers, inside the picture. */
export interface CropRect {
  readonly left: number;
  readonly top: number;
  readonly widthPx: number;
  readonly heightPx: number;
}

/**
 * The largest rectangle of a shape inside a picture. The focal point is always inside it, and as near to its relative
 * place in the whole picture as the edges allow.
 *
 * @param ratio width ÷ height of the wanted shape, > 0
 */
export function cropToShape(picture: PixelSize, ratio: number, focal: FocalPoint): CropRect {
  const { widthPx, heightPx } = picture;
  const wide = widthPx / heightPx > ratio;
  const width = Math.max(1, wide ? Math.round(heightPx * ratio) : widthPx);
  const height = Math.max(1, wide ? heightPx : Math.round(widthPx / ratio));
  return {
    left: place(widthPx, width, focal.x),
    top: place(heightPx, height, focal.y),
    widthPx: width,
    heightPx: height,
  };
}

/**
 * The focal point by which `cropToShape` gives a rectangle that was moved to where a person wants it.
 *
 * @param crop a rectangle of the shape that is asked for
 * @param otherwise what the point is along a side that the crop has whole: there it says nothing
 */
export function focalOfCrop(picture: PixelSize, crop: CropRect, otherwise: FocalPoint): FocalPoint {
  const share = (start: number, spare: number, kept: number) =>
    spare > 0 ? Math.min(1, Math.max(0, start / spare)) : kept;
  return {
    x: share(crop.left, picture.widthPx - crop.widthPx, otherwise.x),
    y: share(crop.top, picture.heightPx - crop.heightPx, otherwise.y),
  };
}

/** Start of a window on a line, so that the focal point keeps its share within the window. */
function place(whole: number, window: number, share: number): number {
  const point = Math.min(1, Math.max(0, share)) * whole;
  return Math.round(Math.min(whole - window, Math.max(0, point - window * share)));
}

/** Share of a picture's area that a crop keeps, 0 to 1. */
export function shareKept(picture: PixelSize, crop: CropRect): number {
  return (crop.widthPx * crop.heightPx) / (picture.widthPx * picture.heightPx);
}
