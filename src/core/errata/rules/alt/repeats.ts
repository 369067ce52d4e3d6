import { altBranch, isAllOfControl } from '../../alt-branch';
import { hasAlt } from '../../places';
import type { Rule } from '../../rule';
import { bareText } from '../../words/alike';

export const repeats: Rule = {
  id: 'alt/repeats',
  degree: 'should',
  level: 'read',
  title: 'The alt text says what stands right beside it',
  why: 'A listener hears the same words twice in a row.',
  remedy: 'Say what is to be seen, or empty the alt text where the words beside are enough.',
  standard: 'W3C, Images tutorial: decorative images',
  applies: (placement) => hasAlt(placement) && !isAllOfControl(placement),
  check: (placement) => {
    const { alt, caption, link, context } = placement;
    const said = bareText(alt ?? '');
    // Of captions and links other rules speak.
    if (said === '' || (caption && bareText(caption) === said) || link) return null;
    const entry = bareText((context.entry ?? '').replace(caption ?? '', ''));
    const heading = bareText(context.headings.at(-1) ?? '');
    const beside = entry === said || entry.startsWith(`${said} `) ? entry : heading === said ? heading : null;
    if (beside === null || said.split(' ').length < (beside === heading ? 1 : LEAST_WORDS)) return null;
    return { evidence: `“${(alt ?? '').trim()}” stands beside it as well.`, branch: altBranch(placement) };
  },
  examples: [
    {
      html: '<h2>Obi Marchbank</h2><p><img src="a.jpg" alt="Obi Marchbank"></p>',
      evidence: '“Obi Marchbank” stands beside it as well.',
    },
    {
      html: '<ul><li><img src="a.jpg" alt="The Red Door"> The Red Door, chosen by Odile</li></ul>',
      evidence: '“The Red Door” stands beside it as well.',
    },
    { html: '<h1>Search</h1><button><img src="a.png" alt="Search"></button>', evidence: null },
    {
      html: '<h2>Obi Marchbank</h2><p><img src="a.jpg" alt="Obi Marchbank with two pads"></p>',
      evidence: null,
    },
  ],
};

const LEAST_WORDS = 2;
