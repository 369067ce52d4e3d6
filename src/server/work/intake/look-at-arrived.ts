/** What the pixels of an arriving picture tell by themselves; taken of one decoding, when its bytes come or are made anew. */
import type { Sharp } from 'sharp';
import { shapePoints } from '@/core/focus/shape-points';
import { fingerprintOf, type Fingerprint } from '@/core/picture/fingerprint';
import { softnessOf } from '@/core/picture/softness';
import type { PixelSize } from '@/core/swap/slot';
import { focusOfPicture, type HeadFinder } from '../../imaging/look-for-focus';
import { planesOfPicture } from '../../imaging/read-pixels';
import { packLandmarks, packPlanes } from '../../imaging/stored-print';
import { hasDerived, storeDerived } from '../../store/store';

/**
 * Long side at which arriving pictures are looked at, in pixels: about as large as pages show a picture, and a quarter of
 * what cameras make, to which a JPEG is decoded without anything being made smaller afterwards.
 */
export const JUDGED_PX = 1000;

export interface ArrivedPicture extends PixelSize {
  readonly sha256: string;
  readonly format: string;
  /** Its pixels at `JUDGED_PX`, as `decodedOnce` gives them. */
  readonly picture: () => Sharp;
}

/** Its looks are kept with its bytes, for whoever compares it. @param heads `null` where none are looked for */
export async function lookAtArrived(
  { sha256, format, picture, ...size }: ArrivedPicture,
  heads: HeadFinder | null,
) {
  const print = fingerprintOf(await planesOfPicture(picture()));
  await keepPrint(sha256, print);
  // One after the other: what is measured here runs on one thread, and another picture is decoded meanwhile.
  const softness = format === 'svg' ? 0 : await measuredSoftness(picture());
  return { print, softness, ...(await pointsOf(picture(), size, heads)) };
}

/** Its focal point and its best crops, as a line of the intake keeps them. */
export async function pointsOf(picture: Sharp, size: PixelSize, heads: HeadFinder | null) {
  const held = await focusOfPicture(picture, size, heads);
  const { x: focalX, y: focalY, because: focalBecause } = held.focus;
  return { focalX, focalY, focalBecause, shapes: shapePoints(size, held) };
}

async function keepPrint(sha256: string, print: Fingerprint): Promise<void> {
  if (await hasDerived(sha256, 'landmarks')) return;
  await storeDerived(sha256, 'planes', packPlanes(print));
  await storeDerived(sha256, 'landmarks', packLandmarks(print));
}

async function measuredSoftness(picture: Sharp): Promise<number> {
  const { data, info } = await picture.raw().toBuffer({ resolveWithObject: true });
  return softnessOf({ ...info, data });
}
