/** Times that words give from the day of their page: “yesterday”, “this week”, “last spring”, a day without its year. */
import { everyMatch } from '../words/every-match';
import { dayOf, monthSpan, partsOf, yearSpan, type Day, type DaySpan } from './day';
import type { DateMention } from './date-mentions';
import { MONTH_PATTERN, monthOf, SEASONS } from './month-names';

type Reader = (
  match: RegExpMatchArray,
  day: Day,
) => (DaySpan & { precision: DateMention['precision'] }) | null;

const SEASON_PATTERN = [...SEASONS.keys()].join('|');
const LAST =
  '(?:last|this past|im letzten|letzten|letztes|im vergangenen|vergangenen|vergangenes|im vorigen|vorigen|dernière?|el pasado|la pasada|último|última)';

/** A picture of a day that words name by its distance. */
const oneDay = (day: Day) => ({ from: day, until: day, precision: 'day' as const });

const READERS: readonly (readonly [RegExp, Reader])[] = [
  [/(?<!\p{L})(?:yesterday|gestern(?! abend)|hier soir|ayer)(?!\p{L})/giu, (_, day) => oneDay(day - 1)],
  // In German it means “here”.
  [/(?<!\p{L})hier(?= (?:matin|après-midi),?)|(?<=^|[.!?:,] |\d )hier(?=,)/giu, (_, day) => oneDay(day - 1)],
  [
    /(?<!\p{L})(?:last year|(?:im )?(?:letzte[ns]|vergangene[ns]|vorige[ns]) jahr|l[’']an (?:dernier|passé)|l[’']année (?:dernière|passée)|(?:el )?año pasado)(?!\p{L})/giu,
    (_, day) => ({ ...yearSpan(partsOf(day).year - 1), precision: 'year' }),
  ],
  [
    /(?<!\p{L})(?:last month|(?:im )?(?:letzten|vergangenen|vorigen) monat|le mois (?:dernier|passé)|(?:el )?mes pasado)(?!\p{L})/giu,
    (_, day) => monthBefore(day),
  ],
  [/(?<!\p{L})(?:last night|gestern abend|anoche)(?!\p{L})/giu, (_, day) => oneDay(day - 1)],
  [
    /(?<!\p{L})(?:this morning|heute (?:morgen|früh)|ce matin|esta mañana)(?!\p{L})/giu,
    (_, day) => oneDay(day),
  ],
  [
    new RegExp(
      `(?<!\\p{L})(?:${LAST}\\s+|(?:the |le |la )?)(easter|ostern|pâques|pascua)(?:\\s+(?:dernière?s?|pasada))?(?!\\p{L}|\\s*\\d)`,
      'giu',
    ),
    (m, day) => (/\s/u.test(m[0]) ? easterBefore(day) : null),
  ],
  [/(?<!\p{L})(?:today|heute|aujourd[’']hui|hoy)(?!\p{L})/giu, (_, day) => oneDay(day)],
  [
    /(?<!\p{L})(?:this week|diese woche|in dieser woche|cette semaine|esta semana)(?!\p{L})/giu,
    (_, day) => ({ from: day - 6, until: day, precision: 'month' }),
  ],
  [
    /(?<!\p{L})(?:last week|letzte woche|vergangene woche|la semaine dernière|la semana pasada)(?!\p{L})/giu,
    (_, day) => ({ from: day - 13, until: day - 1, precision: 'month' }),
  ],
  [
    /(?<!\p{L})(?:this month|diesen monat|in diesem monat|ce mois-ci|este mes)(?!\p{L})/giu,
    (_, day) => ({ ...monthSpan(partsOf(day).year, partsOf(day).month), until: day, precision: 'month' }),
  ],
  [
    new RegExp(`(?<!\\p{L})${LAST}\\s+(${SEASON_PATTERN})(?!\\p{L}|\\s*\\d)`, 'giu'),
    (m, day) => seasonBefore(m[1] ?? '', day),
  ],
  [
    new RegExp(
      `(?<!\\p{L})(?:le |la |l[’'])?(printemps|été|automne|hiver|primavera|verano|otoño|invierno)\\s+(?:dernier|dernière|pasad[oa])(?!\\p{L})`,
      'giu',
    ),
    (m, day) => seasonBefore(m[1] ?? '', day),
  ],
  [
    new RegExp(
      `(?<![\\d.])(\\d{1,2})(?:st|nd|rd|th|er|\\.)?\\s+(?:of\\s+|de\\s+)?(${MONTH_PATTERN})(?!\\p{L}|\\.?\\s*(?:de\\s+)?[’']?\\d)`,
      'giu',
    ),
    (m, day) => dayBefore(monthOf(m[2] ?? ''), Number(m[1]), day),
  ],
  [
    new RegExp(`(?<!\\p{L})(${MONTH_PATTERN})\\s+(\\d{1,2})(?:st|nd|rd|th)?(?!\\d|\\s*,?\\s*\\d{4})`, 'giu'),
    (m, day) => dayBefore(monthOf(m[1] ?? ''), Number(m[2]), day),
  ],
];

function monthBefore(day: Day): ReturnType<Reader> {
  const { year, month } = partsOf(day);
  return { ...(month === 1 ? monthSpan(year - 1, 12) : monthSpan(year, month - 1)), precision: 'month' };
}

/** Easter lies between 22 March and 25 April; its week before and the one after belong to it. */
function easterBefore(day: Day): ReturnType<Reader> {
  const { year } = partsOf(day);
  const began = dayOf(year, 3, 20);
  const own = began !== null && began <= day ? year : year - 1;
  const [from, until] = [dayOf(own, 3, 20), dayOf(own, 4, 30)];
  return from === null || until === null ? null : { from, until: Math.min(until, day), precision: 'season' };
}

/** The last season of that name that had begun by a day. */
function seasonBefore(word: string, day: Day): ReturnType<Reader> {
  const months = SEASONS.get(word.toLowerCase());
  if (!months) return null;
  const [from, until] = months;
  for (let { year } = partsOf(day); ; year--) {
    const begin = monthSpan(year, from).from as Day;
    const end = until > 12 ? monthSpan(year + 1, until - 12) : monthSpan(year, until);
    // “Last summer” in July is that of the year before.
    if (begin <= day && (end.until as Day) < day + SEASON_LEFT)
      return { from: begin, until: end.until, precision: 'season' };
  }
}

/** A season may be called the last one in its own last weeks. */
const SEASON_LEFT = 30;

/** The last day of that date by a day. */
function dayBefore(month: number | null, date: number, day: Day): ReturnType<Reader> {
  if (month === null) return null;
  const { year } = partsOf(day);
  for (const one of [dayOf(year, month, date), dayOf(year - 1, month, date)])
    if (one !== null && one <= day) return oneDay(one);
  return null;
}

/** @param day the day of the page, or of the entry, that the words stand in */
export function relativeTimes(text: string, day: Day): DateMention[] {
  return READERS.flatMap(([pattern, read]) =>
    everyMatch(pattern, text).flatMap((match) => {
      const span = read(match, day);
      return span ? [{ ...span, text: match[0] }] : [];
    }),
  );
}
