import { spanText } from '../../../dating/shelf-life';
import { isSeen } from '../../places';
import type { Rule } from '../../rule';
import { isOfItsTime } from '../../words/around-taken';

export const changedSince: Rule = {
  id: 'fresh/changed-since',
  degree: 'should',
  level: 'measured',
  title: 'What it shows has changed since',
  why: 'Readers look for what is no longer so: a red door, a tutor who left.',
  remedy: 'Swap it for a picture from after the change.',
  applies: isSeen,
  check: (_, { page, picture }) => {
    // The news of 2016 rightly show how it was in 2016.
    if (!picture?.changed || isOfItsTime(picture, page)) return null;
    const { name, changedHow, changedOn, certainty } = picture.changed;
    const day = spanText({ from: changedOn, until: changedOn });
    const taken = spanText(picture.dating ?? { from: null, until: null });
    return {
      evidence: `${name}: ${changedHow || 'changed'} on ${day}; taken: ${taken}.`,
      ...(certainty === 'possible' ? { degree: 'note' as const } : {}),
    };
  },
  examples: [
    {
      html: '<img src="a.jpg" alt="x">',
      evidence: 'The front: repainted on 14 May 2023; taken: 2016.',
      files: {
        'a.jpg': {
          changed: {
            id: 1,
            name: 'The front',
            kind: 'place',
            changedOn: 19491,
            changedHow: 'repainted',
            certainty: 'certain',
          },
          dating: { from: 16801, until: 17166, because: [], against: [], belief: 1 },
        },
      },
    },
    { html: '<img src="a.jpg" alt="x">', evidence: null },
  ],
};
