/**
 * What is asked of every sample of two planes, compiled: four samples at a time, which JavaScript can't. What goes in is
 * laid into the kernels' own memory, one after the other, for each call anew, and what comes out is copied.
 */
import { COMPILED } from './compiled';
import type { GreyPlane, Rect } from '../grey-plane';

type Samples = Uint8Array | Float32Array;
/** Where a plane lies and the four numbers by which it is laid, then the first and last points of the grid. */
type LaidOver = (
  ...args: [...planes: [number, number, number, number], ...laid: number[], to: number, room: number]
) => void;

interface Exports {
  readonly memory: WebAssembly.Memory;
  resampleRoom(...sizes: number[]): number;
  resample(data: number, isBytes: boolean, ...rest: number[]): void;
  shadeRoom(width: number): number;
  withoutShade(samples: number, width: number, height: number, to: number, room: number): void;
  moments(a: number, b: number, count: number, to: number): void;
  blockSums(a: number, b: number, own: number, other: number, ...rest: number[]): void;
  overlayRoom(width: number, columns: number): number;
  readonly agreement: LaidOver;
  readonly slopes: LaidOver;
}

/** Where the kernels' own memory ends, and the border that what is laid there begins on, in bytes. */
const START = 1024;
const BORDER = 16;
const PAGE = 65_536;

class Kernels {
  private next = START;
  private bytes: Uint8Array;

  constructor(readonly run: Exports) {
    this.bytes = new Uint8Array(run.memory.buffer);
  }

  /** Begins anew: what was laid there before is given up. */
  begin(): this {
    this.next = START;
    return this;
  }

  /** Room for so many bytes; where it begins. */
  room(bytes: number): number {
    const at = this.next;
    this.next = Math.ceil((at + bytes) / BORDER) * BORDER;
    // Vectors are read up to three samples beyond the last.
    const missing = this.next + BORDER - this.bytes.length;
    if (missing > 0) {
      this.run.memory.grow(Math.ceil(missing / PAGE));
      this.bytes = new Uint8Array(this.run.memory.buffer);
    }
    return at;
  }

  put(samples: Samples): number {
    const at = this.room(samples.byteLength);
    const { buffer, byteOffset, byteLength } = samples;
    this.bytes.set(new Uint8Array(buffer, byteOffset, byteLength), at);
    return at;
  }

  floats(at: number, count: number): Float32Array {
    return new Float32Array(this.run.memory.buffer, at, count).slice();
  }

  doubles(at: number, count: number): Float64Array {
    return new Float64Array(this.run.memory.buffer, at, count).slice();
  }
}

let compiled: Kernels | undefined;

function begin(): Kernels {
  compiled ??= new Kernels(
    new WebAssembly.Instance(
      new WebAssembly.Module(Uint8Array.from(atob(COMPILED), (letter) => letter.charCodeAt(0))),
    ).exports as unknown as Exports,
  );
  return compiled.begin();
}

/**
 * Cuts a rectangle out of a plane and brings it to a size, each new pixel the mean of what it covers (box filter).
 * Where the rectangle has fewer pixels than are asked for, values in between are interpolated.
 */
export function resample(
  { width, height, data }: GreyPlane,
  rect: Rect,
  [columns, rows]: readonly [number, number],
): Float32Array {
  const kernels = begin();
  const from = kernels.put(data);
  const to = kernels.room(columns * rows * 4);
  const { left, top, width: across, height: down } = rect;
  const room = kernels.room(kernels.run.resampleRoom(width, height, across, down, columns, rows));
  const isBytes = data instanceof Uint8Array;
  kernels.run.resample(from, isBytes, width, height, left, top, across, down, columns, rows, to, room);
  return kernels.floats(to, columns * rows);
}

/** Means, variances and covariance of two lists of samples. */
export interface Moments {
  readonly meanA: number;
  readonly meanB: number;
  readonly aa: number;
  readonly bb: number;
  readonly ab: number;
}

const momentsAt = ([meanA, meanB, aa, bb, ab]: Float64Array): Moments =>
  ({ meanA, meanB, aa, bb, ab }) as Moments;
const MOMENTS = 5;

/** Moments of two lists of the same length. */
export function momentsOf(a: Float32Array, b: Float32Array): Moments {
  const kernels = begin();
  const [one, other] = [kernels.put(a), kernels.put(b)];
  const to = kernels.room(MOMENTS * 8);
  kernels.run.moments(one, other, a.length, to);
  return momentsAt(kernels.doubles(to, MOMENTS));
}

/** Side of a block, in samples, and sums of each. */
export const BLOCK = 6;
export const BLOCK_SUMS = 5;

export interface Compared {
  /** Of the two samples as they are, and with the mean of their neighbourhood taken away. */
  readonly light: Moments;
  readonly detail: Moments;
  /** Five sums a block, row by row: both brightnesses, both details squared, and their product. */
  readonly blocks: Float64Array;
}

/**
 * Compares two samples of one size, as they are and with the mean of up to four samples around taken away.
 *
 * @param inBlocks whether the sums over blocks are wanted; none are given otherwise
 */
export function comparedSamples(
  a: Float32Array,
  b: Float32Array,
  [width, height]: readonly [number, number],
  inBlocks: boolean,
): Compared {
  const kernels = begin();
  const { run } = kernels;
  const [one, other] = [kernels.put(a), kernels.put(b)];
  const [own, others] = [kernels.room(a.byteLength), kernels.room(b.byteLength)];
  const room = kernels.room(run.shadeRoom(width));
  const count = inBlocks ? BLOCK_SUMS * Math.floor(width / BLOCK) * Math.floor(height / BLOCK) : 0;
  const to = kernels.room((2 * MOMENTS + count) * 8);
  run.withoutShade(one, width, height, own, room);
  run.withoutShade(other, width, height, others, room);
  run.moments(one, other, a.length, to);
  run.moments(own, others, a.length, to + MOMENTS * 8);
  if (inBlocks) run.blockSums(one, other, own, others, width, height, to + 2 * MOMENTS * 8);
  const sums = kernels.doubles(to, 2 * MOMENTS + count);
  return {
    light: momentsAt(sums.subarray(0, MOMENTS)),
    detail: momentsAt(sums.subarray(MOMENTS, 2 * MOMENTS)),
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

function overLaid(overlay: Overlay, kernel: 'agreement' | 'slopes', count: number): Float64Array {
  const { mine, theirs, ax, bx, ay, by, firstX, lastX, firstY, lastY } = overlay;
  const kernels = begin();
  const planes = [kernels.put(mine.data), mine.width, kernels.put(theirs.data), theirs.width] as const;
  const to = kernels.room(count * 8);
  const room = kernels.room(kernels.run.overlayRoom(mine.width, lastX - firstX + 1));
  kernels.run[kernel](...planes, ax, bx, ay, by, firstX, lastX, firstY, lastY, to, room);
  return kernels.doubles(to, count);
}

/** Sums over what two planes both show, about their means: squares of the one, of the other, products. */
export function agreementSums(overlay: Overlay): readonly [aa: number, bb: number, ab: number] {
  const [aa = 0, bb = 0, ab = 0] = overLaid(overlay, 'agreement', 3);
  return [aa, bb, ab];
}

/**
 * What the equations for the next frame are made of. With p the brightness of what is laid over, u its slope across, v
 * down, x and y from the middle of what both show, and q the other's brightness: the sums of p, u · x, u, v · y and v; of
 * each times q; of their products, the upper half row by row; of q, and of its square. Brightness is counted from the
 * first point's.
 */
export const slopeSums = (overlay: Overlay): Float64Array => overLaid(overlay, 'slopes', 27);
