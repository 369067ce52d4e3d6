/**
 * Landmarks: places that are brighter or darker than what surrounds them, at their own size. Scaling, cropping,
 * bordering and recompressing leave most of them where they were. Blobs in position and scale after Lindeberg (1998),
 * with boxes instead of Gaussians (Bay and others 2008), since boxes cost four look-ups whatever their size; without
 * orientation, since pictures on pages stand upright.
 */
import { windowHash, WINDOW_SIDE } from './dct-hash';
import type { SumTable } from './sum-table';

/** One landmark; lengths in shares of the picture's long side. */
export interface Landmark {
  /** Its middle. */
  readonly x: number;
  readonly y: number;
  /** Side of the box that stands out. */
  readonly size: number;
  readonly low: number;
  readonly high: number;
}

/** Side of the smallest box in shares of the long side, and how much larger each next one is. */
const SMALLEST = 0.045;
const GROWTH = 2 ** (1 / 3);
const LEVELS = 8;
/** Steps in which boxes are moved, in box sides. */
const STEP = 0.25;
/** Side of the surrounding box and of the window that is hashed, in box sides. */
const SURROUND = 2;
const WINDOW = 3.4;
/** Least difference that counts, in brightness of 255. */
const CONTRAST = 0.8;
/** How much of a window may lie outside the picture, on one side. */
const OUTSIDE = 0.1;
/** Landmarks kept, those that stand out most. */
export const MOST_LANDMARKS = 200;

/** How much the boxes of one size stand out, on a grid over the picture. */
interface Level {
  readonly size: number;
  readonly step: number;
  readonly columns: number;
  readonly rows: number;
  readonly values: Float32Array;
}

/**
 * The landmarks of a picture, the strongest first; none for a flat one.
 *
 * @param table the sums of its brightness
 */
export function findLandmarks(table: SumTable): Landmark[] {
  const { width, height } = table;
  const longSide = Math.max(width, height);
  const levels: Level[] = [];
  for (let n = 0; n < LEVELS; n++) levels.push(levelOf(table, SMALLEST * longSide * GROWTH ** n));
  const peaks = levels.flatMap((level, n) => peaksOf(level, levels[n - 1], levels[n + 1]));
  peaks.sort((a, b) => b.strength - a.strength);
  const found: Landmark[] = [];
  for (const { x, y, size } of peaks) {
    const half = (WINDOW * size) / 2;
    const room = OUTSIDE * 2 * half;
    if (Math.min(x, y, width - x, height - y) < half - room) continue;
    const { low, high } = hashAround(table, x, y, half);
    found.push({ x: x / longSide, y: y / longSide, size: size / longSide, low, high });
    if (found.length === MOST_LANDMARKS) break;
  }
  return found;
}

function levelOf(table: SumTable, size: number): Level {
  const side = Math.max(2, Math.round(size));
  const around = Math.max(side + 2, Math.round(size * SURROUND));
  const step = Math.max(1, Math.round(side * STEP));
  const columns = Math.floor(table.width / step);
  const rows = Math.floor(table.height / step);
  const values = new Float32Array(columns * rows);
  const { sums, width, height } = table;
  const stride = width + 1;
  const across = { inner: boxes(columns, step, side, width), outer: boxes(columns, step, around, width) };
  const down = { inner: boxes(rows, step, side, height), outer: boxes(rows, step, around, height) };
  for (let row = 0; row < rows; row++) {
    const [top, bottom] = [down.inner[2 * row]!, down.inner[2 * row + 1]!];
    const [t1, b1] = [top * stride, bottom * stride];
    const [outerTop, outerBottom] = [down.outer[2 * row]!, down.outer[2 * row + 1]!];
    const [t2, b2] = [outerTop * stride, outerBottom * stride];
    for (let column = 0; column < columns; column++) {
      const l1 = across.inner[2 * column]!;
      const r1 = across.inner[2 * column + 1]!;
      const l2 = across.outer[2 * column]!;
      const r2 = across.outer[2 * column + 1]!;
      const inner = sums[b1 + r1]! - sums[t1 + r1]! - sums[b1 + l1]! + sums[t1 + l1]!;
      const outer = sums[b2 + r2]! - sums[t2 + r2]! - sums[b2 + l2]! + sums[t2 + l2]!;
      const area = (r1 - l1) * (bottom - top);
      values[row * columns + column] =
        inner / area - (outer - inner) / ((r2 - l2) * (outerBottom - outerTop) - area);
    }
  }
  return { size: side, step, columns, rows, values };
}

/** Where boxes of one side begin and end along an axis, `step` apart, two numbers each; cut off at the picture's edge. */
function boxes(count: number, step: number, side: number, size: number): Int32Array {
  const ends = new Int32Array(2 * count);
  for (let n = 0; n < count; n++) {
    const from = n * step + (step >> 1) - (side >> 1);
    ends[2 * n] = Math.max(0, from);
    ends[2 * n + 1] = Math.min(size, from + side);
  }
  return ends;
}

interface Peak {
  readonly x: number;
  readonly y: number;
  readonly size: number;
  readonly strength: number;
}

function peaksOf(level: Level, smaller: Level | undefined, larger: Level | undefined): Peak[] {
  const { columns, rows, values, step } = level;
  const peaks: Peak[] = [];
  for (let row = 1; row < rows - 1; row++) {
    for (let column = 1; column < columns - 1; column++) {
      const at = row * columns + column;
      const value = values[at] as number;
      const own = Math.abs(value);
      if (own < CONTRAST) continue;
      const sign = Math.sign(value);
      const left = values[at - 1]! * sign;
      const right = values[at + 1]! * sign;
      const up = values[at - columns]! * sign;
      const down = values[at + columns]! * sign;
      if (left > own || right >= own || up > own || down >= own) continue;
      if (values[at - columns - 1]! * sign > own || values[at - columns + 1]! * sign > own) continue;
      if (values[at + columns - 1]! * sign >= own || values[at + columns + 1]! * sign >= own) continue;
      const x = (column + offset(left, own, right)) * step + (step >> 1) + 0.5;
      const y = (row + offset(up, own, down)) * step + (step >> 1) + 0.5;
      const below = smaller ? valueAt(smaller, x, y) * sign : 0;
      const above = larger ? valueAt(larger, x, y) * sign : 0;
      if (below > own || above > own) continue;
      const size = level.size * GROWTH ** offset(below, own, above);
      peaks.push({ x, y, size, strength: own });
    }
  }
  return peaks;
}

function valueAt({ step, columns, rows, values }: Level, x: number, y: number): number {
  const column = Math.min(columns - 1, Math.floor(x / step));
  const row = Math.min(rows - 1, Math.floor(y / step));
  return values[row * columns + column] as number;
}

/** Where between its neighbours a peak lies, by the parabola through all three: −0.5 to 0.5. */
function offset(before: number, peak: number, after: number): number {
  const bend = before + after - 2 * peak;
  return bend >= 0 ? 0 : Math.max(-0.5, Math.min(0.5, (before - after) / (2 * bend)));
}

const samples = new Float32Array(WINDOW_SIDE * WINDOW_SIDE);
const columnEnds = new Int32Array(2 * WINDOW_SIDE);
const rowEnds = new Int32Array(2 * WINDOW_SIDE);

/** Hash of the square window around a place: the means of 8 × 8 cells; what lies outside is held from the edge. */
function hashAround({ sums, width, height }: SumTable, x: number, y: number, half: number) {
  cellEnds(columnEnds, x - half, half, width);
  cellEnds(rowEnds, y - half, half, height);
  const stride = width + 1;
  for (let j = 0; j < WINDOW_SIDE; j++) {
    const [top, bottom] = [rowEnds[2 * j]!, rowEnds[2 * j + 1]!];
    const [upper, lower] = [top * stride, bottom * stride];
    for (let i = 0; i < WINDOW_SIDE; i++) {
      const left = columnEnds[2 * i]!;
      const right = columnEnds[2 * i + 1]!;
      const sum = sums[lower + right]! - sums[upper + right]! - sums[lower + left]! + sums[upper + left]!;
      samples[j * WINDOW_SIDE + i] = sum / ((right - left) * (bottom - top));
    }
  }
  return windowHash(samples);
}

/** Where the cells of a window begin and end along an axis, two numbers each; each holds one sample at least. */
function cellEnds(ends: Int32Array, start: number, half: number, size: number): void {
  const cell = (2 * half) / WINDOW_SIDE;
  for (let n = 0; n < WINDOW_SIDE; n++) {
    const from = Math.max(0, Math.min(size - 1, Math.round(start + n * cell)));
    ends[2 * n] = from;
    ends[2 * n + 1] = Math.max(from + 1, Math.min(size, Math.round(start + (n + 1) * cell)));
  }
}
