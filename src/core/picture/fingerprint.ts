/** What is kept of a picture's looks: enough to find it again scaled, cropped, bordered, marked or in another format. */
import type { Tint } from './colour';
import { dctHash, HASH_SIDE, type DctHash } from './dct-hash';
import { findLandmarks, type Landmark } from './find-landmarks';
import { WHOLE, type GreyPlane, type Rect } from './grey-plane';
import { cellMeans, sumTable } from './kernels/summing';

/** Long side of the plane that is kept, in pixels; a smaller picture keeps its own size. */
export const PLANE_PX = 256;

export interface Fingerprint {
  /** The whole picture, upright, over white where it is transparent. */
  readonly plane: GreyPlane;
  readonly tint: Tint;
  readonly hash: DctHash;
  /** The hash of the largest square in the middle: the commonest cutting of all. */
  readonly squareHash: DctHash;
  /** Hashes of the middle at the shares of `MIDDLES`: a picture that was trimmed, or got a border, has one of them. */
  readonly middleHashes: readonly DctHash[];
  readonly landmarks: readonly Landmark[];
}

/** Shares of width and height. Steps are small enough that what lies between two is near one of them. */
export const MIDDLES = [0.94, 0.88, 0.8, 0.7] as const;

/** @param planes as `planesOf` gives them */
export function fingerprintOf({ plane, tint }: Pick<Fingerprint, 'plane' | 'tint'>): Fingerprint {
  const table = sumTable(plane);
  const hashOf = (rect: Rect) => dctHash(cellMeans(table, rect, HASH_SIDE));
  return {
    ...{ plane, tint, hash: hashOf(WHOLE), squareHash: hashOf(middleSquare(plane)) },
    middleHashes: MIDDLES.map((share) => hashOf(middle(share))),
    landmarks: findLandmarks(table),
  };
}

const middle = (share: number): Rect => ({
  ...{ left: (1 - share) / 2, top: (1 - share) / 2 },
  ...{ width: share, height: share },
});

function middleSquare({ width, height }: GreyPlane): Rect {
  const side = Math.min(width, height);
  return {
    left: (1 - side / width) / 2,
    top: (1 - side / height) / 2,
    width: side / width,
    height: side / height,
  };
}
