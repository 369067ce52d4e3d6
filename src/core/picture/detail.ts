/** Compares the fine structure of two samples of the same size: edges, writing, texture; light and shade left out. */

/** Half the side of the neighbourhood whose mean is taken away, in samples. */
const AROUND = 4;
/** Side of a tile, in samples; tiles overlap by half. */
const TILE = 12;
/** Least mean square of detail that makes a tile structured, in brightness of 255 squared: above compression's noise. */
const STRUCTURED = 30;
/** Correlation in a tile below which its structure is another one. */
const DIFFERENT = 0.5;
/** Share of a structure that must show through what is laid over it. */
const SHOWS_THROUGH = 0.35;
/** Change of a tile's brightness, of 255, that something laid over it makes. */
const COVERED = 10;

export interface DetailComparison {
  /** Correlation of all detail, −1 to 1; 0 where one has none. */
  readonly agreement: number;
  /** Share of the structured tiles in which both have structure, and not the same. */
  readonly contradicted: number;
  /** Share of the structured tiles in which only the first has structure, and only the second. */
  readonly onlyFirst: number;
  readonly onlySecond: number;
  /** Tiles in which one structure was put in the other's place: neither shows through, and the ground is the same. */
  readonly replaced: number;
  /** How many tiles are structured: few say little. */
  readonly tiles: number;
}

/** @param a brightness row by row, as `b` */
export function compareDetail(
  a: Float32Array,
  b: Float32Array,
  width: number,
  height: number,
): DetailComparison {
  const own = withoutShade(a, width, height);
  const other = withoutShade(b, width, height);
  let aa = 0;
  let bb = 0;
  let ab = 0;
  for (let i = 0; i < own.length; i++) {
    aa += own[i]! * own[i]!;
    bb += other[i]! * other[i]!;
    ab += own[i]! * other[i]!;
  }
  const isFlat = aa < own.length * 0.5 || bb < own.length * 0.5;
  const agreement = isFlat ? 0 : ab / Math.sqrt(aa * bb);
  // Contrast is brought to the same level, so that a paler copy does not look empty.
  const gain = isFlat ? 1 : Math.sqrt(bb / aa);
  const light = lightMap(a, b);
  let structured = 0;
  let replaced = 0;
  let contradicted = 0;
  let onlyFirst = 0;
  let onlySecond = 0;
  const least = STRUCTURED * TILE * TILE;
  for (let top = 0; top + TILE <= height; top += TILE / 2) {
    for (let left = 0; left + TILE <= width; left += TILE / 2) {
      let ta = 0;
      let tb = 0;
      let tab = 0;
      let change = 0;
      for (let y = top; y < top + TILE; y++) {
        for (let i = y * width + left; i < y * width + left + TILE; i++) {
          const p = own[i]! * gain;
          ta += p * p;
          tb += other[i]! * other[i]!;
          tab += p * other[i]!;
          change += b[i]! - light.gain * a[i]! - light.lift;
        }
      }
      if (Math.max(ta, tb) < least) continue;
      structured++;
      const isThrough = tab >= SHOWS_THROUGH * Math.min(ta, tb);
      const isCovered = Math.abs(change) > COVERED * TILE * TILE;
      if (!isThrough && !isCovered && Math.min(ta, tb) >= least) replaced++;
      if (tab >= DIFFERENT * Math.sqrt(ta * tb)) continue;
      if (Math.min(ta, tb) >= least) contradicted++;
      else if (ta > tb) onlyFirst++;
      else onlySecond++;
    }
  }
  const share = (count: number) => (structured === 0 ? 0 : count / structured);
  return {
    agreement,
    contradicted: share(contradicted),
    onlyFirst: share(onlyFirst),
    onlySecond: share(onlySecond),
    replaced,
    tiles: structured,
  };
}

/** The brightening that brings one sample's mean and spread to the other's. */
function lightMap(a: Float32Array, b: Float32Array): { gain: number; lift: number } {
  const [first, second] = [a, b].map((values) => {
    const mean = values.reduce((sum, value) => sum + value, 0) / values.length;
    const spread = Math.sqrt(values.reduce((sum, value) => sum + (value - mean) ** 2, 0) / values.length);
    return { mean, spread };
  }) as [{ mean: number; spread: number }, { mean: number; spread: number }];
  const gain = first.spread < 1 ? 1 : second.spread / first.spread;
  return { gain, lift: second.mean - gain * first.mean };
}

/** Takes the mean of its neighbourhood away from every sample. */
function withoutShade(samples: Float32Array, width: number, height: number): Float32Array {
  const rows = new Float32Array(samples.length);
  for (let y = 0; y < height; y++) slidingMean(samples, rows, { start: y * width, stride: 1, count: width });
  const means = new Float32Array(samples.length);
  for (let x = 0; x < width; x++) slidingMean(rows, means, { start: x, stride: width, count: height });
  for (let i = 0; i < means.length; i++) means[i] = samples[i]! - means[i]!;
  return means;
}

interface Line {
  readonly start: number;
  readonly stride: number;
  readonly count: number;
}

function slidingMean(from: Float32Array, to: Float32Array, { start, stride, count }: Line): void {
  let sum = 0;
  let n = 0;
  for (let i = -AROUND; i < count; i++) {
    const entering = i + AROUND;
    const leaving = i - AROUND - 1;
    if (entering < count) {
      sum += from[start + entering * stride]!;
      n++;
    }
    if (leaving >= 0) {
      sum -= from[start + leaving * stride]!;
      n--;
    }
    if (i >= 0) to[start + i * stride] = sum / n;
  }
}
