import type { GreyPlane } from './grey-plane';

/**
 * Sums of brightness over every rectangle that begins at the top left (Crow 1984): the sum over any rectangle is four
 * look-ups away.
 */
export interface SumTable {
  /** Of the plane; the table has one column and one row more. */
  readonly width: number;
  readonly height: number;
  /** A plane of 256 × 256 comes to 17 million at most, so that 32 bits are plenty. */
  readonly sums: Int32Array;
}

export function sumTable({ width, height, data }: GreyPlane): SumTable {
  const stride = width + 1;
  const sums = new Int32Array(stride * (height + 1));
  for (let y = 0; y < height; y++) {
    let row = 0;
    const above = y * stride + 1;
    const at = above + stride;
    const from = y * width;
    for (let x = 0; x < width; x++) {
      row += data[from + x] as number;
      sums[at + x] = (sums[above + x] as number) + row;
    }
  }
  return { width, height, sums };
}
