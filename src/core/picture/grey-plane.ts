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

/**
 * Cuts a rectangle out of a plane and brings it to a size, each new pixel the mean of what it covers (box filter).
 * Where the rectangle has fewer pixels than are asked for, values in between are interpolated.
 */
export function resample(
  plane: GreyPlane,
  rect: Rect,
  [width, height]: readonly [number, number],
): Float32Array {
  const across = weights(plane.width, [rect.left, rect.width], width);
  const down = weights(plane.height, [rect.top, rect.height], height);
  const first = down.from[0]!;
  const last = down.from[height - 1]! + down.count[height - 1]!;
  // Rows first, and only those that the rectangle touches.
  const rows = narrowed(inFloats(plane, first, last), plane.width, across, last - first);
  return lowered(rows, width, down, first);
}

/**
 * Some rows of a plane, in floating point: a loop that meets two types of numbers runs several times slower. Two samples
 * more at the end can be read by one that goes on to weights of nothing.
 */
function inFloats({ data, width }: GreyPlane, first: number, last: number): Float32Array {
  const rows = new Float32Array((last - first) * width + 2);
  rows.set(data.subarray(first * width, last * width));
  return rows;
}

/** Rows of `size` samples, each brought to the width of the table. */
function narrowed(data: Float32Array, size: number, across: Weights, height: number): Float32Array {
  const { from, count, weight, stride, most } = across;
  const width = from.length;
  const rows = new Float32Array(height * width);
  for (let y = 0; y < height; y++) {
    const base = y * size;
    const to = y * width;
    // Up to three of each, as nearly always: written out, since going round for so few takes half as long again.
    if (most <= 3)
      for (let x = 0; x < width; x++) {
        const at = base + from[x]!;
        const own = x * stride;
        rows[to + x] =
          data[at]! * weight[own]! + data[at + 1]! * weight[own + 1]! + data[at + 2]! * weight[own + 2]!;
      }
    else
      for (let x = 0; x < width; x++) {
        let sum = 0;
        const at = base + from[x]!;
        const n = count[x]!;
        for (let k = 0; k < n; k++) sum += data[at + k]! * weight[x * stride + k]!;
        rows[to + x] = sum;
      }
  }
  return rows;
}

/** Rows from `first` on, brought to the height of the table. */
function lowered(rows: Float32Array, width: number, down: Weights, first: number): Float32Array {
  const { from, count, weight, stride, most } = down;
  const out = new Float32Array(width * from.length);
  const last = rows.length - width;
  for (let y = 0; y < from.length; y++) {
    const to = y * width;
    const own = y * stride;
    const base = (from[y]! - first) * width;
    if (most <= 3) {
      const [one, two, three] = [weight[own]!, weight[own + 1]!, weight[own + 2]!];
      const second = Math.min(last, base + width);
      const third = Math.min(last, base + 2 * width);
      for (let x = 0; x < width; x++)
        out[to + x] = one * rows[base + x]! + two * rows[second + x]! + three * rows[third + x]!;
    } else {
      for (let k = 0; k < count[y]!; k++) {
        const share = weight[own + k]!;
        const row = base + k * width;
        for (let x = 0; x < width; x++) out[to + x]! += share * rows[row + x]!;
      }
    }
  }
  return out;
}

interface Weights {
  readonly from: Int32Array;
  readonly count: Int32Array;
  readonly weight: Float32Array;
  readonly stride: number;
  /** The most that one takes. */
  readonly most: number;
}

/** For each of `count` new pixels along one axis: which old pixels it takes, and how much of each. */
function weights(size: number, [start, share]: readonly [number, number], count: number): Weights {
  const step = (share * size) / count;
  const reach = Math.max(step, 1) / 2;
  const stride = Math.ceil(reach * 2) + 2;
  let most = 0;
  const table = {
    from: new Int32Array(count),
    count: new Int32Array(count),
    weight: new Float32Array(count * stride),
    stride,
  };
  for (let i = 0; i < count; i++) {
    const centre = start * size + (i + 0.5) * step;
    const from = Math.min(size - 1, Math.max(0, Math.floor(centre - reach)));
    const to = Math.max(from + 1, Math.min(size, Math.ceil(centre + reach)));
    let sum = 0;
    for (let k = from; k < to; k++) {
      const covered = Math.min(k + 1, centre + reach) - Math.max(k, centre - reach);
      const weight = Math.max(covered, 0);
      table.weight[i * stride + k - from] = weight;
      sum += weight;
    }
    if (sum === 0) table.weight[i * stride] = sum = 1;
    for (let k = 0; k < to - from; k++) table.weight[i * stride + k]! /= sum;
    table.from[i] = from;
    table.count[i] = to - from;
    most = Math.max(most, to - from);
  }
  return { ...table, most };
}

/** The size of a plane whose long side has at most so many pixels. */
export function fitted(width: number, height: number, longSide: number): [number, number] {
  const scale = longSide / Math.max(width, height);
  return [Math.max(1, Math.round(width * scale)), Math.max(1, Math.round(height * scale))];
}
