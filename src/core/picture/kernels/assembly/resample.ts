import { bytes } from './sums';

/** Samples behind a line that may be read, with weights of nothing. */
const SPARE: i32 = 8;

/** Old samples that a new one along an axis takes at most. */
function tapsOf(size: i32, share: f64, count: i32): i32 {
  return (Math.ceil(Math.max((share * (size as f64)) / (count as f64), 1.0)) as i32) + 2;
}

/** Room that `resample` needs beside its samples, in bytes. */
export function resampleRoom(width: i32, height: i32, across: f64, down: f64, columns: i32, rows: i32): i32 {
  const tables = columns * (tapsOf(width, across, columns) + 1) + rows * (tapsOf(height, down, rows) + 1);
  return bytes(tables + width + SPARE + tapsOf(width, across, columns)) as i32;
}

/**
 * Cuts a rectangle out of a plane and brings it to a size: each new sample is the mean of what it covers, and of the
 * breadth of one old sample at least.
 *
 * @param data one byte a sample where `isBytes`, else a number in floating point
 * @param left with `top`, `across` and `down` the rectangle, in shares of the plane's sides
 * @param to where `columns × rows` samples are put
 * @param room as much as `resampleRoom` says
 */
export function resample(
  data: usize,
  isBytes: bool,
  width: i32,
  height: i32,
  left: f64,
  top: f64,
  across: f64,
  down: f64,
  columns: i32,
  rows: i32,
  to: usize,
  room: usize,
): void {
  const fromX = room;
  const weightX = fromX + bytes(columns);
  const fromY = weightX + bytes(columns * tapsOf(width, across, columns));
  const weightY = fromY + bytes(rows);
  const line = weightY + bytes(rows * tapsOf(height, down, rows));
  const tapsX = weigh(width, left, across, columns, fromX, weightX);
  const tapsY = weigh(height, top, down, rows, fromY, weightY);
  const first = load<i32>(fromX);
  const end = min(width, load<i32>(fromX + bytes(columns - 1)) + tapsX);
  memory.fill(line + bytes(end - first), 0, bytes(SPARE + tapsX));
  for (let y = 0; y < rows; y++) {
    const row = load<i32>(fromY + bytes(y));
    for (let k = 0; k < tapsY; k++) {
      const weight = load<f32>(weightY + bytes(k * rows + y));
      if (k > 0 && weight === 0) continue;
      const at = (row + k) * width + first;
      if (isBytes) addBytes(line, data + (at as usize), end - first, weight, k === 0);
      else addFloats(line, data + bytes(at), end - first, weight, k === 0);
    }
    narrow(line - bytes(first), columns, fromX, weightX, tapsX, to + bytes(y * columns));
  }
}

/**
 * For each of `count` new samples along an axis: the first old one that it takes, and how much of each; the weights of
 * all for the first, then of all for the second, and so on.
 *
 * @returns the most that one takes
 */
function weigh(size: i32, start: f64, share: f64, count: i32, from: usize, weight: usize): i32 {
  const step = (share * (size as f64)) / (count as f64);
  const reach = Math.max(step, 1.0) / 2;
  memory.fill(weight, 0, bytes(count * tapsOf(size, share, count)));
  let most = 1;
  for (let i = 0; i < count; i++) {
    const centre = start * (size as f64) + ((i as f64) + 0.5) * step;
    const first = min(size - 1, max(0, Math.floor(centre - reach) as i32));
    const end = max(first + 1, min(size, Math.ceil(centre + reach) as i32));
    let sum: f64 = 0;
    for (let k = first; k < end; k++) sum += covered(k, centre, reach);
    store<i32>(from + bytes(i), first);
    if (sum === 0) store<f32>(weight + bytes(i), 1);
    else
      for (let k = first; k < end; k++)
        store<f32>(weight + bytes((k - first) * count + i), (covered(k, centre, reach) / sum) as f32);
    most = max(most, end - first);
  }
  return most;
}

/** How much of an old sample lies within reach of a new one's middle. */
function covered(sample: i32, centre: f64, reach: f64): f64 {
  const until = Math.min((sample as f64) + 1, centre + reach);
  return Math.max(0.0, until - Math.max(sample as f64, centre - reach));
}

/** A line brought to the width of its table. */
function narrow(line: usize, columns: i32, from: usize, weight: usize, taps: i32, to: usize): void {
  let x = 0;
  for (; x + 4 <= columns; x += 4) {
    const at = from + bytes(x);
    const first = line + bytes(load<i32>(at));
    const second = line + bytes(load<i32>(at, 4));
    const third = line + bytes(load<i32>(at, 8));
    const fourth = line + bytes(load<i32>(at, 12));
    let sum = f32x4.splat(0);
    for (let k = 0; k < taps; k++) {
      const tap = bytes(k);
      let samples = v128.load32_zero(first + tap);
      samples = v128.load_lane<f32>(second + tap, samples, 1);
      samples = v128.load_lane<f32>(third + tap, samples, 2);
      samples = v128.load_lane<f32>(fourth + tap, samples, 3);
      sum = f32x4.add(sum, f32x4.mul(samples, v128.load(weight + bytes(k * columns + x))));
    }
    v128.store(to + bytes(x), sum);
  }
  for (; x < columns; x++) {
    const first = line + bytes(load<i32>(from + bytes(x)));
    let sum: f32 = 0;
    for (let k = 0; k < taps; k++)
      sum += load<f32>(first + bytes(k)) * load<f32>(weight + bytes(k * columns + x));
    store<f32>(to + bytes(x), sum);
  }
}

/** A row, so much of it, put on a line or added to what is there. */
function addFloats(line: usize, row: usize, count: i32, weight: f32, isFirst: bool): void {
  const share = f32x4.splat(weight);
  let x = 0;
  for (; x + 4 <= count; x += 4) {
    const part = f32x4.mul(v128.load(row + bytes(x)), share);
    v128.store(line + bytes(x), isFirst ? part : f32x4.add(v128.load(line + bytes(x)), part));
  }
  for (; x < count; x++) {
    const part = load<f32>(row + bytes(x)) * weight;
    store<f32>(line + bytes(x), isFirst ? part : load<f32>(line + bytes(x)) + part);
  }
}

/** The same of a row of bytes. */
function addBytes(line: usize, row: usize, count: i32, weight: f32, isFirst: bool): void {
  const share = f32x4.splat(weight);
  let x = 0;
  for (; x + 4 <= count; x += 4) {
    const words = i16x8.extend_low_i8x16_u(v128.load32_zero(row + (x as usize)));
    const part = f32x4.mul(f32x4.convert_i32x4_u(i32x4.extend_low_i16x8_u(words)), share);
    v128.store(line + bytes(x), isFirst ? part : f32x4.add(v128.load(line + bytes(x)), part));
  }
  for (; x < count; x++) {
    const part = (load<u8>(row + (x as usize)) as f32) * weight;
    store<f32>(line + bytes(x), isFirst ? part : load<f32>(line + bytes(x)) + part);
  }
}
