/** What the answers of rights are called on screens. */
import type { Code, Step, Verdict } from '@/core/rights/may';

export const VERDICT_NAME: Readonly<Record<Verdict, string>> = {
  no: 'May not stand',
  unknown: 'Nobody can say yet',
  yes: 'May stand',
};

export const CODE_NAME: Readonly<Record<Code, string>> = {
  'release-withdrawn': 'a release was withdrawn',
  'release-none': 'somebody on it gave no release',
  'release-purpose': 'a release is for other purposes',
  'release-not-yet': 'a release has not begun',
  'release-ended': 'a release has ended',
  'licence-ended': 'its licence has ended',
  'licence-not-yet': 'its licence has not begun',
  'licence-purpose': 'its licence is for other purposes',
  'licence-noncommercial': 'its licence allows nothing commercial',
  'licence-noderivatives': 'its licence allows no changes, and it was changed',
  'licence-site': 'its licence is for other sites',
  'credit-missing': 'its credit is missing',
  'source-unknown': 'where it comes from is not recorded',
  'licence-unknown': 'its licence is not known',
  'people-unasked': 'people on it were not asked, or it is not recorded',
};

export const CODES = Object.keys(CODE_NAME) as Code[];

/** The reasoning as somebody may read it who does not keep the releases: who a person is stays out of it. */
export const withoutPeople = (chain: readonly Step[]): Step[] =>
  chain.map(({ code, sentence }) =>
    code !== null && /^(?:release|people)-/u.test(code)
      ? { code, sentence: `${CODE_NAME[code].replace(/^./u, (first) => first.toUpperCase())}.` }
      : { code, sentence },
  );
