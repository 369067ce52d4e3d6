import { altBranch } from '../../alt-branch';
import { hasAlt } from '../../places';
import type { Rule } from '../../rule';
import { breaksOff } from '../../words/breaks-off';

export const altCutOff: Rule = {
  id: 'alt/cut-off',
  degree: 'should',
  level: 'guessed',
  title: 'The alt text breaks off',
  why: 'A listener waits for the rest, which may be what matters.',
  remedy: 'Write it to its end; a program may have cut it at a number of characters.',
  standard: 'WCAG 2.2, 1.1.1',
  applies: hasAlt,
  check: (placement, { page }) => {
    const end = breaksOff(placement.alt ?? '', page.language);
    return end ? { evidence: `It ends with “${end}”.`, branch: altBranch(placement) } : null;
  },
  examples: [
    {
      html: '<img src="a.jpg" alt="Kettle hanging from a crane above the">',
      evidence: 'It ends with “above the”.',
    },
    {
      html: '<img src="a.jpg" alt="Honig läuft durch ein doppeltes Sieb in den">',
      evidence: 'It ends with “in den”.',
      language: 'de',
    },
    { html: '<img src="a.jpg" alt="The small can that the lamp was filled from">', evidence: null },
    { html: '<img src="a.png" alt="Labels as set by v.label.sa">', evidence: null },
    { html: '<img src="a.jpg" alt="Tree mallow as tall as the garden wall">', evidence: null },
  ],
};
