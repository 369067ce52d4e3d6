import { hasAlt } from '../../places';
import type { Rule } from '../../rule';
import { alike } from '../../words/alike';

export const equalsLinkText: Rule = {
  id: 'alt/equals-link-text',
  degree: 'should',
  level: 'read',
  title: 'The alt text says the same as the link beside it',
  why: 'A listener hears the link’s name twice in a row.',
  remedy: 'Empty the alt text: the link says it already.',
  standard: 'WCAG 2.2, H2',
  applies: hasAlt,
  check: ({ alt, link }) =>
    link && alike(alt ?? '', link.text)
      ? {
          evidence: `The link says “${link.text}” as well.`,
          branch: 'functional',
          fix: { field: 'alt', text: '' },
        }
      : null,
  examples: [
    {
      html: '<a href="x.html"><img src="a.jpg" alt="Lessons"> Lessons</a>',
      evidence: 'The link says “Lessons” as well.',
    },
    { html: '<a href="x.html"><img src="a.jpg" alt="A violin"> Lessons</a>', evidence: null },
    { html: '<a href="x.html"><img src="a.jpg" alt="Lessons"></a>', evidence: null },
  ],
};
