import { altBranch } from '../../alt-branch';
import { hasAlt } from '../../places';
import type { Rule } from '../../rule';
import { isFileName } from '../../words/empty-texts';
import { isWorkNote } from '../../words/work-notes';

export const workNote: Rule = {
  id: 'alt/work-note',
  degree: 'must',
  level: 'guessed',
  title: 'The alt text is a note of whoever made the page',
  why: 'A listener hears “step 2” or “to be replaced”, and nothing of what is shown.',
  remedy: 'Say what it shows here.',
  standard: 'WCAG 2.2, 1.1.1; F30',
  applies: hasAlt,
  check: (placement, { page }) => {
    const text = (placement.alt ?? '').trim();
    if (isFileName(text, placement.raw)) return null;
    return isWorkNote(text, page.language)
      ? { evidence: `The alt text is “${text}”.`, branch: altBranch(placement) }
      : null;
  },
  examples: [
    { html: '<img src="a.jpg" alt="step 2">', evidence: 'The alt text is “step 2”.' },
    {
      html: '<img src="a.jpg" alt="TODO describe chart">',
      evidence: 'The alt text is “TODO describe chart”.',
    },
    { html: '<img src="a.jpg" alt="Schritt2">', evidence: 'The alt text is “Schritt2”.', language: 'de' },
    {
      html: '<img src="a.jpg" alt="image1 à remplacer">',
      evidence: 'The alt text is “image1 à remplacer”.',
      language: 'fr',
    },
    {
      html: '<img src="a.jpg" alt="texto de prueba">',
      evidence: 'The alt text is “texto de prueba”.',
      language: 'es',
    },
    { html: '<img src="a.jpg" alt="asdf jkl">', evidence: 'The alt text is “asdf jkl”.' },
    { html: '<img src="a.jpg" alt="Step 3 of the stairs, worn hollow by boots">', evidence: null },
    { html: '<img src="a.jpg" alt="Slide 3 of the talk: five rules, as listed below">', evidence: null },
    { html: '<img src="a.jpg" alt="Hero on the gallery, barking at a gull">', evidence: null },
  ],
};
