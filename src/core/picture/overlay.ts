/** One picture laid over the sampling grid of another, and how well both agree there. */
import type { Frame } from './align';
import { correlationOf, type Overlay } from './kernels/comparing';
import type { GreyPlane } from './grey-plane';
import { shrunk } from './shrink';

/** Share of the smaller picture that both must show: a sliver agrees with anything. */
const LEAST_SHARED = 0.3;
/** Frames smaller or larger than so many of the other's are not looked at. */
const SMALLEST = 0.15;
const LARGEST = 7;
/** Variance of brightness, of 255 squared, below which a picture has nothing to agree on. */
const FLAT = 0.3;

/**
 * Gives a function that lays a picture over another with a frame; `null` where they share too little.
 *
 * @param points samples along the other's long side
 */
export function layingOver(
  own: GreyPlane,
  other: GreyPlane,
  points: number,
): (frame: Frame) => Overlay | null {
  const theirs = shrunk(other, points);
  const ownLong = Math.max(own.width, own.height);
  const otherLong = Math.max(other.width, other.height);
  const all = theirs.width * theirs.height;
  return ({ left, top, width, height }) => {
    if (width < SMALLEST || height < SMALLEST || width > LARGEST || height > LARGEST) return null;
    // A picture that fills only a part of the other is looked at in coarser grain, so that both are equally sharp.
    const across = (width * other.width) / otherLong / (own.width / ownLong);
    const grain = Math.max(8, Math.round(points * 2 ** (Math.round(Math.log2(across) * 3) / 3)));
    const mine = shrunk(own, grain);
    const ax = mine.width / (theirs.width * width);
    const bx = (mine.width * (0.5 / theirs.width - left)) / width - 0.5;
    const ay = mine.height / (theirs.height * height);
    const by = (mine.height * (0.5 / theirs.height - top)) / height - 0.5;
    // The outermost points are left out: a border's colour has run into them.
    const firstX = Math.max(1, Math.ceil(-bx / ax));
    const lastX = Math.min(theirs.width - 2, Math.floor((mine.width - 1.001 - bx) / ax));
    const firstY = Math.max(1, Math.ceil(-by / ay));
    const lastY = Math.min(theirs.height - 2, Math.floor((mine.height - 1.001 - by) / ay));
    const n = Math.max(0, lastX - firstX + 1) * Math.max(0, lastY - firstY + 1);
    if (n === 0 || n < LEAST_SHARED * all * Math.min(1, width * height)) return null;
    return { mine, theirs, ax, bx, ay, by, firstX, lastX, firstY, lastY, n };
  };
}

/** The frame that lays a picture so. */
export function frameLaid({
  mine,
  theirs,
  ax,
  bx,
  ay,
  by,
}: Pick<Overlay, 'mine' | 'theirs' | 'ax' | 'bx' | 'ay' | 'by'>): Frame {
  const width = mine.width / (theirs.width * ax);
  const height = mine.height / (theirs.height * ay);
  return {
    left: 0.5 / theirs.width - ((bx + 0.5) * width) / mine.width,
    top: 0.5 / theirs.height - ((by + 0.5) * height) / mine.height,
    width,
    height,
  };
}

/** Correlation of brightness over what both show, −1 to 1; 0 where one of them is even, −1 where they share nothing. */
export const agreementOf = (overlay: Overlay | null): number => (overlay ? correlationOf(overlay, FLAT) : -1);

/** Correlation of two samples by their sums of squares and products about the mean; 0 where one of them is even. */
export function correlation(aa: number, bb: number, ab: number, n: number): number {
  return aa < FLAT * n || bb < FLAT * n ? 0 : ab / Math.sqrt(aa * bb);
}
