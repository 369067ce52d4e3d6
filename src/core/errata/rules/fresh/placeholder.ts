import { isSeen } from '../../places';
import type { Rule } from '../../rule';

export const placeholder: Rule = {
  id: 'fresh/placeholder',
  degree: 'must',
  level: 'guessed',
  title: 'It is a leftover of a template',
  why: 'Readers see that nobody has finished the page.',
  remedy: 'Swap it for a picture, or take the place away.',
  applies: isSeen,
  check: (_, { picture }) =>
    picture && picture.leftoverClues.length > 0 ? { evidence: picture.leftoverClues.join(' ') } : null,
  examples: [
    {
      html: '<img src="a.png" alt="x">',
      evidence: 'Its name says so: “sample.png”.',
      files: { 'a.png': { leftoverClues: ['Its name says so: “sample.png”.'] } },
    },
    { html: '<img src="a.png" alt="x">', evidence: null },
  ],
};
