/** How one picture lies in another, by the landmarks they share. */
import type { GreyPlane, Rect } from './grey-plane';

/**
 * Where the whole frame of a picture lies in another, in shares of the other's width and height: `WHOLE` for the same
 * frame at any number of pixels, within it for a cutting, beyond it for one with a border.
 */
export type Frame = Rect;

/** A landmark's place, without its looks; in shares of its picture's long side. */
interface Place {
  readonly x: number;
  readonly y: number;
  readonly size: number;
}

/** Two landmarks that may be the same: one of the picture that is looked for, and one of another. */
export interface Match {
  readonly from: Place;
  readonly to: Place;
}

/** In long sides: a point `p` of the one lies at `scale · p + (dx, dy)` of the other. */
export interface Alignment {
  readonly scale: number;
  readonly dx: number;
  readonly dy: number;
}

export interface Vote extends Alignment {
  /** Landmarks that agree on it, each counted once. */
  readonly votes: number;
}

/** How far apart two alignments may be that count as one: ratio of scales (as its logarithm), and shift. */
const NEAR_SCALE = 0.22;
const NEAR_SHIFT = 0.05;

/**
 * The alignments that most pairs of landmarks agree on (a Hough vote without cells), the best first. Pictures on pages
 * are not turned against each other, and mostly keep their proportions.
 *
 * @param most how many different alignments are wanted
 */
export function votedAlignments(matches: readonly Match[], most: number): Vote[] {
  const open = OPEN.fill(matches);
  const found: Vote[] = [];
  while (found.length < most && open.count > 0) {
    const best = open.takeMostAgreeing();
    const owns = new Set(best.map(({ from }) => from)).size;
    const others = new Set(best.map(({ to }) => to.x * 4096 + to.y)).size;
    found.push({ ...fitted(best), votes: Math.min(owns, others) });
  }
  return found;
}

/** Parts of a logarithm by which scales are told apart where pairs are put in order, and room for their numbers beside it. */
const LOG_STEPS = 2 ** 20;
const NUMBERS = 2 ** 20;

/** The pairs that no alignment has been found by yet, in the order of their scales; in columns, since each meets many others. */
class OpenPairs {
  count = 0;
  private matches: Match[] = [];
  private logs = new Float64Array(0);
  private fromX = new Float64Array(0);
  private fromY = new Float64Array(0);
  private toX = new Float64Array(0);
  private toY = new Float64Array(0);
  /** As many as agree with each, or more. */
  private bounds = new Int32Array(0);
  private keys = new Float64Array(0);

  /** Forgets those that were there. */
  fill(matches: readonly Match[]): this {
    const count = (this.count = matches.length);
    if (count > this.logs.length) this.widen(count);
    const { keys, logs, fromX, fromY, toX, toY } = this;
    for (let n = 0; n < count; n++) {
      const { from, to } = matches[n]!;
      keys[n] = Math.round(Math.log(to.size / from.size) * LOG_STEPS) * NUMBERS + n;
    }
    keys.subarray(0, count).sort();
    this.matches.length = 0;
    for (let n = 0; n < count; n++) {
      const key = keys[n]!;
      const step = Math.floor(key / NUMBERS);
      const match = matches[key - step * NUMBERS]!;
      const { from, to } = match;
      this.matches.push(match);
      logs[n] = step / LOG_STEPS;
      fromX[n] = from.x;
      fromY[n] = from.y;
      toX[n] = to.x;
      toY[n] = to.y;
    }
    this.bounds.fill(count, 0, count);
    return this;
  }

  private widen(count: number): void {
    const room = 2 * count;
    this.logs = new Float64Array(room);
    this.fromX = new Float64Array(room);
    this.fromY = new Float64Array(room);
    this.toX = new Float64Array(room);
    this.toY = new Float64Array(room);
    this.bounds = new Int32Array(room);
    this.keys = new Float64Array(room);
  }

  /** Takes out the largest number of pairs that agree with one of them. */
  takeMostAgreeing(): Match[] {
    const { count, logs } = this;
    let [most, best] = [0, 0];
    // They lie by scale: those of nearly one scale are a stretch of the list.
    let [first, end] = [0, 0];
    for (let centre = 0; centre < count; centre++) {
      const log = logs[centre]!;
      while (log - logs[first]! >= NEAR_SCALE) first++;
      while (end < count && logs[end]! - log < NEAR_SCALE) end++;
      if (end - first <= most || this.bounds[centre]! <= most) continue;
      const agree = this.agreeing(centre, first, end);
      this.bounds[centre] = agree;
      if (agree > most) [most, best] = [agree, centre];
    }
    return this.take(best);
  }

  /** How many of a stretch agree with a pair. */
  private agreeing(centre: number, first: number, end: number): number {
    const { fromX, fromY, toX, toY } = this;
    const { scale, dx, dy } = this.alignmentOf(centre);
    let count = 0;
    for (let n = first; n < end; n++)
      if (
        Math.abs(scale * fromX[n]! + dx - toX[n]!) < NEAR_SHIFT &&
        Math.abs(scale * fromY[n]! + dy - toY[n]!) < NEAR_SHIFT
      )
        count++;
    return count;
  }

  private alignmentOf(n: number): Alignment {
    const { from, to } = this.matches[n]!;
    const scale = to.size / from.size;
    return { scale, dx: to.x - scale * from.x, dy: to.y - scale * from.y };
  }

  private take(centre: number): Match[] {
    const { logs, fromX, fromY, toX, toY, bounds, matches } = this;
    const log = logs[centre]!;
    const { scale, dx, dy } = this.alignmentOf(centre);
    const taken: Match[] = [];
    let left = 0;
    for (let n = 0; n < this.count; n++) {
      if (
        Math.abs(logs[n]! - log) < NEAR_SCALE &&
        Math.abs(scale * fromX[n]! + dx - toX[n]!) < NEAR_SHIFT &&
        Math.abs(scale * fromY[n]! + dy - toY[n]!) < NEAR_SHIFT
      ) {
        taken.push(matches[n]!);
        continue;
      }
      logs[left] = logs[n]!;
      fromX[left] = fromX[n]!;
      fromY[left] = fromY[n]!;
      toX[left] = toX[n]!;
      toY[left] = toY[n]!;
      bounds[left] = bounds[n]!;
      matches[left++] = matches[n]!;
    }
    this.count = left;
    return taken;
  }
}

/** One after the other are put to the vote, tens of thousands of times. */
const OPEN = new OpenPairs();

/** The frame that an alignment gives a picture in another. */
export function frameOf({ scale, dx, dy }: Alignment, own: GreyPlane, other: GreyPlane): Frame {
  const ownLong = Math.max(own.width, own.height);
  const otherLong = Math.max(other.width, other.height);
  const across = otherLong / other.width;
  const down = otherLong / other.height;
  return {
    left: dx * across,
    top: dy * down,
    width: ((scale * own.width) / ownLong) * across,
    height: ((scale * own.height) / ownLong) * down,
  };
}

/** Scale and shift of least squares through pairs of places; of one pair, by the sizes of its landmarks. */
function fitted(matches: readonly Match[]): Alignment {
  const n = matches.length;
  const mean = (value: (match: Match) => number) => matches.reduce((sum, match) => sum + value(match), 0) / n;
  const fx = mean(({ from }) => from.x);
  const fy = mean(({ from }) => from.y);
  const tx = mean(({ to }) => to.x);
  const ty = mean(({ to }) => to.y);
  let spread = 0;
  let shared = 0;
  for (const { from, to } of matches) {
    spread += (from.x - fx) ** 2 + (from.y - fy) ** 2;
    shared += (from.x - fx) * (to.x - tx) + (from.y - fy) * (to.y - ty);
  }
  const bySize = Math.exp(mean(({ from, to }) => Math.log(to.size / from.size)));
  // Places close together say little of the scale.
  const scale = spread / n > 0.01 && shared > 0 ? shared / spread : bySize;
  return { scale, dx: tx - scale * fx, dy: ty - scale * fy };
}
