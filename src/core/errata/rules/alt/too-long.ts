import { altBranch } from '../../alt-branch';
import { hasAlt } from '../../places';
import type { Rule } from '../../rule';

/** Characters that one listens to in one breath; a screen reader can’t go back within an alt text. */
const LONG = 150;
const FAR_TOO_LONG = 300;

export const tooLong: Rule = {
  id: 'alt/too-long',
  degree: 'note',
  level: 'measured',
  title: 'The alt text is long',
  why: 'A listener can’t skip or reread parts of it.',
  remedy: 'Say the gist in one sentence, and put the rest beside the picture for everybody.',
  standard: 'W3C, Images tutorial: complex images',
  applies: hasAlt,
  check: (placement) => {
    const length = (placement.alt ?? '').trim().length;
    if (length <= LONG) return null;
    return {
      evidence: `It has ${length} characters.`,
      branch: altBranch(placement),
      ...(length > FAR_TOO_LONG ? { degree: 'should' as const } : {}),
    };
  },
  examples: [
    { html: `<img src="a.jpg" alt="${'word '.repeat(40).trim()}">`, evidence: 'It has 199 characters.' },
    { html: '<img src="a.jpg" alt="Both choirs on the stage under coloured lamps">', evidence: null },
  ],
};
