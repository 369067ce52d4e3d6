/** The even border that a picture has around it. */

/** A rectangle in samples. */
export interface Inside {
  readonly left: number;
  readonly top: number;
  readonly width: number;
  readonly height: number;
}

/** Brightness, of 255, by which the samples of a border differ at most. */
const EVEN = 6;
/** Share of the sides that lies in the border, from which it is one; and what must be left within. */
const LEAST = 0.03;
const MOST = 0.6;

/**
 * What lies within the border that samples of one size have all alike; `null` where they have none.
 *
 * @param all brightness, 0 to 255, row by row
 * @param width of each in samples, as `height`
 */
export function insideBorder(all: readonly Float32Array[], width: number, height: number): Inside | null {
  const isEven = (start: number, stride: number, count: number) =>
    all.every((samples) => {
      const tone = samples[0]!;
      for (let n = 0, at = start; n < count; n++, at += stride)
        if (Math.abs(samples[at]! - tone) > EVEN) return false;
      return true;
    });
  const row = (y: number) => isEven(y * width, 1, width);
  const column = (x: number) => isEven(x, width, height);
  let [top, bottom, left, right] = [0, height, 0, width];
  while (top < bottom && row(top)) top++;
  while (bottom > top && row(bottom - 1)) bottom--;
  while (left < right && column(left)) left++;
  while (right > left && column(right - 1)) right--;
  const border = Math.max(1 - (right - left) / width, 1 - (bottom - top) / height);
  if (border < LEAST || border > MOST) return null;
  return { left, top, width: right - left, height: bottom - top };
}
