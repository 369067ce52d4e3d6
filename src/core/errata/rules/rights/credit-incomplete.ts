import type { Rule } from '../../rule';
import { ALLOWED, HALL, isShown } from './answered';

const SAYS: Readonly<Record<string, string>> = {
  title: 'the title',
  source: 'a link to where it was found',
  changes: 'that it was changed',
};

export const creditIncomplete: Rule = {
  id: 'rights/credit-incomplete',
  degree: 'note',
  level: 'measured',
  title: 'The credit does not say all that it should',
  why: 'Whoever made it is named, and the licence is; readers who want to use it as well look for the rest.',
  remedy: 'Complete the credit.',
  applies: isShown,
  check: ({ rights }) => {
    if (!rights?.credit.found || rights.credit.missing.length === 0) return null;
    const missing = rights.credit.missing.map((part) => SAYS[part] ?? part);
    return { evidence: `It lacks ${missing.join(', ')}.` };
  },
  examples: [
    {
      html: HALL,
      evidence: 'It lacks the title, a link to where it was found.',
      rights: {
        ...ALLOWED,
        credit: { wanted: '“The hall” by Ann Lee, CC BY 4.0', found: true, missing: ['title', 'source'] },
      },
    },
    {
      html: HALL,
      evidence: null,
      rights: {
        ...ALLOWED,
        credit: { wanted: '“The hall” by Ann Lee, CC BY 4.0', found: true, missing: [] },
      },
    },
    { html: HALL, evidence: null },
  ],
};
