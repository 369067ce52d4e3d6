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

/** Cosines of each grid: frequency `u` at point `x` stands at `u * side + x`. */
const COSINES = new Map([HASH_SIDE, WINDOW_SIDE].map((side) => [side, cosines(side)]));

function cosines(side: number): Float32Array {
  const table = new Float32Array(KEPT * side);
  for (let u = 0; u < KEPT; u++)
    for (let x = 0; x < side; x++) table[u * side + x] = Math.cos(((2 * x + 1) * u * Math.PI) / (2 * side));
  return table;
}

/** Odd frequencies across: those whose sign turns where a picture is mirrored left to right. */
const MIRROR_MASK = 0xaaaaaaaa | 0;

const rows = new Float32Array(HASH_SIDE * KEPT);

/** @param samples brightness at 16 × 16 points, or at 8 × 8 for a window, row by row */
export function dctHash(samples: Float32Array): DctHash {
  const side = samples.length === WINDOW_SIDE ** 2 ? WINDOW_SIDE : HASH_SIDE;
  const cosine = COSINES.get(side) as Float32Array;
  for (let y = 0; y < side; y++) {
    for (let u = 0; u < KEPT; u++) {
      let sum = 0;
      for (let x = 0; x < side; x++) sum += samples[y * side + x]! * cosine[u * side + x]!;
      rows[y * KEPT + u] = sum;
    }
  }
  let low = 0;
  let high = 0;
  for (let v = 0; v < KEPT; v++) {
    for (let u = 0; u < KEPT; u++) {
      if (u + v === 0) continue;
      let sum = 0;
      for (let y = 0; y < side; y++) sum += rows[y * KEPT + u]! * cosine[v * side + y]!;
      if (sum <= 0) continue;
      if (v < 4) low |= 1 << (v * KEPT + u);
      else high |= 1 << ((v - 4) * KEPT + u);
    }
  }
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
