/** How sure it is that a picture is a leftover of a template. */

export type Teaching = 'placeholder' | 'not a placeholder';

export interface PlaceholderClue {
  /** In natural log-odds: above 0 it speaks for a leftover, below 0 against. */
  readonly weight: number;
  readonly text: string;
}

/** Belief from which a picture is called a leftover; from which that is sure; and from which it is worth a person's look. */
export const BELIEVED = 0.8;
const SURE = 0.97;
export const PERHAPS = 0.3;

export type LeftoverStrength = 'sure' | 'likely' | 'maybe';

/** How strong the belief in a leftover is; `null` where it is none worth a word. */
export function leftoverStrength(belief: number): LeftoverStrength | null {
  if (belief >= SURE) return 'sure';
  if (belief >= BELIEVED) return 'likely';
  return belief >= PERHAPS ? 'maybe' : null;
}

/** Whether a person has said what it is. */
export const isTaught = (clues: readonly PlaceholderClue[]): boolean =>
  clues.some(({ text }) => Object.values(SAID).includes(text));

export const SAID: Readonly<Record<Teaching, string>> = {
  placeholder: 'You said that it is one.',
  'not a placeholder': 'You said that it is none.',
};
