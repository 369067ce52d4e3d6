import { bytes, total } from './sums';

/** Half the side of the neighbourhood whose mean is taken away, in samples. */
const AROUND: i32 = 4;

/** Room that `withoutShade` needs beside its samples, in bytes. */
export function shadeRoom(width: i32): i32 {
  return bytes(width) as i32;
}

/** Samples with the mean of their neighbourhood taken away. @param to as many samples */
export function withoutShade(samples: usize, width: i32, height: i32, to: usize, room: usize): void {
  // Sums down each column of the neighbourhood, kept up to date from row to row; then along the row.
  memory.fill(room, 0, bytes(width));
  let rows = min(AROUND, height);
  for (let y = 0; y < rows; y++) addRow(room, samples + bytes(y * width), width, 1);
  for (let y = 0; y < height; y++) {
    const entering = y + AROUND;
    const leaving = y - AROUND - 1;
    if (entering < height) {
      rows++;
      addRow(room, samples + bytes(entering * width), width, 1);
    }
    if (leaving >= 0) {
      rows--;
      addRow(room, samples + bytes(leaving * width), width, -1);
    }
    withoutMeans(samples + bytes(y * width), room, width, rows, to + bytes(y * width));
  }
}

function addRow(sums: usize, row: usize, width: i32, sign: f32): void {
  const signs = f32x4.splat(sign);
  let x = 0;
  for (; x + 4 <= width; x += 4) {
    const at = bytes(x);
    v128.store(sums + at, f32x4.add(v128.load(sums + at), f32x4.mul(v128.load(row + at), signs)));
  }
  for (; x < width; x++) {
    const at = bytes(x);
    store<f32>(sums + at, load<f32>(sums + at) + load<f32>(row + at) * sign);
  }
}

/** One row with the means of its neighbourhood taken away, by the sums down each column of so many rows. */
function withoutMeans(row: usize, sums: usize, width: i32, rows: i32, to: usize): void {
  const inner = f32x4.splat((1 as f32) / ((rows * (2 * AROUND + 1)) as f32));
  let x = 0;
  for (; x < min(AROUND, width); x++) withoutMean(row, sums, width, rows, x, to);
  for (; x + AROUND + 4 <= width; x += 4) {
    const at = bytes(x);
    const from = sums + at - 16;
    let sum = f32x4.add(v128.load(from), v128.load(from, 4));
    sum = f32x4.add(sum, f32x4.add(v128.load(from, 8), v128.load(from, 12)));
    sum = f32x4.add(sum, f32x4.add(v128.load(from, 16), v128.load(from, 20)));
    sum = f32x4.add(sum, f32x4.add(v128.load(from, 24), v128.load(from, 28)));
    sum = f32x4.add(sum, v128.load(from, 32));
    v128.store(to + at, f32x4.sub(v128.load(row + at), f32x4.mul(sum, inner)));
  }
  for (; x < width; x++) withoutMean(row, sums, width, rows, x, to);
}

function withoutMean(row: usize, sums: usize, width: i32, rows: i32, x: i32, to: usize): void {
  const first = max(0, x - AROUND);
  const end = min(width, x + AROUND + 1);
  let sum: f32 = 0;
  for (let k = first; k < end; k++) sum += load<f32>(sums + bytes(k));
  store<f32>(to + bytes(x), load<f32>(row + bytes(x)) - sum / ((rows * (end - first)) as f32));
}

/** Vectors whose sums are still exact enough for single precision. */
const STRETCH: i32 = 64;

/** Means, variances and covariance of two lists of samples: five numbers in double precision at `to`. */
export function moments(a: usize, b: usize, count: i32, to: usize): void {
  // About the first of each, so that little is lost where all are nearly the same.
  const firstA = load<f32>(a);
  const firstB = load<f32>(b);
  const awayA = f32x4.splat(firstA);
  const awayB = f32x4.splat(firstB);
  let sa: f64 = 0;
  let sb: f64 = 0;
  let aa: f64 = 0;
  let bb: f64 = 0;
  let ab: f64 = 0;
  let i = 0;
  while (i + 4 <= count) {
    let one = f32x4.splat(0);
    let other = f32x4.splat(0);
    let ones = f32x4.splat(0);
    let others = f32x4.splat(0);
    let both = f32x4.splat(0);
    for (const end = min(count - 3, i + 4 * STRETCH); i < end; i += 4) {
      const p = f32x4.sub(v128.load(a + bytes(i)), awayA);
      const q = f32x4.sub(v128.load(b + bytes(i)), awayB);
      one = f32x4.add(one, p);
      other = f32x4.add(other, q);
      ones = f32x4.add(ones, f32x4.mul(p, p));
      others = f32x4.add(others, f32x4.mul(q, q));
      both = f32x4.add(both, f32x4.mul(p, q));
    }
    sa += total(one);
    sb += total(other);
    aa += total(ones);
    bb += total(others);
    ab += total(both);
  }
  for (; i < count; i++) {
    const p = (load<f32>(a + bytes(i)) as f64) - (firstA as f64);
    const q = (load<f32>(b + bytes(i)) as f64) - (firstB as f64);
    sa += p;
    sb += q;
    aa += p * p;
    bb += q * q;
    ab += p * q;
  }
  const n = count as f64;
  const meanA = sa / n;
  const meanB = sb / n;
  store<f64>(to, meanA + (firstA as f64));
  store<f64>(to, meanB + (firstB as f64), 8);
  store<f64>(to, aa / n - meanA * meanA, 16);
  store<f64>(to, bb / n - meanB * meanB, 24);
  store<f64>(to, ab / n - meanA * meanB, 32);
}

/** Side of a block, in samples. */
const BLOCK: i32 = 6;

/**
 * Sums over blocks, row by row; what is left at the right and below is not looked at.
 *
 * @param own detail of `a`, as `other` that of `b`
 * @param to five numbers in double precision a block: both brightnesses, both details squared, and their product
 */
export function blockSums(
  a: usize,
  b: usize,
  own: usize,
  other: usize,
  width: i32,
  height: i32,
  to: usize,
): void {
  for (let row = 0; row < height / BLOCK; row++) {
    for (let column = 0; column < width / BLOCK; column++) {
      let light = f32x4.splat(0);
      let otherLight = f32x4.splat(0);
      let structure = f32x4.splat(0);
      let otherStructure = f32x4.splat(0);
      let shared = f32x4.splat(0);
      let at = bytes((row * width + column) * BLOCK);
      for (let y = 0; y < BLOCK; y++) {
        // Six of them: four, and two with two of nothing.
        light = f32x4.add(light, f32x4.add(v128.load(a + at), v128.load64_zero(a + at, 16)));
        otherLight = f32x4.add(otherLight, f32x4.add(v128.load(b + at), v128.load64_zero(b + at, 16)));
        const p = v128.load(own + at);
        const q = v128.load(other + at);
        const pEnd = v128.load64_zero(own + at, 16);
        const qEnd = v128.load64_zero(other + at, 16);
        structure = f32x4.add(structure, f32x4.add(f32x4.mul(p, p), f32x4.mul(pEnd, pEnd)));
        otherStructure = f32x4.add(otherStructure, f32x4.add(f32x4.mul(q, q), f32x4.mul(qEnd, qEnd)));
        shared = f32x4.add(shared, f32x4.add(f32x4.mul(p, q), f32x4.mul(pEnd, qEnd)));
        at += bytes(width);
      }
      store<f64>(to, total(light));
      store<f64>(to, total(otherLight), 8);
      store<f64>(to, total(structure), 16);
      store<f64>(to, total(otherStructure), 24);
      store<f64>(to, total(shared), 32);
      to += 40;
    }
  }
}
