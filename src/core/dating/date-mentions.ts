/** Finds the dates, months, seasons, years and school years that words and file names mention. */
import { everyMatch } from '../words/every-match';
import { dayOf, monthSpan, schoolYearSpan, yearSpan, type DaySpan } from './day';
import { MONTH_PATTERN, monthOf, NOT_THE_TIME, SEASONS } from './month-names';

/** How exactly a mention tells the time. */
export type Precision = 'day' | 'month' | 'season' | 'year' | 'school-year' | 'decade';

export interface DateMention extends DaySpan {
  readonly precision: Precision;
  /** The words that say it. */
  readonly text: string;
}

/** Years that pictures on web sites are dated with; what lies outside is a number of something else. */
const FIRST_YEAR = 1840;
/** In file names, where numbers are mostly sizes and counters, only years since there are digital pictures. */
const FIRST_DIGITAL_YEAR = 1990;

export interface MentionRules {
  /** The last year that can be meant: that of today. */
  readonly thisYear: number;
  /** First month of school years, 1 to 12. */
  readonly schoolYearMonth?: number;
}

interface Found extends DateMention {
  readonly at: number;
  readonly length: number;
}

type Reader = (match: RegExpMatchArray, rules: MentionRules) => (DaySpan & { precision: Precision }) | null;

const oneDay = (year: number, month: number, date: number, rules: MentionRules) => {
  const day = dayOf(year, month, date);
  return day === null || !isYear(year, rules, FIRST_YEAR)
    ? null
    : { from: day, until: day, precision: 'day' as const };
};

const isYear = (year: number, { thisYear }: MentionRules, first: number) => year >= first && year <= thisYear;

const aMonth = (year: number, month: number, rules: MentionRules) =>
  isYear(year, rules, FIRST_YEAR) && month >= 1 && month <= 12
    ? { ...monthSpan(year, month), precision: 'month' as const }
    : null;

const aYear = (year: number, rules: MentionRules, first = FIRST_YEAR) =>
  isYear(year, rules, first) ? { ...yearSpan(year), precision: 'year' as const } : null;

/** Decades of the last century by their words; of this one nobody speaks so yet. */
const DECADES: ReadonlyMap<string, number> = new Map(
  (
    [
      ['twenties zwanziger vingt veinte', 20],
      ['thirties dreißiger dreissiger trente treinta', 30],
      ['forties vierziger quarante cuarenta', 40],
      ['fifties fünfziger cinquante cincuenta', 50],
      ['sixties sechziger soixante sesenta', 60],
      ['seventies siebziger soixante-dix setenta', 70],
      ['eighties achtziger quatre-vingt ochenta', 80],
      ['nineties neunziger quatre-vingt-dix noventa', 90],
    ] as const
  ).flatMap(([words, decade]) => words.split(' ').map((one) => [one, decade] as const)),
);
const DECADE_WORDS = [...DECADES.keys()].sort((a, b) => b.length - a.length).join('|');

/** Times are told in figures, but for decades. */
const MAY_TELL = new RegExp(`\\d|${DECADE_WORDS}`, 'iu');

const aDecade = (text: string, rules: MentionRules) => {
  const two = DECADES.get(text.toLowerCase()) ?? Number(text);
  const year = two < 100 ? (two <= 10 ? 2000 : 1900) + two : two;
  return isYear(year, rules, FIRST_YEAR)
    ? { from: yearSpan(year).from, until: yearSpan(year + 9).until, precision: 'decade' as const }
    : null;
};

const aSchoolYear = (text: string, second: string, rules: MentionRules) => {
  const year = Number(text);
  const isNext = second.length === 2 ? Number(second) === (year + 1) % 100 : Number(second) === year + 1;
  return isNext && isYear(year, rules, FIRST_YEAR)
    ? { ...schoolYearSpan(year, rules.schoolYearMonth), precision: 'school-year' as const }
    : null;
};

const aSeason = (word: string, year: number, rules: MentionRules, first: number) => {
  const months = SEASONS.get(word.toLowerCase());
  if (!months || !isYear(year, rules, first)) return null;
  const [from, until] = months;
  const end = until > 12 ? monthSpan(year + 1, until - 12) : monthSpan(year, until);
  return { from: monthSpan(year, from).from, until: end.until, precision: 'season' as const };
};

/** From one day to another of the same month or of the next ones; both are named, and only the last with its year. */
const someDays = (
  first: { month: number; date: number },
  last: { month: number; date: number },
  year: number,
  rules: MentionRules,
) => {
  const from = dayOf(first.month > last.month ? year - 1 : year, first.month, first.date);
  const until = dayOf(year, last.month, last.date);
  if (from === null || until === null || from > until || until - from > MOST_DAYS) return null;
  return isYear(year, rules, FIRST_YEAR) ? { from, until, precision: 'day' as const } : null;
};
/** Journeys and weeks last so long, not what is built “from May to December”. */
const MOST_DAYS = 62;

/** A day in figures whose order nobody can tell: from the earlier to the later of the days that it may be. */
const eitherOrder = (a: number, b: number, year: number, rules: MentionRules) => {
  const days = [oneDay(year, b, a, rules), oneDay(year, a, b, rules)].flatMap((one) =>
    one ? [one.from] : [],
  );
  if (days.length === 0) return null;
  const [from, until] = [Math.min(...days), Math.max(...days)];
  return { from, until, precision: from === until ? ('day' as const) : ('season' as const) };
};

const word = (match: RegExpMatchArray, group: number) => match[group] ?? '';
const num = (match: RegExpMatchArray, group: number) => Number(match[group]);
const fullYear = (year: number) => (year < 100 ? 2000 + year : year);

/** “The 1920 concert” is of a year; “the 1920s”, “les années 1920” and “los años 20” are of ten. */
const isDecadeWritten = (text: string): boolean =>
  /(?:s|[- ]jahren?)$/iu.test(text) || /ann[ée]es|años/iu.test(text);

const SEASON_PATTERN = [...SEASONS.keys()].join('|');
/** A year of two digits, as in `June ’22`. */
const SHORT_YEAR = "[’']\\s?(\\d{2})(?!\\d)";

const ORDINAL = '(?:st|nd|rd|th|er|\\.|º|ª)?';
const TO = '\\s*(?:-|–|/|to|and|&|bis(?:\\s+zum)?|und|et|au|al|y)\\s*';
const OF = '\\s*(?:of\\s+|de\\s+)?';

/** In words, tried in this order: what an earlier one took, a later one leaves. */
const IN_WORDS: readonly (readonly [RegExp, Reader])[] = [
  [
    new RegExp(
      `(?<!\\p{L})(?:the|in the|años|los años|années|les années|der|den|die)\\s+[’']?(\\d{3}0|\\d0|${DECADE_WORDS})(?:[’']?s|er)?(?:[- ]?jahren?)?(?![\\p{L}\\d-])`,
      'giu',
    ),
    (m, r) => (isDecadeWritten(m[0]) ? aDecade(word(m, 1), r) : null),
  ],
  [/(?<!\d)(\d{3}0)(?:[’']?s|er[- ]jahren?)(?!\p{L})/giu, (m, r) => aDecade(word(m, 1), r)],
  [/(?<![\d-])(\d{4})-(\d{2})-(\d{2})(?![\d-])/gu, (m, r) => oneDay(num(m, 1), num(m, 2), num(m, 3), r)],
  [
    new RegExp(
      `(?:(?<!\\p{L})(?:from|vom|von|du|del)\\s+)?(?<![\\d.])(\\d{1,2})${ORDINAL}${TO}(\\d{1,2})${ORDINAL}${OF}(${MONTH_PATTERN})\\.?,?\\s+(?:de\\s+)?(\\d{4})(?!\\d)`,
      'giu',
    ),
    (m, r) => {
      const month = monthOf(word(m, 3)) ?? 0;
      return someDays({ month, date: num(m, 1) }, { month, date: num(m, 2) }, num(m, 4), r);
    },
  ],
  [
    new RegExp(
      `(?:(?<!\\p{L})(?:from|vom|von|du|del)\\s+)?(?<![\\d.])(\\d{1,2})${ORDINAL}${OF}(${MONTH_PATTERN})\\.?${TO}(\\d{1,2})${ORDINAL}${OF}(${MONTH_PATTERN})\\.?,?\\s+(?:de\\s+)?(\\d{4})(?!\\d)`,
      'giu',
    ),
    (m, r) =>
      someDays(
        { month: monthOf(word(m, 2)) ?? 0, date: num(m, 1) },
        { month: monthOf(word(m, 4)) ?? 0, date: num(m, 3) },
        num(m, 5),
        r,
      ),
  ],
  [
    /(?<![\d.])(\d{1,2})\.\s?(\d{1,2})\.\s?(\d{4})(?!\d)/gu,
    (m, r) => oneDay(num(m, 3), num(m, 2), num(m, 1), r),
  ],
  [
    // Day first wherever points are written; two figures of a year are of this century up to now.
    // What stands behind the name of a program is its version.
    /(?<![\d.]|(?:[Vv]ersion|[Rr]elease|[Bb]uild|\p{Lu}{3,})\s?)(\d{1,2})\.\s?(\d{1,2})\.\s?(\d{2})(?![\d.])/gu,
    (m, r) => oneDay(fullYear(num(m, 3)), num(m, 2), num(m, 1), r),
  ],
  [
    // After a word of a language that writes the day first, it stands first.
    /(?:(?<!\p{L})(le|el|am|vom|du|del|den|fecha|datum):?\s+)?(?<![\d/])(\d{1,2})\/(\d{1,2})\/(\d{4}|\d{2})(?![\d/])/giu,
    (m, r) => {
      const [a, b, year] = [num(m, 2), num(m, 3), fullYear(num(m, 4))];
      return m[1] ? oneDay(year, b, a, r) : eitherOrder(a, b, year, r);
    },
  ],
  [
    new RegExp(
      `(?<!\\d)(\\d{1,2})(?:st|nd|rd|th|er|\\.)?\\s+(?:of\\s+|de\\s+)?(${MONTH_PATTERN})\\.?,?\\s+(?:de\\s+)?(\\d{4})(?!\\d)`,
      'giu',
    ),
    (m, r) => oneDay(num(m, 3), monthOf(word(m, 2)) ?? 0, num(m, 1), r),
  ],
  [
    new RegExp(
      `(?<![\\p{L}])(${MONTH_PATTERN})\\.?\\s+(\\d{1,2})(?:st|nd|rd|th)?,?\\s+(\\d{4})(?!\\d)`,
      'giu',
    ),
    (m, r) => oneDay(num(m, 3), monthOf(word(m, 1)) ?? 0, num(m, 2), r),
  ],
  [
    new RegExp(`(?<![\\p{L}])(${MONTH_PATTERN})\\.?\\s+(?:de\\s+)?(\\d{4})(?!\\d)`, 'giu'),
    (m, r) => aMonth(num(m, 2), monthOf(word(m, 1)) ?? 0, r),
  ],
  [
    new RegExp(`(?<![\\p{L}])(${SEASON_PATTERN})\\s+(\\d{4})\\s?[-–/]\\s?(?:\\d{4}|\\d{2})(?!\\d)`, 'giu'),
    (m, r) => aSeason(word(m, 1), num(m, 2), r, FIRST_YEAR),
  ],
  [/(?<!\d)(\d{4})\s?[-–/]\s?(\d{4}|\d{2})(?!\d)/gu, (m, r) => aSchoolYear(word(m, 1), word(m, 2), r)],
  [
    new RegExp(`(?<![\\p{L}])(${MONTH_PATTERN})\\.?\\s+${SHORT_YEAR}`, 'giu'),
    (m, r) => aMonth(fullYear(num(m, 2)), monthOf(word(m, 1)) ?? 0, r),
  ],
  [
    new RegExp(`(?<![\\p{L}])(${SEASON_PATTERN})\\s+${SHORT_YEAR}`, 'giu'),
    (m, r) => aSeason(word(m, 1), fullYear(num(m, 2)), r, FIRST_DIGITAL_YEAR),
  ],
  [
    new RegExp(`(?<![\\p{L}])(${SEASON_PATTERN})\\s+(?:term\\s+)?(?:of\\s+|de\\s+)?(\\d{4})(?!\\d)`, 'giu'),
    (m, r) => aSeason(word(m, 1), num(m, 2), r, FIRST_YEAR),
  ],
  [/(?<![\d.,:/×x-])(\d{4})(?![\d×x%°]|[.,/]\d|\s?(?:px|pixels?|×|x\s?\d))/gu, (m, r) => aYear(num(m, 1), r)],
];

/** In names of files and folders, where words are joined by strokes and dots. */
const IN_NAMES: readonly (readonly [RegExp, Reader])[] = [
  [
    /(?<!\d)((?:19|20)\d{2})[-_. ]?(\d{2})[-_. ]?(\d{2})(?!\d)/gu,
    (m, r) => ofName(oneDay(num(m, 1), num(m, 2), num(m, 3), r)),
  ],
  [
    /(?<!\d)(\d{2})[-_.](\d{2})[-_.]((?:19|20)\d{2})(?!\d)/gu,
    // Day first, as most of the world writes; month first where there is no such month.
    (m, r) =>
      ofName(oneDay(num(m, 3), num(m, 2), num(m, 1), r) ?? oneDay(num(m, 3), num(m, 1), num(m, 2), r)),
  ],
  [
    /(?<!\d)((?:19|20)\d{2})[-_]((?:19|20)\d{2}|\d{2})(?!\d)/gu,
    (m, r) => aSchoolYear(word(m, 1), word(m, 2), r),
  ],
  [/(?<!\d)((?:19|20)\d{2})[-_./](\d{2})(?!\d)/gu, (m, r) => ofName(aMonth(num(m, 1), num(m, 2), r))],
  [
    new RegExp(`(?<![\\p{L}])(${MONTH_PATTERN})[-_. ]?((?:19|20)\\d{2})(?!\\d)`, 'giu'),
    (m, r) => ofName(aMonth(num(m, 2), monthOf(word(m, 1)) ?? 0, r)),
  ],
  [
    new RegExp(`(?<![\\p{L}])(${SEASON_PATTERN})[-_. ]?((?:19|20)\\d{2}|\\d{2})(?!\\d)`, 'giu'),
    (m, r) => aSeason(word(m, 1), fullYear(num(m, 2)), r, FIRST_DIGITAL_YEAR),
  ],
  [
    /(?<![\dx×]|(?<!\p{L})(?:img|dsc|dscn|dscf|pict?|p|r|sam|cimg|imgp|mvi|gopr|nr|no|plot|lot|ral|ral[-_ ]\d{4}|inv|inventar|inventory|raum|room|haus|artikel|art|ref)[-_ ]?)((?:19|20)\d{2})(?![\dx×]|[-_]\d{3}(?!\d)|px|w(?![\p{L}])|h(?![\p{L}]))/giu,
    (m, r) => aYear(num(m, 1), r, FIRST_DIGITAL_YEAR),
  ],
];

/** A date in a file's name is a camera's or a phone's: none before there were any. */
function ofName<T extends DaySpan>(span: T | null): T | null {
  const first = dayOf(FIRST_DIGITAL_YEAR, 1, 1) as number;
  return span && span.from !== null && span.from >= first ? span : null;
}

/**
 * Dates in a caption, an alt text, a heading or a title, in the order of the text. English, German, French and Spanish
 * names of months and seasons. Years that are beginnings or ends ("since 1931", "until 2023") are left out.
 */
export function mentionsInWords(text: string, rules: MentionRules): DateMention[] {
  if (!MAY_TELL.test(text)) return [];
  const bounded = everyMatch(BEFORE, text).map(
    ({ index, 0: words }) => [index, index + words.length] as const,
  );
  let next = 0;
  return found(text, IN_WORDS, rules).filter(({ at }) => {
    while (at >= (bounded[next]?.[1] ?? Infinity)) next++;
    const isBounded = at >= (bounded[next]?.[0] ?? Infinity);
    return !isBounded && !NOT_THE_TIME.test(text.slice(Math.max(0, at - LONGEST_LEAD), at));
  });
}

/**
 * Dates in the name or path of a file. Pixel sizes are left out.
 *
 * @param sizes the file's own width and height: a name often carries them
 */
export function mentionsInName(
  name: string,
  rules: MentionRules,
  sizes: readonly number[] = [],
): DateMention[] {
  return found(name, IN_NAMES, rules).filter(
    ({ precision, text }) => !(precision === 'year' && sizes.includes(Number(text))),
  );
}

/** Characters before a year in which a word may make it something else’s. */
const LONGEST_LEAD = 30;

/** What the readers find, in the order of the text; where two find something in the same words, the earlier reader holds. */
function found(text: string, readers: readonly (readonly [RegExp, Reader])[], rules: MentionRules): Found[] {
  let all: Found[] = [];
  for (const [pattern, read] of readers) {
    const more: Found[] = [];
    let next = 0;
    for (const match of everyMatch(pattern, text)) {
      const at = match.index;
      const length = match[0].length;
      while (next < all.length && endOf(all[next] as Found) <= at) next++;
      if ((all[next]?.at ?? Infinity) < at + length) continue;
      const span = read(match, rules);
      if (span) more.push({ ...span, text: match[0], at, length });
    }
    if (more.length > 0) all = [...all, ...more].sort((a, b) => a.at - b.at);
  }
  return all;
}

const endOf = ({ at, length }: Found) => at + length;

/** A day of six digits in a file's name, in each order in which it is one: `180622` is a day of June in two of them. */
export function shortDaysInName(name: string, rules: MentionRules): DateMention[] {
  return [...name.matchAll(/(?<!\d)(\d{2})(\d{2})(\d{2})(?!\d)/gu)].flatMap((match) => {
    const [a, b, c] = [num(match, 1), num(match, 2), num(match, 3)];
    const orders = [
      [fullYear(c), b, a],
      [fullYear(a), b, c],
    ] as const;
    const days = orders.flatMap(([year, month, date]) => {
      const span = ofName(oneDay(year, month, date, rules));
      return span ? [{ ...span, text: match[0] }] : [];
    });
    return days.filter((one, i) => days.findIndex(({ from }) => from === one.from) === i);
  });
}

/**
 * Words by which a time is only an upper bound: what is shown was before it. “Before the 2024 concert” is of the days of
 * that concert, and no bound.
 */
const BEFORE =
  /(?<!\p{L})(?:before|prior to|until|vor|bis|avant|jusqu[’']?(?:en|à)|antes|hasta)(?!\p{L})(?:\s+(?:the|de[mnrs]?|die|das|les?|la|las|los|el|l[’'])|\s+(?!in\b|the\b)\p{L}{3,}){0,4}\s*(?:(?:in|of|von|im|de|du|en)\s+)?(?<year>\d{4})(?!\d)(?<!\b(?:the|der|des|dem|den)\s\d{4}(?=\s\p{L}))/giu;

/** Years before whose end a picture was taken, by its words: “before the works of 2012”. */
export function boundsInWords(text: string, rules: MentionRules): DateMention[] {
  return everyMatch(BEFORE, text).flatMap((match) => {
    const span = aYear(Number(match.groups?.['year']), rules);
    return span ? [{ ...span, from: null, text: match[0] }] : [];
  });
}
