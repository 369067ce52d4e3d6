/** What is asked of sums over rectangles: once for all, and at very many places. */
import type { GreyPlane, Rect } from '../grey-plane';
import { begin, type Held } from './kernels';

/**
 * Sums of brightness over every rectangle that begins at the top left (Crow 1984): the sum over any rectangle is four
 * look-ups away.
 */
export interface SumTable {
  /** Of the plane; the table has one column and one row more. */
  readonly width: number;
  readonly height: number;
  /** Where they lie: to take them out and lay them there again would take longer than most of what is asked of them. */
  readonly sums: Held;
}

/**
 * The sums of a plane, as whole numbers of 32 bits: one of 256 × 256 comes to 17 million at most. There is one at a time:
 * one that was made before can be asked for nothing any more, and what is asked of it throws.
 */
export function sumTable({ width, height, data }: GreyPlane): SumTable {
  const kernels = begin();
  const sums = kernels.hold((width + 1) * (height + 1) * 4);
  const from = kernels.begin().put(data instanceof Uint8Array ? data : Uint8Array.from(data));
  kernels.run.sumUp(from, width, height, sums.at);
  return { width, height, sums };
}

/** The sum over each rectangle that begins at the top left, row by row. */
export function sumsOf({ width, height, sums }: SumTable): Int32Array {
  const kernels = begin();
  return kernels.wholes(kernels.place(sums), (width + 1) * (height + 1)).slice();
}

/**
 * Mean brightness of the cells of a rectangle that is cut into as many across as down, row by row (box filter). A
 * sample that lies across an edge counts by its share.
 *
 * @param side cells across, and down
 */
export function cellMeans({ width, height, sums }: SumTable, rect: Rect, side: number): Float32Array {
  const kernels = begin();
  const from = kernels.place(sums);
  const to = kernels.room(side * side * 4);
  const room = kernels.room(kernels.run.cellRoom(side));
  const [left, top, across, down] = [
    rect.left * width,
    rect.top * height,
    rect.width * width,
    rect.height * height,
  ];
  kernels.run.cellMeans(from, width, height, left, top, across, down, side, to, room);
  return kernels.floats(to, [side, side]).slice();
}

/** Boxes of one size on a grid over a picture, and a larger one around each; in samples. */
export interface BoxGrid {
  readonly step: number;
  readonly side: number;
  readonly around: number;
  readonly columns: number;
  readonly rows: number;
}

/** By how much boxes stand out, and where most. */
export interface StandingOut {
  /** By how much each is brighter than what lies between it and the larger one, row by row; cut off at the edge. */
  readonly values: Float32Array;
  /** Numbers of those that stand out more, brighter or darker, than all eight beside them, row by row. */
  readonly peaks: Int32Array;
}

/** @param least brightness, of 255, by which a peak stands out at least */
export function standOut({ width, height, sums }: SumTable, grid: BoxGrid, least: number): StandingOut {
  const { step, side, around, columns, rows } = grid;
  const kernels = begin();
  const from = kernels.place(sums);
  const to = kernels.room(columns * rows * 4);
  const room = kernels.room(kernels.run.boxRoom(columns, rows));
  const peaks = kernels.room(columns * rows + 4);
  kernels.run.standOut(from, width, height, step, side, around, columns, rows, to, room);
  const count = kernels.run.peaks(to, columns, rows, least, peaks);
  return {
    values: kernels.floats(to, [columns, rows]).slice(),
    peaks: kernels.wholes(peaks, count).slice(),
  };
}

/** A square window of a picture, in samples. */
export interface Window {
  /** Its middle. */
  readonly x: number;
  readonly y: number;
  readonly half: number;
}

/**
 * Hashes of windows, two whole numbers each: the signs of the low frequencies of the cosine transform (DCT-II) of the
 * means of 8 × 8 cells. What lies outside of the picture is held from the edge.
 */
export function hashWindows({ width, height, sums }: SumTable, windows: readonly Window[]): Int32Array {
  const kernels = begin();
  const from = kernels.place(sums);
  const places = new Float64Array(3 * windows.length);
  windows.forEach(({ x, y, half }, n) => {
    places[3 * n] = x;
    places[3 * n + 1] = y;
    places[3 * n + 2] = half;
  });
  const at = kernels.put(places);
  const to = kernels.room(windows.length * 8);
  const room = kernels.room(kernels.run.windowRoom());
  kernels.run.hashWindows(from, width, height, at, windows.length, to, room);
  return kernels.wholes(to, 2 * windows.length).slice();
}
