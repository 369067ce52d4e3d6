import { altBranch, isOnlyContent } from '../../alt-branch';
import { hasAlt } from '../../places';
import type { Rule } from '../../rule';
import { isInOtherLanguage, languageName } from '../../words/other-language';

export const altLanguage: Rule = {
  id: 'alt/other-language',
  degree: 'should',
  level: 'guessed',
  title: 'The alt text is in another language than the page',
  why: 'A screen reader speaks it with the page’s own sounds, and nobody understands it.',
  remedy: 'Write it in the page’s language, or declare its language on the element.',
  standard: 'WCAG 2.2, 3.1.2',
  applies: (placement) => hasAlt(placement) && !isOnlyContent(placement.link),
  check: (placement, { page }) => {
    const language = isInOtherLanguage(placement.alt ?? '', placement, page.language);
    return language
      ? { evidence: `“${placement.alt?.trim()}” is ${languageName(language)}.`, branch: altBranch(placement) }
      : null;
  },
  examples: [
    {
      html: '<img src="a.jpg" alt="Large black bee on a sweet pea">',
      evidence: '“Large black bee on a sweet pea” is English.',
      language: 'de',
    },
    {
      html: '<img src="a.jpg" alt="Schlüssel für eine Turmuhr">',
      evidence: '“Schlüssel für eine Turmuhr” is German.',
    },
    { html: '<img src="a.jpg" lang="de" alt="Schlüssel für eine Turmuhr">', evidence: null },
    {
      html: '<img src="a.jpg" alt="Title page of “Von der alten Schule und ihren Lehrern”">',
      evidence: null,
    },
    { html: '<img src="a.jpg" alt="Kiba dachi seen from the front">', evidence: null },
  ],
};
