/**
 * A hash of looks: the signs of the low frequencies of a picture's two-dimensional cosine transform (DCT-II), 63 bits.
 * Pictures that look alike have hashes that differ in few bits; brightness and contrast do not matter.
 */

/** Points a side of the grid that whole pictures are sampled at, and of the smaller one for windows of a picture. */
export const HASH_SIDE = 16;
export const WINDOW_SIDE = 8;
/** Frequencies kept a side; the mean (0, 0) has no sign of meaning and is left out. */
const KEPT = 8;

/** 63 bits in two whole numbers of 32. Bit `v * 8 + u` is set where frequency (u across, v down) is positive. */
export interface DctHash {
  readonly low: number;
  readonly high: number;
}

/** Cosines of the larger grid: frequency `u` at point `x` stands at `u * side + x`. */
const COSINES = new Float32Array(KEPT * HASH_SIDE);
for (let u = 0; u < KEPT; u++)
  for (let x = 0; x < HASH_SIDE; x++)
    COSINES[u * HASH_SIDE + x] = Math.cos(((2 * x + 1) * u * Math.PI) / (2 * HASH_SIDE));

/** Odd frequencies across: those whose sign turns where a picture is mirrored left to right. */
const MIRROR_MASK = 0xaaaaaaaa | 0;

const rows = new Float32Array(HASH_SIDE * KEPT);
const frequencies = new Float32Array(KEPT * KEPT);

/** @param samples brightness at 16 × 16 points */
export function dctHash(samples: Float32Array): DctHash {
  const side = HASH_SIDE;
  for (let y = 0; y < side; y++) {
    for (let u = 0; u < KEPT; u++) {
      let sum = 0;
      for (let x = 0; x < side; x++) sum += samples[y * side + x]! * COSINES[u * side + x]!;
      rows[y * KEPT + u] = sum;
    }
  }
  for (let v = 0; v < KEPT; v++) {
    for (let u = 0; u < KEPT; u++) {
      let sum = 0;
      for (let y = 0; y < side; y++) sum += rows[y * KEPT + u]! * COSINES[v * side + y]!;
      frequencies[v * KEPT + u] = sum;
    }
  }
  return signsOf(frequencies);
}

/**
 * The hash of a window of a picture, of which there are two hundred in each: the same, from fewer points.
 *
 * @param samples brightness at 8 × 8 points
 */
export function windowHash(samples: Float32Array): DctHash {
  for (let y = 0; y < WINDOW_SIDE; y++) eightFrequencies(samples, y * WINDOW_SIDE, 1, rows);
  for (let u = 0; u < KEPT; u++) eightFrequencies(rows, u, KEPT, frequencies);
  return signsOf(frequencies);
}

const [, C1, C2, C3, C4, C5, C6, C7] = Array.from({ length: 8 }, (_, k) => Math.cos((k * Math.PI) / 16)) as [
  number, number, number, number, number, number, number, number,
]; // prettier-ignore

/** DCT-II of eight values, each `step` after the last; even and odd frequencies from sums and differences of mirrored values. */
function eightFrequencies(from: Float32Array, at: number, step: number, into: Float32Array): void {
  const a = from[at]!;
  const b = from[at + step]!;
  const c = from[at + 2 * step]!;
  const d = from[at + 3 * step]!;
  const e = from[at + 4 * step]!;
  const f = from[at + 5 * step]!;
  const g = from[at + 6 * step]!;
  const h = from[at + 7 * step]!;
  const s0 = a + h;
  const s1 = b + g;
  const s2 = c + f;
  const s3 = d + e;
  const d0 = a - h;
  const d1 = b - g;
  const d2 = c - f;
  const d3 = d - e;
  into[at] = s0 + s1 + s2 + s3;
  into[at + step] = C1 * d0 + C3 * d1 + C5 * d2 + C7 * d3;
  into[at + 2 * step] = C2 * (s0 - s3) + C6 * (s1 - s2);
  into[at + 3 * step] = C3 * d0 - C7 * d1 - C1 * d2 - C5 * d3;
  into[at + 4 * step] = C4 * (s0 - s1 - s2 + s3);
  into[at + 5 * step] = C5 * d0 - C1 * d1 + C7 * d2 + C3 * d3;
  into[at + 6 * step] = C6 * (s0 - s3) - C2 * (s1 - s2);
  into[at + 7 * step] = C7 * d0 - C5 * d1 + C3 * d2 - C1 * d3;
}

/** The signs of the frequencies; the mean has none. */
function signsOf(all: Float32Array): DctHash {
  let low = 0;
  let high = 0;
  for (let i = 1; i < 32; i++) if (all[i]! > 0) low |= 1 << i;
  for (let i = 32; i < 64; i++) if (all[i]! > 0) high |= 1 << (i - 32);
  return { low, high };
}

/** The hash of the same picture mirrored left to right, without looking at it again. */
export function mirroredHash({ low, high }: DctHash): DctHash {
  return { low: low ^ MIRROR_MASK, high: high ^ MIRROR_MASK };
}

/** In how many of their 63 bits two hashes differ. */
export function hashDistance(a: DctHash, b: DctHash): number {
  return bitsOf(a.low ^ b.low) + bitsOf(a.high ^ b.high);
}

/** How many bits of a whole number of 32 bits are set. */
export function bitsOf(word: number): number {
  let n = word - ((word >>> 1) & 0x55555555);
  n = (n & 0x33333333) + ((n >>> 2) & 0x33333333);
  return Math.imul((n + (n >>> 4)) & 0x0f0f0f0f, 0x01010101) >>> 24;
}
