import { mentionsInName, mentionsInWords, type MentionRules } from './date-mentions';
import { sharedSpan, yearsAfter, type DaySpan } from './day';

/** A page tells of the years beside its own, too: a concert of December in the news of January. */
const YEARS_BESIDE = 1;

/**
 * Whether a picture stands only on pages that are of its own time: the news of 2015 rightly show what was in 2015, and
 * do not grow old.
 */
export function standsInItsTime(
  taken: DaySpan,
  pages: readonly { readonly path: string; readonly title: string }[],
  rules: MentionRules,
): boolean {
  if (pages.length === 0 || taken.from === null || taken.until === null) return false;
  const around = {
    from: yearsAfter(taken.from, -YEARS_BESIDE),
    until: yearsAfter(taken.until, YEARS_BESIDE),
  };
  return pages.every(({ path, title }) =>
    [...mentionsInName(path, rules), ...mentionsInWords(title, rules)].some(
      (mention) => sharedSpan(mention, around) !== null,
    ),
  );
}
