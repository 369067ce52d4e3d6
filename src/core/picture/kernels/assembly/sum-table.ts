/**
 * Sums of brightness over every rectangle that begins at the top left, whole numbers of 32 bits, with one column and one
 * row more than the plane: the sum over any rectangle is four look-ups away.
 */
import { bytes } from './sums';

/** The sums of a plane of one byte a sample. */
export function sumUp(data: usize, width: i32, height: i32, to: usize): void {
  const stride = bytes(width + 1);
  memory.fill(to, 0, stride);
  for (let y = 0; y < height; y++) {
    let row = 0;
    const above = to + (y as usize) * stride;
    const at = above + stride;
    const from = data + ((y * width) as usize);
    store<i32>(at, 0);
    for (let x = 0; x < width; x++) {
      row += load<u8>(from + (x as usize)) as i32;
      store<i32>(at + bytes(x), load<i32>(above + bytes(x), 4) + row, 4);
    }
  }
}

function sumOver(sums: usize, stride: i32, left: i32, top: i32, right: i32, bottom: i32): i32 {
  const upper = sums + bytes(top * stride);
  const lower = sums + bytes(bottom * stride);
  return (
    load<i32>(lower + bytes(right)) -
    load<i32>(upper + bytes(right)) -
    load<i32>(lower + bytes(left)) +
    load<i32>(upper + bytes(left))
  );
}

/** Room that `cellMeans` needs, in bytes. */
export function cellRoom(side: i32): i32 {
  return (side + 1) * 40;
}

/**
 * Mean brightness of the cells of a rectangle that is cut into as many across as down, row by row (box filter). A
 * sample that lies across an edge counts by its share: the sum up to any point lies between those of the table.
 *
 * @param left with `top`, `across` and `down` the rectangle, in samples
 * @param to where `side × side` means are put, in floating point
 */
export function cellMeans(
  sums: usize,
  width: i32,
  height: i32,
  left: f64,
  top: f64,
  across: f64,
  down: f64,
  side: i32,
  to: usize,
  room: usize,
): void {
  const stride = width + 1;
  const line = (side + 1) as usize;
  // Sums up to each edge of the row above and of this one; then where the edges across lie.
  let above = room;
  let here = room + (line << 3);
  const places = room + (line << 4);
  const shares = places + (line << 3);
  for (let n = 0; n <= side; n++) {
    const at = edge(left, across, n, side, width);
    const whole = Math.floor(at);
    store<i32>(places + bytes(n), whole as i32);
    store<f64>(shares + ((n as usize) << 3), at - whole);
  }
  const area = (across * down) / ((side * side) as f64);
  for (let row = 0; row <= side; row++) {
    const at = edge(top, down, row, side, height);
    const y = Math.floor(at) as i32;
    const upper = sums + bytes(y * stride);
    const lower = sums + bytes(min(height, y + 1) * stride);
    for (let column = 0; column <= side; column++) {
      const x = load<i32>(places + bytes(column));
      const share = load<f64>(shares + ((column as usize) << 3));
      const first = between(upper, x, min(width, x + 1), share);
      const second = between(lower, x, min(width, x + 1), share);
      store<f64>(here + ((column as usize) << 3), first + (at - Math.floor(at)) * (second - first));
    }
    if (row > 0)
      for (let column = 0; column < side; column++) {
        const at = (column as usize) << 3;
        const sum =
          load<f64>(here + at, 8) - load<f64>(here + at) - load<f64>(above + at, 8) + load<f64>(above + at);
        store<f32>(to + bytes((row - 1) * side + column), (sum / area) as f32);
      }
    const last = above;
    above = here;
    here = last;
  }
}

/** Where a cell begins or ends, in samples. */
function edge(start: f64, length: f64, n: i32, side: i32, size: i32): f64 {
  return Math.max(0.0, Math.min(size as f64, start + ((n as f64) * length) / (side as f64)));
}

function between(row: usize, x: i32, right: i32, share: f64): f64 {
  const sum = load<i32>(row + bytes(x)) as f64;
  return sum + share * ((load<i32>(row + bytes(right)) as f64) - sum);
}

/** Room that `standOut` needs, in bytes. */
export function boxRoom(columns: i32, rows: i32): i32 {
  return bytes(4 * (columns + rows)) as i32;
}

/**
 * By how much boxes stand out from what surrounds them, brighter or darker: the mean within, less the mean between it and
 * a larger box around. Boxes are cut off at the picture's edge.
 *
 * @param step from box to box, in samples; `side` of a box and `around` of the larger one
 * @param to where `columns × rows` differences are put, in floating point
 */
export function standOut(
  sums: usize,
  width: i32,
  height: i32,
  step: i32,
  side: i32,
  around: i32,
  columns: i32,
  rows: i32,
  to: usize,
  room: usize,
): void {
  const stride = width + 1;
  const across = room;
  const down = room + bytes(4 * columns);
  boxes(columns, step, side, around, width, across);
  boxes(rows, step, side, around, height, down);
  for (let row = 0; row < rows; row++) {
    const at = down + bytes(4 * row);
    const top = load<i32>(at);
    const bottom = load<i32>(at, 4);
    const outerTop = load<i32>(at, 8);
    const outerBottom = load<i32>(at, 12);
    for (let column = 0; column < columns; column++) {
      const at = across + bytes(4 * column);
      const left = load<i32>(at);
      const right = load<i32>(at, 4);
      const outerLeft = load<i32>(at, 8);
      const outerRight = load<i32>(at, 12);
      const inner = sumOver(sums, stride, left, top, right, bottom);
      const outer = sumOver(sums, stride, outerLeft, outerTop, outerRight, outerBottom);
      const area = (right - left) * (bottom - top);
      const rest = (outerRight - outerLeft) * (outerBottom - outerTop) - area;
      const apart = (inner as f64) / (area as f64) - ((outer - inner) as f64) / (rest as f64);
      store<f32>(to + bytes(row * columns + column), apart as f32);
    }
  }
}

/** Where boxes begin and end along an axis, and the larger ones around them: four numbers each. */
function boxes(count: i32, step: i32, side: i32, around: i32, size: i32, to: usize): void {
  for (let n = 0; n < count; n++) {
    const middle = n * step + (step >> 1);
    const at = to + bytes(4 * n);
    store<i32>(at, max(0, middle - (side >> 1)));
    store<i32>(at, min(size, middle - (side >> 1) + side), 4);
    store<i32>(at, max(0, middle - (around >> 1)), 8);
    store<i32>(at, min(size, middle - (around >> 1) + around), 12);
  }
}

/**
 * Which values are farther from nothing than all eight beside them, and by so much at least. Of neighbours that are alike
 * the last one is none. What lies at the edge is not looked at.
 *
 * @param to their numbers, row by row: room for a quarter of all
 * @returns how many
 */
export function peaks(values: usize, columns: i32, rows: i32, least: f32, to: usize): i32 {
  const down = bytes(columns);
  let count = 0;
  for (let row = 1; row < rows - 1; row++) {
    for (let column = 1; column < columns - 1; column++) {
      const at = values + bytes(row * columns + column);
      const value = load<f32>(at);
      const own = Math.abs(value) as f32;
      if (own < least) continue;
      const sign: f32 = value < 0 ? -1 : 1;
      if (load<f32>(at - 4) * sign > own || load<f32>(at, 4) * sign >= own) continue;
      if (load<f32>(at - down) * sign > own || load<f32>(at + down) * sign >= own) continue;
      if (load<f32>(at - down - 4) * sign > own || load<f32>(at - down, 4) * sign > own) continue;
      if (load<f32>(at + down - 4) * sign >= own || load<f32>(at + down, 4) * sign >= own) continue;
      store<i32>(to + bytes(count++), row * columns + column);
    }
  }
  return count;
}

/** Cells a side of a window that is hashed. */
const CELLS: i32 = 8;

/** Room that `hashWindows` needs, in bytes. */
export function windowRoom(): i32 {
  return bytes(2 * CELLS * CELLS + 4 * CELLS) as i32;
}

/**
 * Hashes of square windows: the signs of the cosine transform (DCT-II) of the means of 8 × 8 cells. What lies outside of
 * the picture is held from the edge.
 *
 * @param windows three numbers each in double precision: the middle, and half the side, in samples
 * @param to two whole numbers each: the lower and the higher 32 signs
 */
export function hashWindows(
  sums: usize,
  width: i32,
  height: i32,
  windows: usize,
  count: i32,
  to: usize,
  room: usize,
): void {
  const across = room;
  const down = across + bytes(2 * CELLS);
  const samples = down + bytes(2 * CELLS);
  const frequencies = samples + bytes(CELLS * CELLS);
  for (let n = 0; n < count; n++) {
    const window = windows + (n as usize) * 24;
    const half = load<f64>(window, 16);
    cells(across, load<f64>(window) - half, half, width);
    cells(down, load<f64>(window, 8) - half, half, height);
    for (let j = 0; j < CELLS; j++) {
      const top = load<i32>(down + bytes(2 * j));
      const bottom = load<i32>(down + bytes(2 * j), 4);
      for (let i = 0; i < CELLS; i++) {
        const left = load<i32>(across + bytes(2 * i));
        const right = load<i32>(across + bytes(2 * i), 4);
        const sum = sumOver(sums, width + 1, left, top, right, bottom) as f64;
        store<f32>(samples + bytes(j * CELLS + i), (sum / (((right - left) * (bottom - top)) as f64)) as f32);
      }
    }
    for (let y = 0; y < CELLS; y++)
      eightFrequencies(samples + bytes(y * CELLS), 4, frequencies + bytes(y * CELLS));
    for (let u = 0; u < CELLS; u++) eightFrequencies(frequencies + bytes(u), 4 * CELLS, samples + bytes(u));
    store<i32>(to + bytes(2 * n), signs(samples, 1));
    store<i32>(to + bytes(2 * n), signs(samples + bytes(32), 0), 4);
  }
}

/** Where the cells of a window begin and end along an axis, two numbers each; each holds one sample at least. */
function cells(ends: usize, start: f64, half: f64, size: i32): void {
  const cell = (2 * half) / (CELLS as f64);
  for (let n = 0; n < CELLS; n++) {
    const first = Math.floor(start + (n as f64) * cell + 0.5) as i32;
    const end = Math.floor(start + ((n + 1) as f64) * cell + 0.5) as i32;
    const from = max(0, min(size - 1, first));
    store<i32>(ends + bytes(2 * n), from);
    store<i32>(ends + bytes(2 * n), max(from + 1, min(size, end)), 4);
  }
}

/** Cosines of k sixteenths of a half turn. */
const C1: f64 = 0.9807852804032304;
const C2: f64 = 0.9238795325112867;
const C3: f64 = 0.8314696123025452;
const C4: f64 = 0.7071067811865476;
const C5: f64 = 0.5555702330196023;
const C6: f64 = 0.38268343236508984;
const C7: f64 = 0.19509032201612833;

/** DCT-II of eight values, `step` bytes apart; even and odd frequencies from sums and differences of mirrored values. */
function eightFrequencies(from: usize, step: usize, into: usize): void {
  const a = load<f32>(from) as f64;
  const b = load<f32>(from + step) as f64;
  const c = load<f32>(from + 2 * step) as f64;
  const d = load<f32>(from + 3 * step) as f64;
  const e = load<f32>(from + 4 * step) as f64;
  const f = load<f32>(from + 5 * step) as f64;
  const g = load<f32>(from + 6 * step) as f64;
  const h = load<f32>(from + 7 * step) as f64;
  const s0 = a + h;
  const s1 = b + g;
  const s2 = c + f;
  const s3 = d + e;
  const d0 = a - h;
  const d1 = b - g;
  const d2 = c - f;
  const d3 = d - e;
  store<f32>(into, (s0 + s1 + s2 + s3) as f32);
  store<f32>(into + step, (C1 * d0 + C3 * d1 + C5 * d2 + C7 * d3) as f32);
  store<f32>(into + 2 * step, (C2 * (s0 - s3) + C6 * (s1 - s2)) as f32);
  store<f32>(into + 3 * step, (C3 * d0 - C7 * d1 - C1 * d2 - C5 * d3) as f32);
  store<f32>(into + 4 * step, (C4 * (s0 - s1 - s2 + s3)) as f32);
  store<f32>(into + 5 * step, (C5 * d0 - C1 * d1 + C7 * d2 + C3 * d3) as f32);
  store<f32>(into + 6 * step, (C6 * (s0 - s3) - C2 * (s1 - s2)) as f32);
  store<f32>(into + 7 * step, (C7 * d0 - C5 * d1 + C3 * d2 - C1 * d3) as f32);
}

/** A bit for each of 32 numbers, from the first on, that is above nothing. */
function signs(values: usize, first: i32): i32 {
  let bits = 0;
  for (let i = first; i < 32; i++) bits |= (load<f32>(values + bytes(i)) > 0 ? 1 : 0) << i;
  return bits;
}
