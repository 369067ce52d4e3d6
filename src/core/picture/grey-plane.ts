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
  const { data } = plane;
  const first = down.from[0] as number;
  const last = (down.from[height - 1] as number) + (down.count[height - 1] as number);
  // Rows first: only those that the rectangle touches.
  const rows = new Float32Array((last - first) * width);
  for (let y = first; y < last; y++) {
    const base = y * plane.width;
    for (let x = 0; x < width; x++) {
      let sum = 0;
      const from = across.from[x] as number;
      const n = across.count[x] as number;
      const at = x * across.stride;
      for (let k = 0; k < n; k++)
        sum += (data[base + from + k] as number) * (across.weight[at + k] as number);
      rows[(y - first) * width + x] = sum;
    }
  }
  const out = new Float32Array(width * height);
  for (let y = 0; y < height; y++) {
    const from = (down.from[y] as number) - first;
    const n = down.count[y] as number;
    for (let k = 0; k < n; k++) {
      const weight = down.weight[y * down.stride + k] as number;
      const base = (from + k) * width;
      for (let x = 0; x < width; x++) out[y * width + x]! += weight * (rows[base + x] as number);
    }
  }
  return out;
}

interface Weights {
  readonly from: Int32Array;
  readonly count: Int32Array;
  readonly weight: Float32Array;
  readonly stride: number;
}

/** For each of `count` new pixels along one axis: which old pixels it takes, and how much of each. */
function weights(size: number, [start, share]: readonly [number, number], count: number): Weights {
  const step = (share * size) / count;
  const reach = Math.max(step, 1) / 2;
  const stride = Math.ceil(reach * 2) + 2;
  const table: Weights = {
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
  }
  return table;
}

/** The size of a plane whose long side has at most so many pixels. */
export function fitted(width: number, height: number, longSide: number): [number, number] {
  const scale = longSide / Math.max(width, height);
  return [Math.max(1, Math.round(width * scale)), Math.max(1, Math.round(height * scale))];
}
