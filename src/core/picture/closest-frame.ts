import { correlation, frameLaid, layingOver } from './overlay';
import type { Frame } from './align';
import { slopeSums, type Overlay } from './kernels/comparing';
import type { GreyPlane } from './grey-plane';

/** How a frame agrees. */
export interface Refined {
  readonly frame: Frame;
  /** Correlation of brightness over what both show, −1 to 1. */
  readonly agreement: number;
}

/** Steps that are taken at most; few are needed, since each is nearly exact close by. */
const MOST_STEPS = 8;
/** A step may shift by so many samples, and stretch by such a share: what is farther is guessed at. */
const MOST_SHIFT = 1.5;
const MOST_STRETCH = 0.06;
/** Pictures keep their proportions, but for what rounding to pixels makes of them. */
const MOST_OUT_OF_SHAPE = 0.04;
/** Shift in samples, anywhere in the picture, below which another step would change nothing. */
const SETTLED = 0.02;
/** Gain of agreement that makes another step worth while. */
const WORTH = 2e-5;
/** Added to the diagonal, so that a picture that is even along one side is not shifted along it by chance (Marquardt). */
const DAMPING = 2e-3;
/** The same where there is no slope at all: mean square of it, of 255 a sample. */
const LEAST_SLOPE = 1e-6;

/**
 * Shifts, scales and stretches a picture a little over another until both agree best: the squares of what differs are
 * made least by the slopes of brightness (Gauss and Newton; of pictures: Lucas and Kanade 1981), with exposure and
 * contrast sought along with the four numbers of the frame.
 *
 * @param points samples along the other's long side
 * @param from where it lies already, but for a sample or two
 * @returns the best frame met with, which may be the one it began from; agreement −1 where that shares too little
 */
export function closestFrame(own: GreyPlane, other: GreyPlane, points: number, from: Frame): Refined {
  const over = layingOver(own, other, points);
  let best: Refined = { frame: from, agreement: -1 };
  let [frame, share] = [from, 1];
  for (let step = 0; step < MOST_STEPS; step++) {
    const laid = over(frame);
    if (!laid) break;
    const sums = summed(laid);
    if (sums.agreement > best.agreement) {
      const isWorth = sums.agreement > best.agreement + WORTH;
      best = { frame, agreement: sums.agreement };
      const next = isWorth ? stepFrom(laid, sums) : null;
      if (!next || stretch(next, from) > MOST_OUT_OF_SHAPE) break;
      [frame, share] = [next, 1];
    } else {
      // Too far: half of the way, and a quarter, are looked at before it is left.
      share /= 2;
      if (share < 0.25) break;
      frame = between(best.frame, frame);
    }
  }
  return best;
}

/** By how much the one is out of the other's shape, as logarithm of the ratio of their proportions. */
const stretch = (one: Frame, other: Frame): number =>
  Math.abs(Math.log((one.width * other.height) / (one.height * other.width)));

const between = (one: Frame, other: Frame): Frame => ({
  left: (one.left + other.left) / 2,
  top: (one.top + other.top) / 2,
  width: (one.width + other.width) / 2,
  height: (one.height + other.height) / 2,
});

/**
 * Unknowns of the equations: the contrast, then how much `ax`, `bx`, `ay` and `by` change, times the contrast. Exposure
 * is taken out with the means.
 */
const UNKNOWNS = 5;

interface Sums {
  readonly agreement: number;
  /** Products of the unknowns' slopes about their means, row by row, and of each with the other's brightness. */
  readonly normal: Float64Array;
  readonly right: Float64Array;
}

/** One pass over what both show, with the slopes of the interpolated brightness. */
function summed(overlay: Overlay): Sums {
  const sums = slopeSums(overlay);
  const { n } = overlay;
  const [sq, qq] = [sums[sums.length - 2]!, sums[sums.length - 1]!];
  const normal = new Float64Array(UNKNOWNS * UNKNOWNS);
  const right = new Float64Array(UNKNOWNS);
  let at = 2 * UNKNOWNS;
  for (let i = 0; i < UNKNOWNS; i++) {
    right[i] = sums[UNKNOWNS + i]! - (sums[i]! * sq) / n;
    for (let j = i; j < UNKNOWNS; j++) {
      const product = sums[at++]! - (sums[i]! * sums[j]!) / n;
      normal[i * UNKNOWNS + j] = product;
      normal[j * UNKNOWNS + i] = product;
    }
  }
  return { agreement: correlation(normal[0]!, qq - (sq * sq) / n, right[0]!, n), normal, right };
}

/** The next frame; `null` where no step is to be taken. */
function stepFrom(laid: Overlay, { normal, right }: Sums): Frame | null {
  for (let i = 1; i < UNKNOWNS; i++) {
    const at = i * UNKNOWNS + i;
    normal[at]! += DAMPING * normal[at]! + LEAST_SLOPE * laid.n;
  }
  const found = solved(normal, right);
  const contrast = found[0]!;
  if (!(contrast > 0)) return null;
  const change = (n: number, most: number) => Math.max(-most, Math.min(most, found[n]! / contrast));
  const { mine, theirs, firstX, lastX, firstY, lastY } = laid;
  const [halfX, halfY] = [(lastX - firstX) / 2, (lastY - firstY) / 2];
  const [ax, bx] = [change(1, MOST_STRETCH * laid.ax), change(2, MOST_SHIFT)];
  const [ay, by] = [change(3, MOST_STRETCH * laid.ay), change(4, MOST_SHIFT)];
  const farthest = Math.max(Math.abs(bx) + Math.abs(ax) * halfX, Math.abs(by) + Math.abs(ay) * halfY);
  if (farthest < SETTLED) return null;
  return frameLaid({
    mine,
    theirs,
    // Back from the middle of what is shared to the grid's own corner.
    ax: laid.ax + ax,
    bx: laid.bx + bx - ax * (firstX + halfX),
    ay: laid.ay + ay,
    by: laid.by + by - ay * (firstY + halfY),
  });
}

/** Solves the normal equations, which it overwrites (Gaussian elimination; the matrix is positive definite). */
function solved(normal: Float64Array, right: Float64Array): Float64Array {
  for (let i = 0; i < UNKNOWNS; i++) {
    for (let row = i + 1; row < UNKNOWNS; row++) {
      const factor = normal[row * UNKNOWNS + i]! / normal[i * UNKNOWNS + i]!;
      for (let k = i; k < UNKNOWNS; k++) normal[row * UNKNOWNS + k]! -= factor * normal[i * UNKNOWNS + k]!;
      right[row]! -= factor * right[i]!;
    }
  }
  const found = new Float64Array(UNKNOWNS);
  for (let i = UNKNOWNS - 1; i >= 0; i--) {
    let sum = right[i]!;
    for (let k = i + 1; k < UNKNOWNS; k++) sum -= normal[i * UNKNOWNS + k]! * found[k]!;
    found[i] = sum / normal[i * UNKNOWNS + i]!;
  }
  return found;
}
