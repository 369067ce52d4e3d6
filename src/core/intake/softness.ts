import type { GreyPlane } from '../picture/grey-plane';

/** Width of the blur that a picture is compared with, in pixels to either side. */
const REACH = 4;

/**
 * How blurred a picture is, 0 (sharp) to 1: what differences between neighbours lose when it is blurred once more. A
 * sharp picture loses much, a blurred one little (Crété-Roffet et al., The Blur Effect, Human Vision and Electronic
 * Imaging 2007). A picture without any difference is 0: nothing in it can be sharp or not.
 *
 * @param plane brightness 0 to 255, at the size in which it is to be judged
 */
export function softnessOf({ width, height, data }: GreyPlane): number {
  return Math.max(along(data, width, height, 1), along(data, height, width, width));
}

/** The measure along rows, or along columns where `step` is the width. */
function along(data: ArrayLike<number>, length: number, lines: number, step: number): number {
  const between = step === 1 ? length : 1;
  let whole = 0;
  let lost = 0;
  const sums = new Float64Array(length + 1);
  for (let line = 0; line < lines; line++) {
    const start = line * between;
    const at = (n: number) => data[start + n * step] ?? 0;
    for (let n = 0; n < length; n++) sums[n + 1] = (sums[n] ?? 0) + at(n);
    const mean = (n: number) => {
      const from = Math.max(0, n - REACH);
      const to = Math.min(length, n + REACH + 1);
      return ((sums[to] ?? 0) - (sums[from] ?? 0)) / (to - from);
    };
    for (let n = 1; n < length; n++) {
      const difference = Math.abs(at(n) - at(n - 1));
      whole += difference;
      lost += Math.max(0, difference - Math.abs(mean(n) - mean(n - 1)));
    }
  }
  return whole === 0 ? 0 : 1 - lost / whole;
}
