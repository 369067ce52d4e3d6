/** Changes of a revision that carry along what hangs on them: the crop follows the picture when it is turned. */
import { cropToShape, type FocalPoint } from '../swap/crop';
import type { PixelSize } from '../swap/slot';
import { framesOf, toStraight } from './frames';
import { mapped } from './affine';
import { mirroredRect, sharesOf, turnedRect } from './rect';
import type { Revision, StepName } from './steps';

/** Turns by quarters, clockwise; a negative number turns the other way. The crop goes with the picture. */
export function turnedBy(revision: Revision, quarters: number): Revision {
  let next = revision;
  for (let n = 0; n < ((quarters % 4) + 4) % 4; n++)
    next = {
      ...taken(next, 'turn'),
      turn: (next.turn + 1) % 4,
      // The mirror comes after the turn: turned once more, it stands the other way.
      mirror: OTHER[next.mirror],
      crop: next.crop && turnedRect(next.crop),
    };
  return next;
}

const OTHER = { none: 'none', sideways: 'upside down', 'upside down': 'sideways' } as const;

/** Mirrors what is seen now; mirrored both ways, it is turned by half instead. The slant goes the other way. */
export function mirroredBy(revision: Revision, way: 'sideways' | 'upside down'): Revision {
  const { mirror, crop, straighten } = revision;
  const next = {
    ...taken(revision, 'mirror'),
    crop: crop && mirroredRect(crop, way),
    straighten: straighten === 0 ? 0 : -straighten,
  };
  if (mirror === 'none') return { ...next, mirror: way };
  if (mirror === way) return { ...next, mirror: 'none' };
  return { ...next, mirror: 'none', turn: (next.turn + 2) % 4 };
}

/** A step taken again that was struck out. */
export function taken(revision: Revision, step: StepName): Revision {
  return { ...revision, struck: revision.struck.filter((one) => one !== step) };
}

/** Strikes a step out, or takes it again. */
export function struckOut(revision: Revision, step: StepName): Revision {
  return revision.struck.includes(step)
    ? taken(revision, step)
    : { ...revision, struck: [...revision.struck, step] };
}

/**
 * Crops to the largest rectangle of a shape, about the focal point.
 *
 * @param ratio width ÷ height, > 0
 * @param focal in shares of the original
 */
export function croppedTo(
  original: PixelSize,
  revision: Revision,
  ratio: number,
  focal: FocalPoint,
): Revision {
  const { straight } = framesOf(original, revision);
  const there = mapped(toStraight(original, revision), {
    x: focal.x * original.widthPx,
    y: focal.y * original.heightPx,
  });
  const crop = cropToShape(straight, ratio, {
    x: there.x / straight.widthPx,
    y: there.y / straight.heightPx,
  });
  return { ...taken(revision, 'crop'), crop: sharesOf(crop, straight) };
}
