/** What is asked of every sample of two planes, four samples at a time. */
import type { Inside } from '../border';
import type { GreyPlane, Rect } from '../grey-plane';
import { begin, type Kernels, type Size } from './kernels';

/** A rectangle of a plane. */
export interface Part {
  readonly plane: GreyPlane;
  readonly rect: Rect;
}

/** Resamples where the kernels lie; where the samples begin. */
function layResampled(kernels: Kernels, { plane, rect }: Part, [columns, rows]: Size): number {
  const { width, height, data } = plane;
  const from = kernels.put(data);
  const to = kernels.room(columns * rows * 4);
  const { left, top, width: across, height: down } = rect;
  const room = kernels.room(kernels.run.resampleRoom(width, height, across, down, columns, rows));
  const isBytes = data instanceof Uint8Array;
  kernels.run.resample(from, isBytes, width, height, left, top, across, down, columns, rows, to, room);
  return to;
}

/**
 * Cuts a rectangle out of a plane and brings it to a size, each new pixel the mean of what it covers (box filter).
 * Where the rectangle has fewer pixels than are asked for, values in between are interpolated.
 */
export function resample(plane: GreyPlane, rect: Rect, size: Size): Float32Array {
  const kernels = begin();
  return kernels.floats(layResampled(kernels, { plane, rect }, size), size).slice();
}

/** Means, variances and covariance of two lists of samples. */
export interface Moments {
  readonly meanA: number;
  readonly meanB: number;
  readonly aa: number;
  readonly bb: number;
  readonly ab: number;
}

const momentsAt = (sums: Float64Array, at: number): Moments => ({
  meanA: sums[at]!,
  meanB: sums[at + 1]!,
  aa: sums[at + 2]!,
  bb: sums[at + 3]!,
  ab: sums[at + 4]!,
});
const MOMENTS = 5;

/** Moments of two lists of the same length. */
export function momentsOf(a: Float32Array, b: Float32Array): Moments {
  const kernels = begin();
  const [one, other] = [kernels.put(a), kernels.put(b)];
  const to = kernels.room(MOMENTS * 8);
  kernels.run.moments(one, other, a.length, to);
  return momentsAt(kernels.doubles(to, MOMENTS), 0);
}

/** Side of a block, in samples, and sums of each. */
export const BLOCK = 6;
export const BLOCK_SUMS = 5;

export interface Compared {
  readonly size: Size;
  /** Of the two samples as they are, and with the mean of their neighbourhood taken away. */
  readonly light: Moments;
  readonly detail: Moments;
  /** Five sums a block, row by row: both brightnesses, both details squared, and their product. */
  readonly blocks: Float64Array;
}

/** Compares two samples of one size, as they are and with the mean of up to four samples around taken away. */
export function comparedSamples(a: Float32Array, b: Float32Array, size: Size): Compared {
  const kernels = begin();
  return compareLaid(kernels, [kernels.put(a), kernels.put(b)], size, true);
}

interface HowCompared {
  /** Whether the sums over blocks are wanted; none are given otherwise. */
  readonly inBlocks?: boolean;
  /** Given both samples, which it does not keep: the rectangle that alone is compared; `null` for all. */
  readonly insideOf?: (a: Float32Array, b: Float32Array) => Inside | null;
}

/** The same of two parts of planes, resampled to one size. */
export function comparedParts(
  one: Part,
  other: Part,
  size: Size,
  { inBlocks = true, insideOf }: HowCompared = {},
): Compared {
  const kernels = begin();
  const laid = [layResampled(kernels, one, size), layResampled(kernels, other, size)] as const;
  const inside = insideOf?.(kernels.floats(laid[0], size), kernels.floats(laid[1], size));
  if (!inside) return compareLaid(kernels, laid, size, inBlocks);
  const cut = [layCut(kernels, laid[0], size, inside), layCut(kernels, laid[1], size, inside)] as const;
  return compareLaid(kernels, cut, [inside.width, inside.height], inBlocks);
}

/** Cuts a rectangle out of samples where the kernels lie; where what is cut out begins. */
function layCut(kernels: Kernels, from: number, [width]: Size, inside: Inside): number {
  const to = kernels.room(inside.width * inside.height * 4);
  const [wide, cut] = [
    kernels.floats(from, [width, inside.top + inside.height]),
    kernels.floats(to, [inside.width, inside.height]),
  ];
  for (let y = 0; y < inside.height; y++) {
    const at = (inside.top + y) * width + inside.left;
    cut.set(wide.subarray(at, at + inside.width), y * inside.width);
  }
  return to;
}

function compareLaid(
  kernels: Kernels,
  [one, other]: readonly [number, number],
  size: Size,
  inBlocks: boolean,
): Compared {
  const { run } = kernels;
  const [width, height] = size;
  const [own, others] = [kernels.room(width * height * 4), kernels.room(width * height * 4)];
  const room = kernels.room(run.shadeRoom(width));
  const count = inBlocks ? BLOCK_SUMS * Math.floor(width / BLOCK) * Math.floor(height / BLOCK) : 0;
  const to = kernels.room((2 * MOMENTS + count) * 8);
  run.withoutShade(one, width, height, own, room);
  run.withoutShade(other, width, height, others, room);
  run.moments(one, other, width * height, to);
  run.moments(own, others, width * height, to + MOMENTS * 8);
  if (inBlocks) run.blockSums(one, other, own, others, width, height, to + 2 * MOMENTS * 8);
  const sums = kernels.doubles(to, 2 * MOMENTS + count).slice();
  return {
    size,
    light: momentsAt(sums, 0),
    detail: momentsAt(sums, MOMENTS),
    blocks: sums.subarray(2 * MOMENTS),
  };
}

/** Where a picture's samples lie on the other's grid: point (x, y) of it at (ax · x + bx, ay · y + by) of `mine`. */
export interface Overlay {
  readonly mine: GreyPlane;
  readonly theirs: GreyPlane;
  readonly ax: number;
  readonly bx: number;
  readonly ay: number;
  readonly by: number;
  /** The points of the grid that both show. */
  readonly firstX: number;
  readonly lastX: number;
  readonly firstY: number;
  readonly lastY: number;
  /** How many these are. */
  readonly n: number;
}

/** The kernels, with two planes laid one over the other. */
function layOver(overlay: Overlay): Kernels {
  const { mine, theirs, ax, bx, ay, by, firstX, lastX, firstY, lastY } = overlay;
  const kernels = begin();
  const own = kernels.put(mine.data);
  const other = kernels.put(theirs.data);
  const room = kernels.room(kernels.run.overlayRoom(mine.width, lastX - firstX + 1));
  const [width, across] = [mine.width, theirs.width];
  kernels.run.layOut(own, width, other, across, ax, bx, ay, by, firstX, lastX, firstY, lastY, room);
  return kernels;
}

/**
 * Correlation of brightness over what two planes both show, −1 to 1.
 *
 * @param flat variance of brightness, of 255 squared, below which one of them is even: 0 then
 */
export const correlationOf = (overlay: Overlay, flat: number): number => layOver(overlay).run.agreement(flat);

const SLOPE_SUMS = 27;

/**
 * What the equations for the next frame are made of. With p the brightness of what is laid over, u its slope across, v
 * down, x and y from the middle of what both show, and q the other's brightness: the sums of p, u · x, u, v · y and v; of
 * each times q; of their products, the upper half row by row; of q, and of its square. Brightness is counted from the
 * first point's.
 */
export function slopeSums(overlay: Overlay): Float64Array {
  const kernels = layOver(overlay);
  const to = kernels.room(SLOPE_SUMS * 8);
  kernels.run.slopes(to);
  return kernels.doubles(to, SLOPE_SUMS).slice();
}
