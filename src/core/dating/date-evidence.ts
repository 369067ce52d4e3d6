/** What tells when a picture was taken: from its metadata, its name, its file, and the words around it. */
import { dayOf, dayOfMs, monthSpan, yearSpan, type Day, type DaySpan } from './day';
import {
  boundsInWords,
  mentionsInName,
  mentionsInWords,
  shortDaysInName,
  type DateMention,
  type MentionRules,
  type Precision,
} from './date-mentions';

import { relativeTimes } from './relative-times';

/** Where a piece of evidence comes from. */
export type DateOrigin =
  | 'camera'
  | 'scanner'
  | 'metadata'
  | 'file name'
  | 'folder'
  | 'caption'
  | 'alt text'
  | 'heading'
  | 'page'
  | 'file date'
  | 'survey';

/** One piece of evidence: it says that the picture was taken within its days. */
export interface DateEvidence extends DaySpan {
  readonly origin: DateOrigin;
  /** How much it is believed, in natural log-odds: 1 is weak, 6 is next to certain. */
  readonly weight: number;
  /** What was read, as it stands there. */
  readonly text: string;
}

/** A date field of the metadata, as it stands there: `2016:06:11 10:20:00`, `2016-06-11T10:20:00+02:00`, `2016`. */
interface MetadataDate {
  readonly field: string;
  readonly value: string;
}

export interface DateSources {
  /** When a camera took it (EXIF DateTimeOriginal); may be missing. */
  readonly taken?: string | undefined;
  /** When it was made digital (EXIF DateTimeDigitized). */
  readonly digitized?: string | undefined;
  /** Other dates that the metadata give for what is shown: IPTC 2:55, XMP DateCreated. */
  readonly fields?: readonly MetadataDate[];
  /** When an editor last wrote it, and when this file was made, as the metadata say. */
  readonly edited?: string | undefined;
  readonly made?: string | undefined;
  /** Maker, model and program of what took it. */
  readonly camera?: string | undefined;
  /** Address of the file within the site. */
  readonly path: string;
  readonly widthPx?: number | null;
  readonly heightPx?: number | null;
  /** Words of its placements. */
  readonly captions?: readonly string[];
  readonly altTexts?: readonly string[];
  readonly headings?: readonly string[];
  /** What its rows and cards say, with the alt text there, and the day that stands nearest, where there is one. */
  readonly entries?: readonly { readonly text: string; readonly alt?: string; readonly day: Day | null }[];
  /** Titles and addresses of the pages that show it. */
  readonly pages?: readonly { readonly path: string; readonly title: string }[];
  /** When the file was last written, ms since 1970: it was taken before. */
  readonly modifiedMs?: number | null;
  /** When a survey first saw it, ms since 1970: it was taken before. */
  readonly firstSeenMs?: number | null;
}

const WEIGHT: Readonly<Record<DateOrigin, number>> = {
  camera: 6,
  scanner: 3,
  metadata: 4,
  'file name': 3,
  folder: 2,
  caption: 2.5,
  'alt text': 2,
  heading: 1.2,
  page: 1,
  'file date': 2.5,
  survey: 6,
};

/** A day or a month is rarely written by chance; a bare year sometimes is. */
const BY_PRECISION: Readonly<Record<Precision, number>> = {
  day: 1.2,
  month: 1.1,
  season: 1,
  decade: 0.85,
  'school-year': 1,
  year: 0.85,
};

/** Days to which clocks fall back that were never set; a day later or earlier where they were off by their zone. */
const RESET_DAYS = new Set([
  '1970-01-01',
  '1979-12-31',
  '1980-01-01',
  '1980-01-02',
  '1999-12-31',
  '2000-01-02',
  '2002-01-01',
  '2005-01-01',
  '2004-12-31',
  '2005-01-02',
  '2006-01-01',
  '2010-01-01',
  '2000-01-01',
  '2001-01-01',
  '1904-01-01',
  '0000-00-00',
]);

export interface DatingRules extends MentionRules {
  readonly today: Day;
}

/** All that tells when a picture was taken, each piece by itself; what can't be a date is left out. */
export function gatherEvidence(sources: DateSources, rules: DatingRules): DateEvidence[] {
  const { taken, digitized, fields = [], path, widthPx, heightPx } = sources;
  const isScan = SCANNER.test(sources.camera ?? '') || isOldPrint(sources, rules);
  const name = path.slice(path.lastIndexOf('/') + 1);
  const sizes = [widthPx, heightPx].flatMap((size) => (size ? [size] : []));
  const slash = path.lastIndexOf('/');
  const all: DateEvidence[] = [
    ...(isScan ? scanned(taken ?? digitized, false, rules) : fromMetadata('camera', taken, rules)),
    // A camera writes both alike; where they differ, it was scanned later.
    ...(!isScan && digitized && digitized.slice(0, 10) !== taken?.slice(0, 10)
      ? scanned(digitized, !taken, rules)
      : []),
    ...fields.flatMap(({ value }) => fromMetadata('metadata', value, rules)),
    ...(taken || digitized || fields.length > 0 || isScan
      ? []
      : fromMetadata('metadata', sources.made, rules)),
    ...edits(sources, rules),
    ...mentioned('file name', mentionsInName(name, rules, sizes)),
    ...shortDays(name, rules),
    ...oldYear(name),
    ...mentioned('folder', mentionsInName(withoutUploads(path.slice(0, Math.max(0, slash))), rules, sizes)),
    ...words('caption', sources.captions ?? [], rules),
    ...words('alt text', sources.altTexts ?? [], rules),
    ...words('heading', sources.headings ?? [], rules),
    ...(sources.entries ?? []).flatMap((entry) => ofEntry(entry, rules)),
    ...bounds(
      [
        ...(sources.captions ?? []),
        ...(sources.altTexts ?? []),
        ...(sources.entries ?? []).map(({ text }) => text),
      ],
      rules,
    ),
    ...ofPages(sources.pages ?? [], rules),
    ...before('file date', sources.modifiedMs, rules),
    ...before('survey', sources.firstSeenMs, rules),
  ];
  return once(all);
}

/** EXIF 2.32 and XMP dates: `YYYY:MM:DD hh:mm:ss`, ISO 8601 with year, month or day. */
const FIELD = /^\s*(\d{4})(?:[-:](\d{2})(?:[-:](\d{2}))?)?/;
/** Photography began then; an archive dates its scans by what they show. */
const FIRST_PHOTOGRAPH = 1826;

function fromMetadata(
  origin: 'camera' | 'scanner' | 'metadata',
  value: string | undefined,
  rules: DatingRules,
): DateEvidence[] {
  const match = value ? FIELD.exec(value) : null;
  if (!match || !value) return [];
  const span = spanOfField(Number(match[1]), match[2], match[3]);
  if (!span?.from || span.from > rules.today || Number(match[1]) < FIRST_PHOTOGRAPH) return [];
  // A clock that was never set starts at midnight; who photographs on that day does so later.
  const isReset = RESET_DAYS.has(match.slice(1).join('-')) && !/[T ](?:0[6-9]|1\d|2[0-2]):/u.test(value);
  return isReset ? [] : [{ origin, ...span, weight: WEIGHT[origin], text: value.trim() }];
}

/** Scanners and their programs call themselves so. */
const SCANNER = /scan/iu;
/** A print from before there were digital cameras, whatever the clock of what digitised it says. */
const FIRST_DIGITAL_YEAR = 1995;

/** Whether the words around a picture tell of a time that no digital camera has seen. */
function isOldPrint(
  { captions = [], headings = [], entries = [] }: DateSources,
  rules: DatingRules,
): boolean {
  const own = [...captions, ...entries.map(({ text }) => text)].flatMap((text) =>
    mentionsInWords(text, rules),
  );
  const told = own.length > 0 ? own : headings.flatMap((text) => mentionsInWords(text, rules));
  const first = dayOf(FIRST_DIGITAL_YEAR, 1, 1) as Day;
  return (
    told.length > 0 &&
    told.every(({ until, precision }) => until !== null && until < first && precision !== 'year')
  );
}

/** An editor wrote it on that day: it was taken by then. */
function edits({ edited, made, taken, fields = [] }: DateSources, rules: DatingRules): DateEvidence[] {
  const later = taken || fields.length > 0 ? [edited, made] : [edited];
  return later.flatMap((value) =>
    fromMetadata('metadata', value, rules).map((one) => ({
      ...one,
      from: null,
      weight: WEIGHT['file date'],
    })),
  );
}

/** Six digits are a day in one order or in two; where in two, other evidence decides. */
function shortDays(name: string, rules: DatingRules): DateEvidence[] {
  const days = shortDaysInName(name, rules);
  return days.map(({ from, until, text }) => ({
    ...{ origin: 'file name' as const, from, until, text },
    weight: days.length === 1 ? SHORT_DAY : SHORT_DAY / 2,
  }));
}
const SHORT_DAY = 2;

/** A year before there were digital pictures, at the end of a name: somebody named a print. Sizes end so as well. */
function oldYear(name: string): DateEvidence[] {
  const [, year] =
    /(?:^|(?<!(?:^|[-_ ])(?:no|nr|lot|plot|inv|art|ref|raum|room|haus))[-_ ])((?:18[4-9]|19[0-8])\d)\.\w+$/iu.exec(
      name,
    ) ?? [];
  return year ? [{ origin: 'file name', ...yearSpan(Number(year)), text: year, weight: OLD_YEAR }] : [];
}
const OLD_YEAR = 1;

/** When something was put up is no time of taking: content systems make a folder for each year and month. */
const withoutUploads = (folder: string): string =>
  folder
    .replace(
      /(?:^|\/)(?:uploads?|files?|media|dateien|fileadmin|medias?|archivos|fichiers)\/\d{4}(?=\/|$)/iu,
      '/',
    )
    .replace(/(?:^|\/)\d{4}\/\d{2}(?=\/|$)/u, '/');

/**
 * What an entry says of the time. Where it counts from its own day (“last spring”), that day is of the telling and not of
 * the picture.
 */
function ofEntry(
  { text, alt = '', day }: NonNullable<DateSources['entries']>[number],
  rules: DatingRules,
): DateEvidence[] {
  if (day === null) return words('caption', [text], rules);
  const counted = relativeTimes(`${text} ${alt}`, day);
  const isElsewhen = counted.some((span) => !holds(span, day));
  const own = mentionsInWords(text, rules).filter((span) => !(isElsewhen && holds(span, day)));
  return [...mentioned('caption', own), ...mentioned('caption', counted)];
}

const holds = ({ from, until }: DaySpan, day: Day): boolean =>
  from !== null && until !== null && from <= day && until >= day;

/** “Before the works of 2012”. */
function bounds(texts: readonly string[], rules: DatingRules): DateEvidence[] {
  return texts.flatMap((text) =>
    boundsInWords(text, rules).map(({ from, until, text: said }) => ({
      origin: 'caption' as const,
      from,
      until,
      text: said,
      weight: WEIGHT.caption,
    })),
  );
}

/** Weight of a camera having written only this field. */
const PERHAPS_CAMERA = 0.5;

/** What was scanned on a day was taken by that day; where nothing else is said, perhaps on it. */
function scanned(value: string | undefined, isOnly: boolean, rules: DatingRules): DateEvidence[] {
  return fromMetadata('scanner', value, rules).flatMap((one) => [
    { ...one, from: null },
    ...(isOnly ? [{ ...one, weight: PERHAPS_CAMERA }] : []),
  ]);
}

function spanOfField(year: number, month: string | undefined, date: string | undefined): DaySpan | null {
  if (!month) return yearSpan(year);
  if (!date) return Number(month) >= 1 && Number(month) <= 12 ? monthSpan(year, Number(month)) : null;
  const day = dayOf(year, Number(month), Number(date));
  return day === null ? null : { from: day, until: day };
}

function mentioned(origin: DateOrigin, mentions: readonly DateMention[]): DateEvidence[] {
  return mentions.map(({ from, until, precision, text }) => ({
    ...{ origin, from, until, text },
    weight: WEIGHT[origin] * BY_PRECISION[precision],
  }));
}

function words(origin: DateOrigin, texts: readonly string[], rules: DatingRules): DateEvidence[] {
  return texts.flatMap((text) => mentioned(origin, mentionsInWords(text, rules)));
}

/** What a page's title and address say holds for pictures only where all the pages that show it say the same. */
function ofPages(pages: readonly { path: string; title: string }[], rules: DatingRules): DateEvidence[] {
  const each = pages.map(({ path, title }) => [
    ...mentionsInWords(title, rules),
    ...mentionsInName(path, rules),
  ]);
  const [first, ...others] = each;
  if (!first) return [];
  const shared = first.filter(({ from, until }) =>
    others.every((mentions) => mentions.some((one) => one.from === from && one.until === until)),
  );
  return mentioned('page', shared);
}

/** A file was not written before its picture was taken. */
function before(
  origin: 'file date' | 'survey',
  ms: number | null | undefined,
  rules: DatingRules,
): DateEvidence[] {
  if (ms === null || ms === undefined || ms <= 0) return [];
  const until = dayOfMs(ms);
  if (until > rules.today) return [];
  return [{ origin, from: null, until, weight: WEIGHT[origin], text: '' }];
}

/** The same thing said twice by the same kind of witness counts once. */
function once(all: readonly DateEvidence[]): DateEvidence[] {
  const seen = new Map<string, DateEvidence>();
  for (const one of all) {
    const key = `${one.origin} ${one.from} ${one.until}`;
    if (!seen.has(key)) seen.set(key, one);
  }
  return [...seen.values()];
}
