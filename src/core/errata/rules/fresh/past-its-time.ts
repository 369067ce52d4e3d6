import { spanText } from '../../../dating/shelf-life';
import { isSeen } from '../../places';
import type { Rule } from '../../rule';
import { isOfItsTime, isToldOfItsTime, takenOn } from '../../words/around-taken';

export const pastItsTime: Rule = {
  id: 'fresh/past-its-time',
  degree: 'should',
  level: 'measured',
  title: 'It is past its time',
  why: 'Readers take what it shows for how things are now.',
  remedy: 'Swap it for a newer picture.',
  applies: isSeen,
  check: (placement, { page, picture }) => {
    if (!picture?.kind || picture.currentUntil === null || picture.changed) return null;
    if (picture.currentUntil >= page.today || picture.leftoverClues.length > 0) return null;
    if (isOfItsTime(picture, page) || isToldOfItsTime(picture, placement, page)) return null;
    const taken = spanText(picture.dating ?? { from: null, until: null });
    const until = spanText({ from: picture.currentUntil, until: picture.currentUntil });
    return {
      evidence: `A picture of the kind “${picture.kind}”, taken: ${taken}, was current until ${until}.`,
    };
  },
  examples: [
    {
      html: '<img src="a.jpg" alt="x">',
      today: '2026-11-25',
      evidence:
        'A picture of the kind “portrait”, taken: 4 September 2017, was current until 4 September 2021.',
      files: {
        'a.jpg': {
          kind: 'portrait',
          currentUntil: 18874,
          dating: { from: 17413, until: 17413, because: [], against: [], belief: 1 },
        },
      },
    },
    {
      html: '<img src="a.jpg" alt="x">',
      title: 'News of 2017',
      evidence: null,
      files: { 'a.jpg': { kind: 'portrait', currentUntil: 18874, ...takenOn(17413) } },
    },
    {
      html: '<ul><li><img src="a.jpg" alt="x"> 4 September 2017 The new tutors</li></ul>',
      evidence: null,
      files: { 'a.jpg': { kind: 'portrait', currentUntil: 18874, ...takenOn(17413) } },
    },
    {
      html: '<img src="a.jpg" alt="x">',
      today: '2019-11-25',
      evidence: null,
      files: { 'a.jpg': { kind: 'portrait', currentUntil: 18874 } },
    },
  ],
};
