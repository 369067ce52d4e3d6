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

/** The same as exactly as can be: to a fraction of a sample. */
export function exactFrame(own: GreyPlane, other: GreyPlane, { frame, agreement }: Refined): Refined {
  if (agreement < HOPELESS) return { frame, agreement };
  const nearly = searched(comparison(own, other, MIDDLE), frame, [FINE_FROM, FINEST_FROM], true);
  return searched(comparison(own, other, FINE), nearly.frame, [FINEST_FROM, LAST_STEP], true);
}

/** Pattern search (Hooke and Jeeves 1961). */
function searched(
  agreementAt: (frame: Frame) => number,
  from: Frame,
  [first, last]: readonly [number, number],
  mayStretch: boolean,
): Refined {
  let best: Refined = { frame: from, agreement: agreementAt(from) };
  for (let step = first; step >= last;) {
    let better: Refined | null = null;
    for (const frame of neighbours(best.frame, step, mayStretch)) {
      const agreement = agreementAt(frame);
      if (agreement > (better ?? best).agreement + 1e-5) better = { frame, agreement };
    }
    if (better) best = better;
    else step /= 2;
  }
  return best;
}

function neighbours(frame: Frame, step: number, mayStretch: boolean): Frame[] {
  const { left, top, width, height } = frame;
  // The middle stays where it is, so that size and place can be sought each for itself.
  const sized = (across: number, down: number): Frame => ({
    left: left + (width * (1 - across)) / 2,
    top: top + (height * (1 - down)) / 2,
    width: width * across,
    height: height * down,
  });
  const more = 1 + 1.5 * step;
  const all = [
    { ...frame, left: left - step * width },
    { ...frame, left: left + step * width },
    { ...frame, top: top - step * height },
    { ...frame, top: top + step * height },
    sized(more, more),
    sized(1 / more, 1 / more),
  ];
  if (mayStretch) all.push(sized(1, more), sized(1, 1 / more));
  return all;
}

/** Gives a function that tells how well two pictures agree with a frame, compared at points of the other's grid. */
function comparison(own: GreyPlane, other: GreyPlane, points: number): (frame: Frame) => number {
  const theirs = shrunk(other, points);
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
    let sa = 0;
    let sb = 0;
    let aa = 0;
    let bb = 0;
    let ab = 0;
    const { data, width } = mine;
    for (let y = firstY; y <= lastY; y++) {
      const my = ay * y + by;
      const y0 = Math.floor(my);
      const fy = my - y0;
      const row = y0 * width;
      for (let x = firstX; x <= lastX; x++) {
        const mx = ax * x + bx;
        const x0 = Math.floor(mx);
        const fx = mx - x0;
        const at = row + x0;
        const upper = data[at]! + fx * (data[at + 1]! - data[at]!);
        const lower = data[at + width]! + fx * (data[at + width + 1]! - data[at + width]!);
        const p = upper + fy * (lower - upper);
        const q = theirs.data[y * theirs.width + x]!;
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
