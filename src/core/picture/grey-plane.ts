/** A picture as brightness alone, small enough to compare. */
export interface GreyPlane {
  readonly width: number;
  readonly height: number;
  /** Brightness 0 to 255, row by row. */
  readonly data: Uint8Array | Float32Array;
}

/** A rectangle in a picture, in shares of its width and height: the whole is 0, 0, 1, 1. */
export interface Rect {
  readonly left: number;
  readonly top: number;
  readonly width: number;
  readonly height: number;
}

export const WHOLE: Rect = { left: 0, top: 0, width: 1, height: 1 };

/** The size of a plane whose long side has at most so many pixels. */
export function fitted(width: number, height: number, longSide: number): [number, number] {
  const scale = longSide / Math.max(width, height);
  return [Math.max(1, Math.round(width * scale)), Math.max(1, Math.round(height * scale))];
}
