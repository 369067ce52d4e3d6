/** Calendar days as whole numbers: days since 1 January 1970, by the Gregorian calendar. No clock, no time zone. */
export type Day = number;

const MS_A_DAY = 86_400_000;

/** The day of a date, or `null` where there is no such date (31 February). @param month 1 to 12 */
export function dayOf(year: number, month: number, date: number): Day | null {
  const moment = new Date(0);
  moment.setUTCFullYear(year, month - 1, date);
  const isReal =
    moment.getUTCFullYear() === year && moment.getUTCMonth() === month - 1 && moment.getUTCDate() === date;
  return isReal ? moment.getTime() / MS_A_DAY : null;
}

/** The day in which a moment lies, UTC. @param ms since 1970 */
export function dayOfMs(ms: number): Day {
  return Math.floor(ms / MS_A_DAY);
}

/** `2016-06-11`. */
export function isoDay(day: Day): string {
  return new Date(day * MS_A_DAY).toISOString().slice(0, 10);
}

/** Year, month (1 to 12) and date of a day. */
export function partsOf(day: Day): { readonly year: number; readonly month: number; readonly date: number } {
  const moment = new Date(day * MS_A_DAY);
  return {
    year: moment.getUTCFullYear(),
    month: moment.getUTCMonth() + 1,
    date: moment.getUTCDate(),
  };
}

/** Days from the first to the last, both counted; an end that nothing tells is `null`. */
export interface DaySpan {
  readonly from: Day | null;
  readonly until: Day | null;
}

const orLowest = (day: Day | null) => day ?? Number.NEGATIVE_INFINITY;
const orHighest = (day: Day | null) => day ?? Number.POSITIVE_INFINITY;

/** The days that two spans share, or `null`. */
export function sharedSpan(a: DaySpan, b: DaySpan): DaySpan | null {
  const from = Math.max(orLowest(a.from), orLowest(b.from));
  const until = Math.min(orHighest(a.until), orHighest(b.until));
  if (from > until) return null;
  return { from: Number.isFinite(from) ? from : null, until: Number.isFinite(until) ? until : null };
}

/** A whole year. */
export function yearSpan(year: number): DaySpan {
  return { from: dayOf(year, 1, 1), until: dayOf(year, 12, 31) };
}

/** A month. @param month 1 to 12 */
export function monthSpan(year: number, month: number): DaySpan {
  const next = month === 12 ? dayOf(year + 1, 1, 1) : dayOf(year, month + 1, 1);
  return { from: dayOf(year, month, 1), until: next === null ? null : next - 1 };
}

/** First month of a school year, where nothing else is said: September. */
export const SCHOOL_YEAR_MONTH = 9;

/** The school year that begins in a year. @param firstMonth month in which school years begin, 1 to 12 */
export function schoolYearSpan(year: number, firstMonth = SCHOOL_YEAR_MONTH): DaySpan {
  const end = dayOf(year + 1, firstMonth, 1);
  return { from: dayOf(year, firstMonth, 1), until: end === null ? null : end - 1 };
}

/** The last day of the school year in which a day lies. */
export function schoolYearEnd(day: Day, firstMonth = SCHOOL_YEAR_MONTH): Day {
  const { year, month } = partsOf(day);
  return schoolYearSpan(month >= firstMonth ? year : year - 1, firstMonth).until as Day;
}

/** The same date so many years later; 29 February becomes 1 March. Parts of a year count in days. */
export function yearsAfter(day: Day, years: number): Day {
  const { year, month, date } = partsOf(day);
  const whole = Math.floor(years);
  const moment = dayOf(year + whole, month, date) ?? (dayOf(year + whole, 3, 1) as Day);
  return moment + Math.round((years - whole) * 365.2425);
}
