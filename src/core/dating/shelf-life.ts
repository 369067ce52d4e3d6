/** How long a picture stays current, by what it shows. */
import { dayOf, partsOf, schoolYearEnd, SCHOOL_YEAR_MONTH, yearsAfter, type Day, type DaySpan } from './day';

/** What a picture shows, as far as its ageing goes. */
export const PICTURE_KINDS = [
  'portrait',
  'class group',
  'event',
  'building',
  'product',
  'evergreen',
] as const;
export type PictureKind = (typeof PICTURE_KINDS)[number];

/** How long pictures of a kind stay current: so many years, or to the end of a school year after so many more. */
export type ShelfLife =
  | { readonly unit: 'years'; readonly count: number }
  | { readonly unit: 'school-years'; readonly count: number }
  | { readonly unit: 'forever' };

/** What holds where a site or a section says nothing else. */
export const SHELF_LIVES: Readonly<Record<PictureKind, ShelfLife>> = {
  portrait: { unit: 'years', count: 4 },
  // A class is another one after its year.
  'class group': { unit: 'school-years', count: 0 },
  event: { unit: 'school-years', count: 1 },
  building: { unit: 'years', count: 8 },
  product: { unit: 'years', count: 3 },
  evergreen: { unit: 'forever' },
};

/** A shelf life that a site has set: for one of its sections, or for all of it where the section is empty. */
export interface SetLife {
  readonly section: string;
  readonly kind: PictureKind;
  readonly life: ShelfLife;
}

/**
 * The shelf lives that hold for a picture of a kind: of each section that shows it the one set there, else the site's,
 * else the usual one.
 *
 * @param sections that show it; none for a picture on no page
 */
export function livesOf(
  kind: PictureKind,
  sections: readonly string[],
  set: readonly SetLife[],
): ShelfLife[] {
  const setFor = (section: string) => set.find((one) => one.section === section && one.kind === kind)?.life;
  const usual = setFor('') ?? SHELF_LIVES[kind];
  return sections.length === 0 ? [usual] : sections.map((section) => setFor(section) ?? usual);
}

export interface Ageing {
  /** The last day on which it is current; `null` where it does not age or its age is not known. */
  readonly currentUntil: Day | null;
  /** Age over shelf life, both in days: above 1 it is overdue; 0 where nothing can be said. */
  readonly overdue: number;
  /** Whether it is overdue at the latest day on which it may have been taken, or only at the earliest. */
  readonly certainty: 'certain' | 'possible';
}

/**
 * How a picture of known or narrowed age stands against its shelf life.
 *
 * A picture is judged by the latest day on which it may have been taken, in its favour; where only an earliest day is
 * known, by that one, and the answer is called possible.
 *
 * @param firstMonth first month of school years, 1 to 12
 */
export function ageingOf(
  { from, until }: DaySpan,
  life: ShelfLife,
  today: Day,
  firstMonth = SCHOOL_YEAR_MONTH,
): Ageing {
  const taken = until ?? from;
  if (taken === null || life.unit === 'forever')
    return { currentUntil: null, overdue: 0, certainty: 'possible' };
  const currentUntil = endOf(taken, life, firstMonth);
  const overdue = Math.max(0, today - taken) / Math.max(1, currentUntil - taken);
  return { currentUntil, overdue, certainty: until === null ? 'possible' : 'certain' };
}

/** The ageing by the strictest of several shelf lives: what is out of date in one section is so. */
export function strictestAgeing(
  taken: DaySpan,
  lives: readonly ShelfLife[],
  today: Day,
  firstMonth = SCHOOL_YEAR_MONTH,
): Ageing {
  const all = lives.map((life) => ageingOf(taken, life, today, firstMonth));
  return all.reduce((worst, one) => (one.overdue > worst.overdue ? one : worst));
}

function endOf(taken: Day, life: Exclude<ShelfLife, { unit: 'forever' }>, firstMonth: number): Day {
  if (life.unit === 'years') return yearsAfter(taken, life.count);
  return yearsAfter(schoolYearEnd(taken, firstMonth), life.count);
}

/** How a picture stands to a day on which what it shows was changed: repainted, pulled down, gone. */
export type SinceChange = 'before' | 'perhaps before' | 'after' | 'unknown';

/** Whether a picture was taken before what it shows changed. Of a picture that may be either, it says so. */
export function sinceChange({ from, until }: DaySpan, changed: Day): SinceChange {
  if (until !== null && until < changed) return 'before';
  if (from !== null && from >= changed) return 'after';
  return from === null ? 'unknown' : 'perhaps before';
}

/** How a span of days is written: `11 June 2016`, `June 2016`, `2016`, `2018–2019`, `by 2016`, `since 2016`. */
export function spanText({ from, until }: DaySpan): string {
  if (from === null && until === null) return 'unknown';
  if (from === null) return `by ${monthText(until as Day)}`;
  if (until === null) return `since ${monthText(from)}`;
  if (from === until) return `${partsOf(from).date} ${monthText(from)}`;
  const first = partsOf(from);
  const last = partsOf(until);
  if (first.year === last.year && first.month === last.month) return monthText(from);
  const isWholeYears = from === dayOf(first.year, 1, 1) && until === dayOf(last.year, 12, 31);
  if (first.year === last.year && isWholeYears) return `${first.year}`;
  if (isWholeYears) return `${first.year}–${last.year}`;
  return first.year === last.year
    ? `${MONTHS[first.month - 1]}–${monthText(until)}`
    : `${monthText(from)} – ${monthText(until)}`;
}

export const MONTHS = ['January', 'February', 'March', 'April', 'May', 'June', 'July', 'August', 'September', 'October', 'November', 'December']; // oxfmt-ignore

function monthText(day: Day): string {
  const { year, month } = partsOf(day);
  return `${MONTHS[month - 1]} ${year}`;
}
