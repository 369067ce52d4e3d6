import { mentionsInName, mentionsInWords, type MentionRules } from './date-mentions';
import { sharedSpan, yearsAfter, type Day, type DaySpan } from './day';

/** A page tells of the years beside its own, too: a concert of December in the news of January. */
const YEARS_BESIDE = 1;

/** From this age on a picture is shown for its age. */
const HISTORIC_YEARS = 40;

/** Whether a picture is of a time long past, and does not grow old any more. */
export function isHistoric(taken: DaySpan, today: Day): boolean {
  return taken.until !== null && yearsAfter(taken.until, HISTORIC_YEARS) < today;
}

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
