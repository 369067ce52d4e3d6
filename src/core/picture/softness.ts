/** Pixels as a decoder gives them: brightness, or red, green and blue, each with or without alpha; 0 to 255, row by row. */
export interface DecodedPixels {
  readonly width: number;
  readonly height: number;
  readonly channels: number;
  readonly data: Uint8Array;
}

/** Width of the blur that a picture is compared with, in pixels to either side. */
const REACH = 4;
const WINDOW = 2 * REACH + 1;
/** Of so many rows, and of so many columns, one is looked at: a blur lies over all of them. */
const ONE_OF = 8;

/**
 * How blurred a picture is, 0 (sharp) to 1: what differences between neighbours lose when it is blurred once more. A
 * sharp picture loses much, a blurred one little (Crété-Roffet et al., The Blur Effect, Human Vision and Electronic
 * Imaging 2007). A picture without any difference is 0: nothing in it can be sharp or not. The outermost pixels, around
 * which a blur has less than its width, do not count.
 *
 * @param pixels at the size in which it is to be judged; what is seen through counts as on white
 */
export function softnessOf(pixels: DecodedPixels): number {
  const { width, height } = pixels;
  const rows = softnessAlong(pixels, { lines: height, length: width, line: width, step: 1 });
  const columns = softnessAlong(pixels, { lines: width, length: height, line: 1, step: width });
  return Math.max(rows, columns);
}

/** Rows or columns: how many, how long, and how many pixels lie from one to the next, and from neighbour to neighbour. */
interface Lines {
  readonly lines: number;
  readonly length: number;
  readonly line: number;
  readonly step: number;
}

/** A blur of even weights need not be made for it: two neighbouring means differ by what enters the one and leaves the other. */
function softnessAlong(pixels: DecodedPixels, { lines, length, line, step }: Lines): number {
  const values = new Int32Array(length);
  let whole = 0;
  let lost = 0;
  for (let n = 0; n < lines; n += ONE_OF) {
    readLine(pixels, n * line, step, values);
    for (let at = REACH + 1; at < length - REACH; at++) {
      const difference = Math.abs(values[at]! - values[at - 1]!) * WINDOW;
      const loss = difference - Math.abs(values[at + REACH]! - values[at - REACH - 1]!);
      whole += difference;
      if (loss > 0) lost += loss;
    }
  }
  return whole === 0 ? 0 : 1 - lost / whole;
}

/** The brightness of every pixel of a line (ITU-R BT.709, of the values as they are written). */
function readLine({ channels, data }: DecodedPixels, from: number, step: number, values: Int32Array): void {
  const isColour = channels >= 3;
  const hasAlpha = channels % 2 === 0;
  let at = from * channels;
  for (let n = 0; n < values.length; n++, at += step * channels) {
    const value = isColour ? (54 * data[at]! + 183 * data[at + 1]! + 19 * data[at + 2]!) >> 8 : data[at]!;
    const alpha = hasAlpha ? data[at + channels - 1]! : 255;
    values[n] = hasAlpha ? Math.round((value * alpha + 255 * (255 - alpha)) / 255) : value;
  }
}
