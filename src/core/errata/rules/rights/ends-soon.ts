import { isoDay } from '../../../dating/day';
import type { Rule } from '../../rule';
import { ALLOWED, HALL, isShown } from './answered';

/** Days in which another picture can be found without haste. */
const SOON_DAYS = 60;

export const endsSoon: Rule = {
  id: 'rights/ends-soon',
  degree: 'should',
  level: 'measured',
  title: 'It may not stand much longer',
  why: 'A licence or a release ends; after that day the picture may not be shown.',
  remedy: 'Agree on more time and record it, or have another picture ready.',
  applies: isShown,
  check: ({ rights }, { page }) => {
    const until = rights?.until ?? null;
    if (until === null || until - page.today > SOON_DAYS) return null;
    return { evidence: `From ${isoDay(until)} on it may not stand here.` };
  },
  examples: [
    {
      html: HALL,
      evidence: 'From 2026-12-26 on it may not stand here.',
      rights: { ...ALLOWED, until: 20_813 },
    },
    { html: HALL, evidence: null, rights: { ...ALLOWED, until: 21_000 } },
    { html: HALL, evidence: null },
  ],
};
