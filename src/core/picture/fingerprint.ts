/** What is kept of a picture's looks: enough to find it again scaled, cropped, bordered, marked or in another format. */
import type { Tint } from './colour';
import { dctHash, HASH_SIDE, type DctHash } from './dct-hash';
import { findLandmarks, type Landmark } from './find-landmarks';
import { resample, WHOLE, type GreyPlane, type Rect } from './grey-plane';

/** Long side of the plane that is kept, in pixels; a smaller picture keeps its own size. */
export const PLANE_PX = 256;

export interface Fingerprint {
  /** The whole picture, upright, over white where it is transparent. */
  readonly plane: GreyPlane;
  readonly tint: Tint;
  readonly hash: DctHash;
  /** The hash of the largest square in the middle: the commonest cutting of all. */
  readonly squareHash: DctHash;
  readonly landmarks: readonly Landmark[];
}

/** @param planes as `planesOf` gives them */
export function fingerprintOf({ plane, tint }: Pick<Fingerprint, 'plane' | 'tint'>): Fingerprint {
  const hash = dctHash(resample(plane, WHOLE, [HASH_SIDE, HASH_SIDE]));
  const squareHash = dctHash(resample(plane, middleSquare(plane), [HASH_SIDE, HASH_SIDE]));
  return { plane, tint, hash, squareHash, landmarks: findLandmarks(plane) };
}

function middleSquare({ width, height }: GreyPlane): Rect {
  const side = Math.min(width, height);
  return {
    left: (1 - side / width) / 2,
    top: (1 - side / height) / 2,
    width: side / width,
    height: side / height,
  };
}
