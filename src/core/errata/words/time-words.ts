/** The times that words tell of: years and days that they name, and months that they speak of. */
import { everyMatch } from '../../words/every-match';
import { mentionsInWords, type DateMention } from '../../dating/date-mentions';
import { partsOf } from '../../dating/day';
import { monthOf } from '../../dating/month-names';
import { plain, tokensOf } from '../../words/content-words';
import { remembered } from '../../words/remembered';
import { primaryOf, vocabulariesOf } from '../../words/languages/known-languages';

/** Years that words name; what lies outside is a number of something else. */
const FIRST_YEAR = 1500;
const LAST_YEAR = 2200;

/** The times that a text names, those to come as well. */
export const timesIn: (text: string) => readonly DateMention[] = remembered((text) =>
  /\d{4}/u.test(text) ? mentionsInWords(text, { thisYear: LAST_YEAR }) : [],
);

/** A stretch of years, both counted. */
export interface Years {
  readonly from: number;
  readonly until: number;
  readonly text: string;
}

const STRETCH =
  /(?<!\d)(\d{4})\s*(?:to|till|until|and|–|-|bis|und|à|a|au|y|hasta|jusqu[’']?en|en)\s*(\d{4})(?!\d)/giu;

/** The years that a text names, stretches as such: “from 1930 to 1958”. */
export const yearsIn: (text: string) => readonly Years[] = remembered((text) => {
  if (!/\d{4}/u.test(text)) return [];
  const stretches = everyMatch(STRETCH, text).flatMap(([words, from, until]) => {
    const [first, last] = [Number(from), Number(until)];
    return first >= FIRST_YEAR && last > first && last <= LAST_YEAR
      ? [{ from: first, until: last, text: words }]
      : [];
  });
  const rest = text.replace(STRETCH, ' ');
  const times = timesIn(rest).flatMap(({ from, until, text: words }) =>
    from === null || until === null
      ? []
      : [{ from: partsOf(from).year, until: partsOf(until).year, text: words }],
  );
  return [...stretches, ...times];
});

/** Whether both name years, and none of one is any of the other's. */
export function areOfOtherYears(some: readonly Years[], others: readonly Years[]): boolean {
  return (
    some.length > 0 &&
    others.length > 0 &&
    !some.some((one) => others.some((other) => one.from <= other.until && other.from <= one.until))
  );
}

/** Months, 1 to 12, of each season: winter, spring, summer, autumn. */
const MONTHS_OF = [
  [12, 1, 2],
  [3, 4, 5],
  [6, 7, 8],
  [9, 10, 11],
] as const;
/** Names of months that are other words as well, where they have no capital. */
const AMBIGUOUS = new Set([
  'may',
  'march',
  'mar',
  'mars',
  'jan',
  'dec',
  'sep',
  'dic',
  'ago',
  'ene',
  'avr',
  'mai',
]);

/** The months, 1 to 12, in which it can be what a text tells of: by their names, and by words for seasons. */
export function monthsIn(text: string, language: string | null): ReadonlySet<number> {
  const named = namedMonths(text);
  // “Summer” beside “July” says no more than July.
  if (named.size > 0) return named;
  const words = plainWords(text);
  return new Set(
    seasonNames(primaryOf(language)).flatMap((seasons) =>
      seasons.flatMap((names, season) =>
        names.some((name) => words.has(name)) ? (MONTHS_OF[season] ?? []) : [],
      ),
    ),
  );
}

/** The months that a text names as such. */
const namedMonths: (text: string) => ReadonlySet<number> = remembered((text) => {
  const found = new Set<number>();
  for (const word of text.match(/[\p{L}\p{M}]+/gu) ?? []) {
    const month = monthOf(word);
    const isName = month !== null && (!AMBIGUOUS.has(word.toLowerCase()) || /^\p{Lu}/u.test(word));
    if (isName) found.add(month);
  }
  return found;
});

const plainWords: (text: string) => ReadonlySet<string> = remembered(
  (text) => new Set(tokensOf(text).map(plain)),
);

/** Words for each season, in each vocabulary that holds for a language; without accents. */
const seasonNames: (primary: string) => readonly (readonly (readonly string[])[])[] = remembered((primary) =>
  vocabulariesOf(primary).map(({ seasons }) => seasons.map((names) => names.map(plain))),
);

/** The seasons that a text names, 0 (winter) to 3 (autumn). */
export function seasonsIn(text: string, language: string | null): ReadonlySet<number> {
  const words = plainWords(text);
  return new Set(
    seasonNames(primaryOf(language)).flatMap((seasons) =>
      seasons.flatMap(([name = ''], season) => (words.has(name) ? [season] : [])),
    ),
  );
}

const LEAST_APART = 2;

/** Whether both tell of months, and none of one is within a month of any of the other’s. */
export function areOfOtherMonths(some: ReadonlySet<number>, others: ReadonlySet<number>): boolean {
  if (some.size === 0 || others.size === 0) return false;
  return [...some].every((one) => [...others].every((other) => monthsApart(one, other) >= LEAST_APART));
}

function monthsApart(a: number, b: number): number {
  const apart = Math.abs(a - b);
  return Math.min(apart, 12 - apart);
}
