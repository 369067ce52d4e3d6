import type { Frame } from './align';
import type { GreyPlane } from './grey-plane';
import { shrunk } from './shrink';

/** Steps of the search in shares of the frame: the first and the one it ends with. */
const FIRST_STEP = 0.03;
const LAST_STEP = 0.0006;
/** Points along the long side that are compared while steps are coarse, and at the end. */
const COARSE = 32;
const MIDDLE = 64;
const FINE = 128;
/** Step from which the finer points are compared, and proportions may give a little. */
const FINE_FROM = FIRST_STEP / 4;
/** Step from which the finest points are compared. */
const FINEST_FROM = FINE_FROM / 3;
/** Agreement of the coarse search below which no finer one is tried. */
const HOPELESS = 0.6;
const NEARLY_HOPELESS = 0.66;
/** Share of the smaller picture that both must show: a sliver agrees with anything. */
const LEAST_SHARED = 0.3;

export interface Refined {
  readonly frame: Frame;
  /** Correlation of brightness over what both show, −1 to 1. */
  readonly agreement: number;
}

/** Shifts and scales a picture over another, coarsely, until both agree best. */
export function roughFrame(own: GreyPlane, other: GreyPlane, from: Frame): Refined {
  return searched(comparison(own, other, COARSE), from, [FIRST_STEP, FINE_FROM], false);
}

/**
 * The same as exactly as can be: to a fraction of a sample.
 *
 * @param isLikely asked of the nearly exact frame: the last steps cost most
 * @returns `null` where nothing will come of it
 */
export function exactFrame(
  own: GreyPlane,
  other: GreyPlane,
  { frame, agreement }: Refined,
  isLikely: (frame: Frame) => boolean = () => true,
): Refined | null {
  if (agreement < HOPELESS) return null;
  const nearly = searched(comparison(own, other, MIDDLE), frame, [FINE_FROM, FINEST_FROM], true);
  if (nearly.agreement < NEARLY_HOPELESS || !isLikely(nearly.frame)) return null;
  return searched(comparison(own, other, FINE), nearly.frame, [FINEST_FROM, LAST_STEP], true);
}

/** Pattern search (Hooke and Jeeves 1961). */
function searched(
  agreementAt: (frame: Frame) => number,
  from: Frame,
  [first, last]: readonly [number, number],
  mayStretch: boolean,
): Refined {
  const directions = mayStretch ? 8 : 6;
  let best: Refined = { frame: from, agreement: agreementAt(from) };
  for (let step = first; step >= last;) {
    // Each direction is taken as soon as it is better: going round them all for the best one costs more than it saves.
    let isBetter = false;
    for (let n = 0; n < directions; n++) {
      const frame = neighbour(best.frame, step, n);
      const agreement = agreementAt(frame);
      if (agreement <= best.agreement + 1e-5) continue;
      best = { frame, agreement };
      isBetter = true;
    }
    if (!isBetter) step /= 2;
  }
  return best;
}

/** A frame beside another: shifted to the left, right, up or down, larger, smaller, stretched down or flattened. */
function neighbour(frame: Frame, step: number, direction: number): Frame {
  const { left, top, width, height } = frame;
  const more = 1 + 1.5 * step;
  switch (direction) {
    case 0:
      return { left: left - step * width, top, width, height };
    case 1:
      return { left: left + step * width, top, width, height };
    case 2:
      return { left, top: top - step * height, width, height };
    case 3:
      return { left, top: top + step * height, width, height };
    case 4:
      return sized(frame, more, more);
    case 5:
      return sized(frame, 1 / more, 1 / more);
    case 6:
      return sized(frame, 1, more);
    default:
      return sized(frame, 1, 1 / more);
  }
}

/** The middle stays where it is, so that size and place can be sought each for itself. */
function sized({ left, top, width, height }: Frame, across: number, down: number): Frame {
  return {
    left: left + (width * (1 - across)) / 2,
    top: top + (height * (1 - down)) / 2,
    width: width * across,
    height: height * down,
  };
}

/** Gives a function that tells how well two pictures agree with a frame, compared at points of the other's grid. */
function comparison(own: GreyPlane, other: GreyPlane, points: number): (frame: Frame) => number {
  const theirs = shrunk(other, points);
  const columns = new Int32Array(theirs.width);
  const shares = new Float64Array(theirs.width);
  const ownLong = Math.max(own.width, own.height);
  const otherLong = Math.max(other.width, other.height);
  // A picture that fills only a part of the other is looked at in coarser grain, so that both are equally sharp.
  const sharp = ({ width }: Frame): GreyPlane => {
    const across = (width * other.width) / otherLong / (own.width / ownLong);
    return shrunk(own, Math.max(8, Math.round(points * 2 ** (Math.round(Math.log2(across) * 3) / 3))));
  };
  return (frame) => {
    if (frame.width < 0.15 || frame.height < 0.15 || frame.width > 7 || frame.height > 7) return -1;
    const mine = sharp(frame);
    // The outermost points are left out: a border's colour has run into them.
    // Point (x, y) of the other's grid lies at (ax · x + bx, ay · y + by) in ours.
    const ax = mine.width / (theirs.width * frame.width);
    const bx = (mine.width * (0.5 / theirs.width - frame.left)) / frame.width - 0.5;
    const ay = mine.height / (theirs.height * frame.height);
    const by = (mine.height * (0.5 / theirs.height - frame.top)) / frame.height - 0.5;
    const firstX = Math.max(1, Math.ceil(-bx / ax));
    const lastX = Math.min(theirs.width - 2, Math.floor((mine.width - 1.001 - bx) / ax));
    const firstY = Math.max(1, Math.ceil(-by / ay));
    const lastY = Math.min(theirs.height - 2, Math.floor((mine.height - 1.001 - by) / ay));
    if (lastX < firstX || lastY < firstY) return -1;
    const n = (lastX - firstX + 1) * (lastY - firstY + 1);
    const all = theirs.width * theirs.height;
    if (n < LEAST_SHARED * all * Math.min(1, frame.width * frame.height)) return -1;
    // Where each column lies is the same in every row.
    for (let x = firstX; x <= lastX; x++) {
      const mx = ax * x + bx;
      const x0 = Math.floor(mx);
      columns[x] = x0;
      shares[x] = mx - x0;
    }
    let sa = 0;
    let sb = 0;
    let aa = 0;
    let bb = 0;
    let ab = 0;
    const { data, width } = mine;
    const { data: seen, width: across } = theirs;
    for (let y = firstY; y <= lastY; y++) {
      const my = ay * y + by;
      const y0 = Math.floor(my);
      const fy = my - y0;
      const row = y0 * width;
      for (let x = firstX; x <= lastX; x++) {
        const fx = shares[x]!;
        const at = row + columns[x]!;
        const upper = data[at]! + fx * (data[at + 1]! - data[at]!);
        const lower = data[at + width]! + fx * (data[at + width + 1]! - data[at + width]!);
        const p = upper + fy * (lower - upper);
        const q = seen[y * across + x]!;
        sa += p;
        sb += q;
        aa += p * p;
        bb += q * q;
        ab += p * q;
      }
    }
    const va = aa - (sa * sa) / n;
    const vb = bb - (sb * sb) / n;
    return va < 0.3 * n || vb < 0.3 * n ? 0 : (ab - (sa * sb) / n) / Math.sqrt(va * vb);
  };
}
