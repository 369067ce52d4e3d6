/** Where a picture lies in another, first about, then exactly. */
import type { Frame } from './align';
import { closestFrame, type Refined } from './closest-frame';
import type { GreyPlane } from './grey-plane';
import { agreementOf, layingOver } from './overlay';

/** Steps of the coarse search in shares of the frame: the first and the one it ends with. */
const FIRST_STEP = 0.03;
const LAST_STEP = FIRST_STEP / 4;
/** Samples along the long side that are compared in the coarse search, then, and at the end. */
const COARSE = 32;
const MIDDLE = 64;
const FINE = 128;
/** Agreement of the coarse search below which no finer one is tried. */
const HOPELESS = 0.6;
const NEARLY_HOPELESS = 0.66;

/**
 * Shifts and scales a picture over another, coarsely, until both agree best. Slopes say nothing of what is still far
 * off: the places round about are tried (pattern search, Hooke and Jeeves 1961).
 *
 * @param least agreement of the frame that it begins with, −1 to 1, from which it is sought
 */
export function roughFrame(own: GreyPlane, other: GreyPlane, from: Frame, least = -1): Refined {
  const over = layingOver(own, other, COARSE);
  let best: Refined = { frame: from, agreement: agreementOf(over(from)) };
  if (best.agreement < least) return best;
  for (let step = FIRST_STEP; step >= LAST_STEP;) {
    // Each direction is taken as soon as it is better: going round them all for the best one costs more than it saves.
    let isBetter = false;
    for (const neighbour of neighbours) {
      const frame = neighbour(best.frame, step);
      const agreement = agreementOf(over(frame));
      if (agreement <= best.agreement + 1e-5) continue;
      best = { frame, agreement };
      isBetter = true;
    }
    if (!isBetter) step /= 2;
  }
  return best;
}

/**
 * The same as exactly as can be, to a fraction of a sample.
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
  const about = closestFrame(own, other, COARSE, frame);
  const nearly = closestFrame(own, other, MIDDLE, about.frame);
  if (nearly.agreement < NEARLY_HOPELESS || !isLikely(nearly.frame)) return null;
  return closestFrame(own, other, FINE, nearly.frame);
}

/** Frames beside another: to the left, right, up or down, larger, smaller. */
const neighbours: readonly ((frame: Frame, step: number) => Frame)[] = [
  (frame, step) => ({ ...frame, left: frame.left - step * frame.width }),
  (frame, step) => ({ ...frame, left: frame.left + step * frame.width }),
  (frame, step) => ({ ...frame, top: frame.top - step * frame.height }),
  (frame, step) => ({ ...frame, top: frame.top + step * frame.height }),
  (frame, step) => scaled(frame, 1 + 1.5 * step),
  (frame, step) => scaled(frame, 1 / (1 + 1.5 * step)),
];

/** The middle stays where it is, so that size and place can be sought each for itself. */
function scaled({ left, top, width, height }: Frame, by: number): Frame {
  return {
    left: left + (width * (1 - by)) / 2,
    top: top + (height * (1 - by)) / 2,
    width: width * by,
    height: height * by,
  };
}
