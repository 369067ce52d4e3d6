import type { CropRect, FocalPoint } from '../swap/crop';
import type { PixelSize } from '../swap/slot';
import type { Importance, ShareRect } from './importance';

/** What a crop should hold. */
export interface Held {
  readonly importance: Importance;
  readonly heads: readonly ShareRect[];
  readonly focus: FocalPoint;
}

/** Places that are tried along the line on which a shape can slide. */
const STEPS = 120;
/** What being off the middle costs, in shares of all the weight for half the picture's side. */
const OFF_MIDDLE = 0.1;
/** What having the focal point away from the crop's own middle costs, for its square. */
const OFF_FOCUS = 0.2;
/** What being off the middle of what matters costs, in the same measure. */
const OFF_EXTENT = 0.3;
/** Share of the weight beyond each end of what matters. */
const ENDS = 0.13;
/** How much weight a crop that cannot hold the whole height gives up to reach higher: heads are above what carries them. */
const FOR_THE_TOP = 0.08;
/** How far back towards the middle a crop goes whose place rests on measures alone: they are wrong now and then. */
const DOUBT = 0.15;
/** Room around a head, as a share of its size. */
const HEAD_ROOM = 0.15;
/** Share of a crop that a head may fill: a larger one is cut alike above and below. */
const FILLED = 0.96;

/**
 * The largest crop of a shape that holds what matters best: whole heads first, then the weight, the focal point, and
 * the middle. The focal point is always inside.
 *
 * @param picture pixels of the picture, upright
 * @param ratio width ÷ height, > 0
 */
export function shapeCrop(picture: PixelSize, ratio: number, held: Held): CropRect {
  const { widthPx, heightPx } = picture;
  const isWide = widthPx / heightPx > ratio;
  const width = Math.max(1, isWide ? Math.min(widthPx, Math.round(heightPx * ratio)) : widthPx);
  const height = Math.max(1, isWide ? heightPx : Math.min(heightPx, Math.round(widthPx / ratio)));
  const whole = isWide ? widthPx : heightPx;
  const window = isWide ? width : height;
  const offset = Math.round(bestOffset(window / whole, isWide, held) * whole);
  const point = (isWide ? held.focus.x : held.focus.y) * whole;
  // The point's own pixel is inside, whatever rounding did.
  const first = Math.max(0, Math.min(whole - window, Math.ceil(point - window)));
  const last = Math.min(whole - window, Math.floor(point));
  const at = Math.min(last, Math.max(first, offset));
  return { left: isWide ? at : 0, top: isWide ? 0 : at, widthPx: width, heightPx: height };
}

/** Where the crop begins on its line, as a share of the whole side. */
function bestOffset(window: number, isWide: boolean, held: Held): number {
  if (window >= 1) return 0;
  const sums = runningSums(held.importance, isWide);
  const total = sums.at(-1)!;
  const point = isWide ? held.focus.x : held.focus.y;
  const heads = held.heads.map((head) => along(head, isWide, window));
  const [from, until] = [shareBelow(sums, ENDS), shareBelow(sums, 1 - ENDS)];
  const tried = Array.from({ length: STEPS + 1 }, (_, n) => {
    const start = ((1 - window) * n) / STEPS;
    const end = start + window;
    const weight = total > 0 ? (sumUpTo(sums, end) - sumUpTo(sums, start)) / total : 0;
    const middle = start + window / 2;
    const offFocus = Math.abs((point - start) / window - 0.5);
    const isInside = point >= start && point <= end;
    const off = OFF_MIDDLE * Math.abs(middle - 0.5) + OFF_EXTENT * Math.abs(middle - (from + until) / 2);
    const score = weight - off - OFF_FOCUS * offFocus ** 2 - (isInside ? 0 : 1);
    return { start, weight, heads: headsHeld(heads, start, end), score };
  });
  const most = Math.max(...tried.map(({ heads: kept }) => kept));
  const fit = tried.filter(({ heads: kept }) => kept >= most - 1e-9);
  const best = fit.reduce((a, b) => (b.score > a.score ? b : a));
  const doubted = (start: number) => start + DOUBT * ((1 - window) / 2 - start);
  if (heads.length > 0) return best.start;
  if (isWide) return doubted(best.start);
  const higher = fit.find(({ weight, score }) => weight >= best.weight * (1 - FOR_THE_TOP) && score > -0.5);
  return doubted(Math.min(best.start, higher?.start ?? 1));
}

interface Span {
  readonly start: number;
  readonly end: number;
  readonly size: number;
}

/** A head with its room, on the line along which the crop slides; no longer than what a crop of this length can hold. */
function along(head: ShareRect, isWide: boolean, window: number): Span {
  const [start, length] = isWide ? [head.x, head.width] : [head.y, head.height];
  const size = head.width * head.height;
  const [from, until] = [start - length * HEAD_ROOM, start + length * (1 + HEAD_ROOM)];
  const most = window * FILLED;
  if (until - from <= most) return { start: Math.max(0, from), end: Math.min(1, until), size };
  const middle = start + length / 2;
  return { start: Math.max(0, middle - most / 2), end: Math.min(1, middle + most / 2), size };
}

/** Heads that are whole count by their size, those that are cut against it by half. */
function headsHeld(heads: readonly Span[], start: number, end: number): number {
  const all = heads.reduce((sum, { size }) => sum + size, 0);
  return heads.reduce((sum, head) => {
    if (head.start >= start && head.end <= end) return sum + head.size / all;
    return head.end > start && head.start < end ? sum - head.size / all / 2 : sum;
  }, 0);
}

/** Weight of all columns (or rows) before each, and of all of them at last. */
function runningSums({ width, height, extent }: Importance, isWide: boolean): readonly number[] {
  const lines = new Float64Array(isWide ? width : height);
  extent.forEach((value, at) => {
    lines[isWide ? at % width : Math.floor(at / width)]! += value;
  });
  const sums = [0];
  for (const line of lines) sums.push(sums.at(-1)! + line);
  return sums;
}

/** The sum up to a share of the side, a line that is cut counting by its share. */
function sumUpTo(sums: readonly number[], share: number): number {
  const at = Math.min(1, Math.max(0, share)) * (sums.length - 1);
  const whole = Math.min(sums.length - 2, Math.floor(at));
  return sums[whole]! + (at - whole) * (sums[whole + 1]! - sums[whole]!);
}

/** How far along the side a share of all the weight lies, 0 to 1. */
function shareBelow(sums: readonly number[], share: number): number {
  const wanted = share * sums.at(-1)!;
  const line = Math.max(0, sums.findIndex((sum, n) => n > 0 && sum >= wanted) - 1);
  const own = sums[line + 1]! - sums[line]!;
  return (line + (own > 0 ? (wanted - sums[line]!) / own : 0)) / (sums.length - 1);
}
