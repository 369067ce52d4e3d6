/**
 * Landmarks: places that are brighter or darker than what surrounds them, at their own size. Scaling, cropping,
 * bordering and recompressing leave most of them where they were. Blobs in position and scale after Lindeberg (1998),
 * with boxes instead of Gaussians (Bay and others 2008), since boxes cost four look-ups whatever their size; without
 * orientation, since pictures on pages stand upright.
 */
import { hashWindows, standOut, type SumTable } from './kernels/summing';

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
  /** Numbers of those that stand out more than all beside them. */
  readonly peaks: Int32Array;
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
  const peaks: Peak[] = [];
  for (const [n, level] of levels.entries())
    addPeaks(peaks, [level, levels[n - 1], levels[n + 1]], { width, height });
  const kept = strongest(peaks);
  const hashes = hashWindows(
    table,
    kept.map(({ x, y, size }) => ({ x, y, half: (WINDOW * size) / 2 })),
  );
  // Field by field: there are two hundred in every picture, and to spread them takes longer than to find them.
  return kept.map(({ x, y, size }, n) => ({
    x: x / longSide,
    y: y / longSide,
    size: size / longSide,
    low: hashes[2 * n]!,
    high: hashes[2 * n + 1]!,
  }));
}

/** Those that stand out most, the strongest first. To sort them all for it would take longer than all else. */
function strongest(peaks: readonly Peak[]): Peak[] {
  const strengths = new Float64Array(peaks.length);
  for (let n = 0; n < peaks.length; n++) strengths[n] = peaks[n]!.strength;
  strengths.sort();
  const least = strengths[strengths.length - MOST_LANDMARKS] ?? 0;
  return peaks
    .filter(({ strength }) => strength >= least)
    .sort((a, b) => b.strength - a.strength)
    .slice(0, MOST_LANDMARKS);
}

function levelOf(table: SumTable, size: number): Level {
  const side = Math.max(2, Math.round(size));
  const around = Math.max(side + 2, Math.round(size * SURROUND));
  const step = Math.max(1, Math.round(side * STEP));
  const columns = Math.floor(table.width / step);
  const rows = Math.floor(table.height / step);
  const grid = { step, side, around, columns, rows };
  return { size: side, step, columns, rows, ...standOut(table, grid, CONTRAST) };
}

interface Peak {
  readonly x: number;
  readonly y: number;
  readonly size: number;
  readonly strength: number;
}

/** Adds the peaks of a level that none of its neighbours surpasses there, and whose window lies within the picture. */
function addPeaks(
  peaks: Peak[],
  [level, smaller, larger]: readonly [Level, Level | undefined, Level | undefined],
  { width, height }: { readonly width: number; readonly height: number },
): void {
  const { columns, values, step } = level;
  for (let n = 0; n < level.peaks.length; n++) {
    const at = level.peaks[n]!;
    const row = Math.floor(at / columns);
    const column = at - row * columns;
    const value = values[at]!;
    const own = Math.abs(value);
    const sign = value < 0 ? -1 : 1;
    const across = offset(values[at - 1]! * sign, own, values[at + 1]! * sign);
    const down = offset(values[at - columns]! * sign, own, values[at + columns]! * sign);
    const x = (column + across) * step + (step >> 1) + 0.5;
    const y = (row + down) * step + (step >> 1) + 0.5;
    const below = smaller ? valueAt(smaller, x, y) * sign : 0;
    const above = larger ? valueAt(larger, x, y) * sign : 0;
    if (below > own || above > own) continue;
    const size = level.size * GROWTH ** offset(below, own, above);
    const within = Math.min(x, y, width - x, height - y);
    if (within >= (WINDOW / 2 - OUTSIDE * WINDOW) * size) peaks.push({ x, y, size, strength: own });
  }
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
