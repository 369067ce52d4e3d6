/** The steps by which a picture is made anew from its original, and what each of them is. */
import type { Rect } from './rect';

/** The steps in the order in which they are taken. */
export const STEP_NAMES = ['turn', 'mirror', 'straighten', 'crop', 'light', 'size'] as const;
export type StepName = (typeof STEP_NAMES)[number];

export interface Light {
  /** Each −100 to 100; 0 leaves the picture as it is. */
  readonly brightness: number;
  readonly contrast: number;
  readonly warmth: number;
}

export interface WantedSize {
  readonly by: 'width' | 'height' | 'longest';
  /** Pixels, whole, > 0. */
  readonly px: number;
}

export interface Revision {
  /** Quarters of a turn clockwise, 0 to 3. */
  readonly turn: number;
  readonly mirror: 'none' | 'sideways' | 'upside down';
  /** Degrees clockwise, −45 to 45. */
  readonly straighten: number;
  /** Shares of the straightened picture, 0 to 1. */
  readonly crop: Rect | null;
  readonly light: Light;
  readonly size: WantedSize | null;
  /** Steps that are kept and not taken. */
  readonly struck: readonly StepName[];
}

export const UNLIT: Light = { brightness: 0, contrast: 0, warmth: 0 };

/** Leaves a picture as it is. */
export const AS_IT_IS: Revision = {
  turn: 0,
  mirror: 'none',
  straighten: 0,
  crop: null,
  light: UNLIT,
  size: null,
  struck: [],
};

/** Whether a step has a figure, be it struck out or not. */
export function isSet(revision: Revision, step: StepName): boolean {
  if (step === 'light') {
    const { brightness, contrast, warmth } = revision.light;
    return brightness !== 0 || contrast !== 0 || warmth !== 0;
  }
  return revision[step] !== AS_IT_IS[step];
}

/** A revision with its struck steps as if nobody had made them. */
export function withoutStruck(revision: Revision): Revision {
  const undone = Object.fromEntries(revision.struck.map((step) => [step, AS_IT_IS[step]]));
  return { ...revision, ...undone, struck: [] };
}

/** Whether a revision leaves every pixel as it is. */
export function changesNothing(revision: Revision): boolean {
  const taken = withoutStruck(revision);
  return STEP_NAMES.every((step) => !isSet(taken, step));
}
