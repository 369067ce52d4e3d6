import type { Plane } from './oklab';

/** Share of the pixels that lie below the lowest value kept apart, and above the highest: outliers say nothing. */
const LOW = 0.02;
const HIGH = 0.99;

/** Mean over a square of `2 × radius + 1` pixels, `passes` times over; two passes come near a Gaussian. */
export function boxBlur(
  plane: Plane,
  { width, height }: { readonly width: number; readonly height: number },
  radius: number,
  passes = 1,
): Plane {
  let from = plane;
  for (let pass = 0; pass < passes; pass++) {
    const across = new Float32Array(width * height);
    const both = new Float32Array(width * height);
    for (let y = 0; y < height; y++) slide(from, across, { start: y * width, step: 1, count: width, radius });
    for (let x = 0; x < width; x++) slide(across, both, { start: x, step: width, count: height, radius });
    from = both;
  }
  return from;
}

/** A running mean along one row or column; beyond its ends the last pixel goes on. */
function slide(
  from: Plane,
  to: Plane,
  line: { readonly start: number; readonly step: number; readonly count: number; readonly radius: number },
): void {
  const { start, step, count, radius } = line;
  const last = count - 1;
  const first = from[start]!;
  const end = from[start + step * last]!;
  let sum = 0;
  for (let n = -radius; n <= radius; n++) sum += n < 0 ? first : n > last ? end : from[start + step * n]!;
  const share = 1 / (2 * radius + 1);
  for (let n = 0; n < count; n++) {
    to[start + step * n] = sum * share;
    const next = n + radius + 1;
    const past = n - radius;
    sum += (next > last ? end : from[start + step * next]!) - (past < 0 ? first : from[start + step * past]!);
  }
}

/**
 * A plane stretched to 0 to 1 between its low and high percentiles.
 *
 * @param least a spread below which there is nothing to tell apart: such a plane is 0 throughout
 */
export function stretched(plane: Plane, least: number): Plane {
  // Every third is enough to know the percentiles by.
  const sorted = new Float32Array(Math.ceil(plane.length / 3));
  for (let n = 0; n < sorted.length; n++) sorted[n] = plane[3 * n]!;
  sorted.sort();
  const low = sorted[Math.floor(sorted.length * LOW)] ?? 0;
  const high = sorted[Math.floor(sorted.length * HIGH)] ?? 0;
  const spread = high - low;
  if (spread < least) return new Float32Array(plane.length);
  const result = new Float32Array(plane.length);
  for (let n = 0; n < plane.length; n++) result[n] = Math.min(1, Math.max(0, (plane[n]! - low) / spread));
  return result;
}
