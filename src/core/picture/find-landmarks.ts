/**
 * Landmarks: places that are brighter or darker than what surrounds them, at their own size. Scaling, cropping,
 * bordering and recompressing leave most of them where they were. Blobs in position and scale after Lindeberg (1998),
 * with boxes instead of Gaussians (Bay and others 2008), since boxes cost four look-ups whatever their size; without
 * orientation, since pictures on pages stand upright.
 */
import { windowHash, WINDOW_SIDE } from './dct-hash';
import type { GreyPlane } from './grey-plane';
import { sumTable, type SumTable } from './sum-table';

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

/** The landmarks of a picture, the strongest first; none for a flat one. */
export function findLandmarks(plane: GreyPlane): Landmark[] {
  const table = sumTable(plane);
  const longSide = Math.max(plane.width, plane.height);
  const levels: Level[] = [];
  for (let n = 0; n < LEVELS; n++) levels.push(levelOf(table, SMALLEST * longSide * GROWTH ** n));
  const peaks = levels.flatMap((level, n) => peaksOf(level, levels[n - 1], levels[n + 1]));
  peaks.sort((a, b) => b.strength - a.strength);
  const found: Landmark[] = [];
  for (const { x, y, size } of peaks) {
    const half = (WINDOW * size) / 2;
    const room = OUTSIDE * 2 * half;
    if (Math.min(x, y, plane.width - x, plane.height - y) < half - room) continue;
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
  for (let row = 0; row < rows; row++) {
    const cy = row * step + (step >> 1);
    const t1 = Math.max(0, cy - (side >> 1));
    const b1 = Math.min(height, cy - (side >> 1) + side);
    const t2 = Math.max(0, cy - (around >> 1));
    const b2 = Math.min(height, cy - (around >> 1) + around);
    for (let column = 0; column < columns; column++) {
      const cx = column * step + (step >> 1);
      const l1 = Math.max(0, cx - (side >> 1));
      const r1 = Math.min(width, cx - (side >> 1) + side);
      const l2 = Math.max(0, cx - (around >> 1));
      const r2 = Math.min(width, cx - (around >> 1) + around);
      const inner =
        sums[b1 * stride + r1]! - sums[t1 * stride + r1]! - sums[b1 * stride + l1]! + sums[t1 * stride + l1]!;
      const outer =
        sums[b2 * stride + r2]! - sums[t2 * stride + r2]! - sums[b2 * stride + l2]! + sums[t2 * stride + l2]!;
      const area = (r1 - l1) * (b1 - t1);
      values[row * columns + column] = inner / area - (outer - inner) / ((r2 - l2) * (b2 - t2) - area);
    }
  }
  return { size: side, step, columns, rows, values };
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

/** Hash of the square window around a place: the means of 8 × 8 cells; what lies outside is held from the edge. */
function hashAround({ sums, width, height }: SumTable, x: number, y: number, half: number) {
  const cell = (2 * half) / WINDOW_SIDE;
  const stride = width + 1;
  for (let j = 0; j < WINDOW_SIDE; j++) {
    const top = Math.max(0, Math.min(height - 1, Math.round(y - half + j * cell)));
    const bottom = Math.max(top + 1, Math.min(height, Math.round(y - half + (j + 1) * cell)));
    for (let i = 0; i < WINDOW_SIDE; i++) {
      const left = Math.max(0, Math.min(width - 1, Math.round(x - half + i * cell)));
      const right = Math.max(left + 1, Math.min(width, Math.round(x - half + (i + 1) * cell)));
      const sum =
        sums[bottom * stride + right]! -
        sums[top * stride + right]! -
        sums[bottom * stride + left]! +
        sums[top * stride + left]!;
      samples[j * WINDOW_SIDE + i] = sum / ((right - left) * (bottom - top));
    }
  }
  return windowHash(samples);
}
