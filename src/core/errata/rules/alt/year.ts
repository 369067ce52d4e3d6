import { mentionsInWords } from '../../../dating/date-mentions';
import { partsOf, sharedSpan } from '../../../dating/day';
import { spanText } from '../../../dating/shelf-life';
import { altBranch } from '../../alt-branch';
import { hasAlt } from '../../places';
import type { Rule } from '../../rule';
import { aroundTaken, takenOn } from '../../words/around-taken';

export const year: Rule = {
  id: 'alt/year',
  degree: 'should',
  level: 'measured',
  title: 'The alt text names a time at which the picture was not taken',
  why: 'It was written for another picture, or the picture is an older one than it says.',
  remedy: 'Correct the words, or swap the picture for one of that time.',
  applies: hasAlt,
  check: (placement, { page, picture }) => {
    const taken = aroundTaken(picture, ['alt text']);
    if (!taken) return null;
    const rules = { today: page.today, thisYear: partsOf(page.today).year };
    const [wrong] = mentionsInWords(placement.alt ?? '', rules).filter(
      (said) => sharedSpan(said, taken.around) === null,
    );
    return wrong
      ? { evidence: `It says “${wrong.text}”; taken: ${spanText(taken.span)}.`, branch: altBranch(placement) }
      : null;
  },
  examples: [
    {
      html: '<img src="a.jpg" alt="Concert 2018">',
      evidence: 'It says “2018”; taken: 12 December 2019.',
      files: {
        'a.jpg': takenOn(18242),
      },
    },
    {
      html: '<img src="a.jpg" alt="Concert 2019">',
      evidence: null,
      files: {
        'a.jpg': takenOn(18242),
      },
    },
    { html: '<img src="a.jpg" alt="Concert 2018">', evidence: null },
  ],
};
