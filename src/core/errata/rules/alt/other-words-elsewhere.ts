import { hasAlt } from '../../places';
import type { Rule } from '../../rule';
import { alike } from '../../words/alike';
import { isFileName, saysOnly } from '../../words/empty-texts';

export const otherWordsElsewhere: Rule = {
  id: 'alt/other-words-elsewhere',
  degree: 'note',
  level: 'read',
  title: 'The same picture has another alt text elsewhere',
  why: 'That is right where it serves another purpose there; often one of the two is old, or wrong.',
  remedy: 'Look at both, and take the better one for all places where it shows the same.',
  applies: hasAlt,
  check: ({ alt, link, raw }, { page, picture }) => {
    // A leftover has the words of whatever it stands for.
    if (!picture || link || picture.leftoverClues.length > 0) return null;
    const others = Object.entries(picture.altTexts).filter(
      ([text]) =>
        text.trim() !== '' &&
        !alike(text, alt ?? '') &&
        !isFileName(text, raw) &&
        saysOnly(text, page.language) === null,
    );
    const [most] = others.sort((a, b) => b[1] - a[1]);
    if (!most) return null;
    const [text, places] = most;
    // Of two texts the rarer is told of: its place is where to look, and the other one is its evidence.
    const own = Object.entries(picture.altTexts).filter(([one]) => alike(one, alt ?? ''));
    if (own.reduce((sum, [, count]) => sum + count, 0) > places) return null;
    return {
      evidence: `In ${places === 1 ? 'one place' : `${places} places`} it says “${text}”.`,
      branch: 'informative',
    };
  },
  examples: [
    {
      html: '<img src="a.jpg" alt="The front">',
      evidence: 'In 2 places it says “Red doors”.',
      files: { 'a.jpg': { altTexts: { 'The front': 1, 'Red doors': 2, '': 3 } } },
    },
    {
      html: '<img src="a.jpg" alt="The front">',
      evidence: 'In one place it says “Red doors”.',
      files: { 'a.jpg': { altTexts: { 'The front': 1, 'Red doors': 1 } } },
    },
    {
      html: '<img src="a.jpg" alt="The front">',
      evidence: null,
      files: { 'a.jpg': { altTexts: { 'The front': 2, 'Red doors': 1 } } },
    },
    {
      html: '<img src="a.jpg" alt="The front">',
      evidence: null,
      files: { 'a.jpg': { altTexts: { 'the front.': 3 } } },
    },
    {
      html: '<img src="a.jpg" alt="The front">',
      evidence: null,
      files: { 'a.jpg': { altTexts: { image: 2, 'IMG_2041.jpg': 1 } } },
    },
  ],
};
