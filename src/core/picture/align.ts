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

interface Placed extends Match, Alignment {
  readonly log: number;
}

/**
 * The alignments that most pairs of landmarks agree on (a Hough vote without cells), the best first. Pictures on pages
 * are not turned against each other, and mostly keep their proportions.
 *
 * @param most how many different alignments are wanted
 */
export function votedAlignments(matches: readonly Match[], most: number): Vote[] {
  let open = matches
    .map(({ from, to }): Placed => {
      const scale = to.size / from.size;
      return { from, to, scale, log: Math.log(scale), dx: to.x - scale * from.x, dy: to.y - scale * from.y };
    })
    .sort((a, b) => a.log - b.log);
  const found: Vote[] = [];
  while (found.length < most && open.length > 0) {
    const best = new Set(mostAgreeing(open));
    open = open.filter((match) => !best.has(match));
    const owns = new Set([...best].map(({ from }) => from)).size;
    const others = new Set([...best].map(({ to }) => to.x * 4096 + to.y)).size;
    found.push({ ...fitted([...best]), votes: Math.min(owns, others) });
  }
  return found;
}

/** The largest number of pairs that agree with one of them. */
function mostAgreeing(open: readonly Placed[]): Placed[] {
  let [most, best] = [0, open[0]!];
  // They lie by scale: those of nearly one scale are a stretch of the list.
  let [first, end] = [0, 0];
  for (const centre of open) {
    while (centre.log - open[first]!.log >= NEAR_SCALE) first++;
    while (end < open.length && open[end]!.log - centre.log < NEAR_SCALE) end++;
    if (end - first <= most) continue;
    let count = 0;
    for (let n = first; n < end; n++) if (isBeside(open[n]!, centre)) count++;
    if (count > most) [most, best] = [count, centre];
  }
  return open.filter((match) => Math.abs(match.log - best.log) < NEAR_SCALE && isBeside(match, best));
}

const isBeside = ({ from, to }: Placed, centre: Placed): boolean =>
  Math.abs(centre.scale * from.x + centre.dx - to.x) < NEAR_SHIFT &&
  Math.abs(centre.scale * from.y + centre.dy - to.y) < NEAR_SHIFT;

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
function fitted(matches: readonly Placed[]): Alignment {
  const n = matches.length;
  const mean = (value: (match: Placed) => number) =>
    matches.reduce((sum, match) => sum + value(match), 0) / n;
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
  const bySize = Math.exp(mean(({ log }) => log));
  // Places close together say little of the scale.
  const scale = spread / n > 0.01 && shared > 0 ? shared / spread : bySize;
  return { scale, dx: tx - scale * fx, dy: ty - scale * fy };
}
