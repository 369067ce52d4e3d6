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
  // Down first, along whole rows at a time: what is left to go across, from place to place, are the rows that are wanted.
  const columns = across.end - across.first;
  return narrowed(lowered(touched(plane, across, down), columns, down), columns, across, height);
}

/** What the tables of both axes take of a plane, in floating point: a loop that meets two types of numbers is slow. */
function touched({ data, width }: GreyPlane, across: Weights, down: Weights): Float32Array {
  const isWide = across.first === 0 && across.end === width;
  if (isWide && data instanceof Float32Array) return data.subarray(down.first * width, down.end * width);
  const columns = across.end - across.first;
  const rows = new Float32Array((down.end - down.first) * columns);
  for (let y = down.first; y < down.end; y++) {
    const at = y * width + across.first;
    rows.set(data.subarray(at, at + columns), (y - down.first) * columns);
  }
  return rows;
}

/** Rows brought to the height of the table. Two more samples at the end can be read with weights of nothing. */
function lowered(rows: Float32Array, width: number, down: Weights): Float32Array {
  const { from, count, weight, stride } = down;
  const out = new Float32Array(width * from.length + 2);
  const last = rows.length - width;
  for (let y = 0; y < from.length; y++) {
    const to = y * width;
    const base = (from[y]! - down.first) * width;
    // Three at a time; beyond the last there are weights of nothing.
    for (let k = 0; k < count[y]!; k += 3) {
      const own = y * stride + k;
      const [one, two, three] = [weight[own]!, weight[own + 1]!, weight[own + 2]!];
      const row = base + k * width;
      const [second, third] = [Math.min(last, row + width), Math.min(last, row + 2 * width)];
      if (k === 0)
        for (let x = 0; x < width; x++)
          out[to + x] = one * rows[row + x]! + two * rows[second + x]! + three * rows[third + x]!;
      else
        for (let x = 0; x < width; x++)
          out[to + x]! += one * rows[row + x]! + two * rows[second + x]! + three * rows[third + x]!;
    }
  }
  return out;
}

/** Rows of `size` samples, each brought to the width of the table. */
function narrowed(data: Float32Array, size: number, across: Weights, height: number): Float32Array {
  const { first, from, count, weight, stride, most } = across;
  const width = from.length;
  const rows = new Float32Array(height * width);
  for (let y = 0; y < height; y++) {
    const base = y * size - first;
    const to = y * width;
    // Up to three of each, as mostly: written out, since going round for so few takes half as long again.
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

interface Weights {
  readonly from: Int32Array;
  readonly count: Int32Array;
  readonly weight: Float32Array;
  readonly stride: number;
  /** The most that one takes. */
  readonly most: number;
  /** All that are taken: from `first` up to `end`. */
  readonly first: number;
  readonly end: number;
}

/** For each of `count` new pixels along one axis: which old pixels it takes, and how much of each. */
function weights(size: number, [start, share]: readonly [number, number], count: number): Weights {
  const step = (share * size) / count;
  const reach = Math.max(step, 1) / 2;
  const stride = Math.ceil(reach * 2) + 3;
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
  return { ...table, most, first: table.from[0]!, end: table.from[count - 1]! + table.count[count - 1]! };
}

/** The size of a plane whose long side has at most so many pixels. */
export function fitted(width: number, height: number, longSide: number): [number, number] {
  const scale = longSide / Math.max(width, height);
  return [Math.max(1, Math.round(width * scale)), Math.max(1, Math.round(height * scale))];
}
