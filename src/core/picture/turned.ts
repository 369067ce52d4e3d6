/**
 * Finds pictures that stand on their side, or on their head, beside another file that shows them upright: copies that a
 * program made without minding the turn that a camera had noted in the file.
 */
import { isSameShape } from './compare';
import type { DctHash } from './dct-hash';
import type { Fingerprint } from './fingerprint';
import { WHOLE, type GreyPlane } from './grey-plane';
import { judged, mayAgree, type Looks } from './judge';

/** Quarters of a full turn, clockwise. */
export type Quarters = 1 | 2 | 3;
export const TURNS: readonly Quarters[] = [1, 2, 3];

/** Frequencies kept a side of a hash. */
const SIDE = 8;
/** Bits of frequencies that are odd across, odd down, and odd in one of both. */
const ODD_ACROSS = 0xaaaaaaaa | 0;
const ODD_DOWN = 0xff00ff00 | 0;
const ODD_IN_ONE = ODD_ACROSS ^ ODD_DOWN;

/** Across becomes down: bit `v * 8 + u` becomes bit `u * 8 + v`. */
function transposed({ low, high }: DctHash): DctHash {
  const into = [0, 0];
  for (let v = 0; v < SIDE; v++) {
    for (let u = 0; u < SIDE; u++) {
      const from = v * SIDE + u;
      const bit = ((from < 32 ? low : high) >>> (from & 31)) & 1;
      const to = u * SIDE + v;
      into[to >> 5]! |= bit << (to & 31);
    }
  }
  return { low: into[0]!, high: into[1]! };
}

/**
 * The hash of a picture after it was turned, without looking at it again: to turn is to swap the axes and to mirror, and
 * to mirror an axis changes the sign of its odd frequencies. Frequencies that are zero have no sign to change.
 */
export function turnedHash(hash: DctHash, quarters: Quarters): DctHash {
  const { low, high } = quarters === 2 ? hash : transposed(hash);
  const odd = { 1: ODD_ACROSS, 2: ODD_IN_ONE, 3: ODD_DOWN }[quarters];
  // The mean has no sign.
  return { low: low ^ (odd & ~1), high: high ^ odd };
}

/** A plane turned clockwise. */
export function turnedPlane({ width, height, data }: GreyPlane, quarters: Quarters): GreyPlane {
  const isSideways = quarters !== 2;
  const to = { width: isSideways ? height : width, height: isSideways ? width : height };
  const turned = new Float32Array(width * height);
  for (let y = 0; y < to.height; y++) {
    for (let x = 0; x < to.width; x++) {
      const [column, row] = {
        1: [y, height - 1 - x],
        2: [width - 1 - x, height - 1 - y],
        3: [width - 1 - y, x],
      }[quarters];
      turned[y * to.width + x] = data[row! * width + column!]!;
    }
  }
  return { ...to, data: turned };
}

/** Arrows and signs are meant to stand in several directions: a photograph has more to see. */
const LEAST_SIDE_PX = 60;
const LEAST_LANDMARKS = 24;

/** Whether a picture is one of which it can be told that it stands on its side. */
export const mayLie = ({ plane, landmarks }: Fingerprint): boolean =>
  Math.min(plane.width, plane.height) >= LEAST_SIDE_PX && landmarks.length >= LEAST_LANDMARKS;

/** Whether a picture, turned clockwise, shows the same as another, and not the same as before. */
export function isTurned(own: Looks, other: Looks, quarters: Quarters): boolean {
  const turned = turnedLooks(own, quarters);
  return isSame(turned, other) && !isSame(turned, own);
}

function turnedLooks({ plane, tint: { blue, red } }: Looks, quarters: Quarters): Looks {
  const tint = { blue: turnedPlane(blue, quarters), red: turnedPlane(red, quarters) };
  return { plane: turnedPlane(plane, quarters), tint };
}

/** Grain of a copy may look like something laid over it. */
const isSame = (own: Looks, other: Looks): boolean =>
  isSameShape(own.plane, other.plane) &&
  mayAgree(own.plane, other.plane, WHOLE) &&
  judged(own, other, WHOLE, { isMirrored: false }) !== null;
