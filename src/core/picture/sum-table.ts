import type { GreyPlane, Rect } from './grey-plane';

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
      row += data[from + x]!;
      sums[at + x] = sums[above + x]! + row;
    }
  }
  return { width, height, sums };
}

/**
 * Mean brightness of the cells of a rectangle that is cut into as many across as down, row by row (box filter). A
 * sample that lies across an edge counts by its share: the sum up to any point lies between those of the table.
 *
 * @param side cells across, and down
 */
export function cellMeans({ width, height, sums }: SumTable, rect: Rect, side: number): Float32Array {
  const stride = width + 1;
  const across = edges(rect.left * width, rect.width * width, side, width);
  const down = edges(rect.top * height, rect.height * height, side, height);
  const means = new Float32Array(side * side);
  let above = new Float64Array(side + 1);
  for (let row = 0; row <= side; row++) {
    const { whole: y, share: fy } = down[row]!;
    const upper = y * stride;
    const lower = Math.min(height, y + 1) * stride;
    const here = new Float64Array(side + 1);
    for (let column = 0; column <= side; column++) {
      const { whole: x, share: fx } = across[column]!;
      const right = Math.min(width, x + 1);
      const first = sums[upper + x]! + fx * (sums[upper + right]! - sums[upper + x]!);
      const second = sums[lower + x]! + fx * (sums[lower + right]! - sums[lower + x]!);
      here[column] = first + fy * (second - first);
    }
    if (row > 0)
      for (let column = 0; column < side; column++)
        means[(row - 1) * side + column] =
          here[column + 1]! - here[column]! - above[column + 1]! + above[column]!;
    above = here;
  }
  const area = (rect.width * width * rect.height * height) / side ** 2;
  return means.map((sum) => sum / area);
}

/** Where cells begin and end, in whole samples and the share of the next. */
function edges(start: number, length: number, side: number, size: number) {
  return Array.from({ length: side + 1 }, (_, n) => {
    const at = Math.max(0, Math.min(size, start + (n * length) / side));
    const whole = Math.floor(at);
    return { whole, share: at - whole };
  });
}
