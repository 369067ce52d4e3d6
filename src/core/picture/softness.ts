import type { GreyPlane } from './grey-plane';

/** Width of the blur that a picture is compared with, in pixels to either side. */
const REACH = 4;
const WINDOW = 2 * REACH + 1;

/**
 * How blurred a picture is, 0 (sharp) to 1: what differences between neighbours lose when it is blurred once more. A
 * sharp picture loses much, a blurred one little (Crété-Roffet et al., The Blur Effect, Human Vision and Electronic
 * Imaging 2007). A picture without any difference is 0: nothing in it can be sharp or not. The outermost pixels, around
 * which a blur has less than its width, do not count.
 *
 * @param plane brightness 0 to 255, at the size in which it is to be judged
 */
export function softnessOf(plane: GreyPlane): number {
  return Math.max(along(plane, 1), along(plane, plane.width));
}

/**
 * The measure along rows (`step` 1) or along columns (`step` the width). A blur of even weights need not be made for it:
 * two neighbouring means differ by what enters the one and leaves the other.
 */
function along({ width, height, data }: GreyPlane, step: number): number {
  const [marginX, marginY] = step === 1 ? [REACH, 0] : [0, REACH];
  const ahead = REACH * step;
  const behind = (REACH + 1) * step;
  let whole = 0;
  let lost = 0;
  for (let y = marginY === 0 ? 0 : marginY + 1; y < height - marginY; y++) {
    let [differences, losses] = [0, 0];
    const end = y * width + width - marginX;
    for (let at = y * width + (marginX === 0 ? 0 : marginX + 1); at < end; at++) {
      const difference = Math.abs(data[at]! - data[at - step]!) * WINDOW;
      const loss = difference - Math.abs(data[at + ahead]! - data[at - behind]!);
      differences += difference;
      if (loss > 0) losses += loss;
    }
    whole += differences;
    lost += losses;
  }
  return whole === 0 ? 0 : 1 - lost / whole;
}
