import { isPicture } from '../../places';
import type { Rule } from '../../rule';
import { breaksOff } from '../../words/breaks-off';

export const captionCutOff: Rule = {
  id: 'caption/cut-off',
  degree: 'should',
  level: 'guessed',
  title: 'The caption breaks off',
  why: 'Every reader sees half a sentence.',
  remedy: 'Write it to its end.',
  applies: isPicture,
  check: ({ caption }, { page }) => {
    const end = caption ? breaksOff(caption, page.language) : null;
    return end ? { evidence: `It ends with “${end}”.` } : null;
  },
  examples: [
    {
      html: '<figure><img src="a.jpg" alt="x"><figcaption>The clock stopped at ten past four and the</figcaption></figure>',
      evidence: 'It ends with “and the”.',
    },
    {
      html: '<figure><img src="a.jpg" alt="x"><figcaption>The clock stopped at ten past four</figcaption></figure>',
      evidence: null,
    },
  ],
};
