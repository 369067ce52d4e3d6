import { LINEAR_LIGHT } from '../picture/linear-light';

/** A small picture in red, green and blue. */
export interface FocusPixels {
  readonly width: number;
  readonly height: number;
  /** Red, green, blue, each 0 to 255, row by row, without alpha. */
  readonly rgb: Uint8Array;
}

/** One measure of every pixel, row by row. */
export type Plane = Float32Array;

/**
 * Lightness (0 to 1), green to red and blue to yellow (about −0.4 to 0.4) of every pixel: Oklab (Ottosson 2020), in
 * which equal distances look equally far apart, from sRGB (IEC 61966-2-1).
 */
export function oklabPlanes({ width, height, rgb }: FocusPixels): readonly [Plane, Plane, Plane] {
  const count = width * height;
  const lightness = new Float32Array(count);
  const greenRed = new Float32Array(count);
  const blueYellow = new Float32Array(count);
  for (let at = 0; at < count; at++) {
    const r = LINEAR_LIGHT[rgb[3 * at]!]!;
    const g = LINEAR_LIGHT[rgb[3 * at + 1]!]!;
    const b = LINEAR_LIGHT[rgb[3 * at + 2]!]!;
    const l = Math.cbrt(0.4122214708 * r + 0.5363325363 * g + 0.0514459929 * b);
    const m = Math.cbrt(0.2119034982 * r + 0.6806995451 * g + 0.1073969566 * b);
    const s = Math.cbrt(0.0883024619 * r + 0.2817188376 * g + 0.6299787005 * b);
    lightness[at] = 0.2104542553 * l + 0.793617785 * m - 0.0040720468 * s;
    greenRed[at] = 1.9779984951 * l - 2.428592205 * m + 0.4505937099 * s;
    blueYellow[at] = 0.0259040371 * l + 0.7827717662 * m - 0.808675766 * s;
  }
  return [lightness, greenRed, blueYellow];
}
