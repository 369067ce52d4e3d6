import { isPicture } from '../../places';
import type { Rule } from '../../rule';
import { isInOtherLanguage, languageName } from '../../words/other-language';

export const captionLanguage: Rule = {
  id: 'caption/other-language',
  degree: 'should',
  level: 'guessed',
  title: 'The caption is in another language than the page',
  why: 'Readers of the page may not understand it.',
  remedy: 'Translate it, or declare its language.',
  standard: 'WCAG 2.2, 3.1.2',
  applies: isPicture,
  check: (placement, { page }) => {
    const { caption } = placement;
    const language = caption ? isInOtherLanguage(caption, placement, page.language) : null;
    return language ? { evidence: `“${caption}” is ${languageName(language)}.` } : null;
  },
  examples: [
    {
      html: '<figure><img src="a.jpg" alt="x"><figcaption>Unser Kater schläft auf dem Kopierer</figcaption></figure>',
      evidence: '“Unser Kater schläft auf dem Kopierer” is German.',
    },
    {
      html: '<figure><img src="a.jpg" alt="x"><figcaption>“Unser Kater schläft”, as the song goes</figcaption></figure>',
      evidence: null,
    },
  ],
};
