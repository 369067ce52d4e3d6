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

/** The same, as short as a filter is. */
export const CODE_CHIP: Readonly<Record<Code, string>> = {
  'release-withdrawn': 'release withdrawn',
  'release-none': 'no release',
  'release-purpose': 'release for other purposes',
  'release-not-yet': 'release not yet',
  'release-ended': 'release ended',
  'licence-ended': 'licence ended',
  'licence-not-yet': 'licence not yet',
  'licence-purpose': 'licence for other purposes',
  'licence-noncommercial': 'not commercial',
  'licence-noderivatives': 'no changes',
  'licence-site': 'other sites',
  'credit-missing': 'credit',
  'source-unknown': 'source not recorded',
  'licence-unknown': 'licence not known',
  'people-unasked': 'people not asked',
};

export const CODES = Object.keys(CODE_NAME) as Code[];

/** The reasoning as somebody may read it who does not keep the releases: who a person is stays out of it. */
export const withoutPeople = (chain: readonly Step[]): Step[] =>
  chain.map(({ code, sentence }) =>
    code !== null && /^(?:release|people)-/u.test(code)
      ? { code, sentence: `${CODE_NAME[code].replace(/^./u, (first) => first.toUpperCase())}.` }
      : { code, sentence },
  );
