/**
 * A hash of looks: the signs of the low frequencies of a picture's two-dimensional cosine transform (DCT-II), 63 bits.
 * Pictures that look alike have hashes that differ in few bits; brightness and contrast do not matter.
 */
import { frequenciesOf } from './kernels/transforming';

/** Points a side of the grid that whole pictures are sampled at. */
export const HASH_SIDE = 16;
/** Frequencies kept a side; the mean (0, 0) has no sign of meaning and is left out. */
const KEPT = 8;

/**
 * 63 bits in two whole numbers of 32. Bit `v * 8 + u` is set where frequency (u across, v down) is positive, and more than
 * hardly there where most are hardly there.
 */
export interface DctHash {
  readonly low: number;
  readonly high: number;
}

/** Cosines of the grid: frequency `u` at point `x` stands at `u * side + x`. */
const COSINES = new Float32Array(KEPT * HASH_SIDE);
for (let u = 0; u < KEPT; u++)
  for (let x = 0; x < HASH_SIDE; x++)
    COSINES[u * HASH_SIDE + x] = Math.cos(((2 * x + 1) * u * Math.PI) / (2 * HASH_SIDE));

/** A frequency no stronger than this is hardly there, as a share of the strongest, whatever their signs. */
const FELT = 1 / 256;
/**
 * So many of the 63 hardly there, and none of them has a sign: in even stripes it is what packing left there. Where fewer are,
 * their signs are the picture's own, and the hash of its mirrored or turned copy is made from them.
 */
const MANY = 32;

/** Odd frequencies across: those whose sign turns where a picture is mirrored left to right. */
const MIRROR_MASK = 0xaaaaaaaa | 0;

/** @param samples brightness at 16 × 16 points */
export const dctHash = (samples: Float32Array): DctHash => signsOf(frequenciesOf(samples, COSINES));

/** The signs of the frequencies; the mean has none. */
function signsOf(all: Float32Array): DctHash {
  const felt = leastFelt(all);
  let low = 0;
  let high = 0;
  for (let i = 1; i < 32; i++) if (all[i]! > felt) low |= 1 << i;
  for (let i = 32; i < 64; i++) if (all[i]! > felt) high |= 1 << (i - 32);
  return { low, high };
}

/** What a frequency must surpass to count as positive, in its own unit: 0, but where most of them are hardly there. */
function leastFelt(all: Float32Array): number {
  let strongest = 0;
  for (let i = 1; i < 64; i++) strongest = Math.max(strongest, Math.abs(all[i]!));
  const felt = strongest * FELT;
  let weak = 0;
  for (let i = 1; i < 64; i++) if (Math.abs(all[i]!) <= felt) weak++;
  return weak >= MANY ? felt : 0;
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
