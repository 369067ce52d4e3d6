import { isPicture } from '../../places';
import type { Rule } from '../../rule';
import { alike } from '../../words/alike';

export const headingAgain: Rule = {
  id: 'caption/heading-again',
  degree: 'should',
  level: 'read',
  title: 'The caption only says the heading again',
  why: 'Readers have just read it; of the picture they learn nothing.',
  remedy: 'Say what is to be seen, or take the caption away.',
  applies: isPicture,
  check: ({ caption, context }, { page }) => {
    const again = [...context.headings, page.title].find((text) => caption && alike(text, caption));
    return again ? { evidence: `The heading says “${again}” as well.` } : null;
  },
  examples: [
    {
      html: '<h1>History</h1><figure><img src="a.jpg" alt="x"><figcaption>History</figcaption></figure>',
      evidence: 'The heading says “History” as well.',
    },
    {
      html: '<h1>History</h1><figure><img src="a.jpg" alt="x"><figcaption>A card index</figcaption></figure>',
      evidence: null,
    },
  ],
};
