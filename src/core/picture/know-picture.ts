/** All that can be told of one picture from its files, the places that show it and what people said: age, kind, leftover. */
import { bestInterval, type Dating } from '../dating/best-interval';
import { changedSince, type ChangedSubject, type Subject } from '../dating/changed-subject';
import { gatherEvidence, type DatingRules } from '../dating/date-evidence';
import { mentionsInName, mentionsInWords, type Precision } from '../dating/date-mentions';
import type { Day } from '../dating/day';
import { guessKind } from '../dating/guess-kind';
import { isHistoric, standsInItsTime } from '../dating/own-time';
import { livesOf, strictestAgeing, type Ageing, type PictureKind, type SetLife } from '../dating/shelf-life';
import type { DrawnSign } from './drawn-signs';
import { type Teaching } from './leftover-strength';
import { placeholderVerdict, type PlaceholderVerdict } from './placeholder';

/** A file of the picture, with what was read from its bytes. */
interface KnownFile {
  readonly path: string;
  readonly widthPx: number;
  readonly heightPx: number;
  readonly modifiedMs: number | null;
  /** As `emptinessOf` gives it. */
  readonly emptiness: number;
  /** As `drawnSign` gives it. */
  readonly sign?: DrawnSign | null | undefined;
  /** Words that were read in it; absent where that was not tried. */
  readonly readText?: string | null | undefined;
  /** As `PlaceholderSources` has them; absent where they are not known. */
  readonly photosBeside?: number | undefined;
  readonly numberedBeside?: number | undefined;
  readonly taken?: string | undefined;
  readonly digitized?: string | undefined;
  readonly dates?: readonly { readonly field: string; readonly value: string }[] | undefined;
  readonly camera?: string | undefined;
  readonly edited?: string | undefined;
  readonly made?: string | undefined;
}

export interface KnownPlace {
  /** Path of the file that it shows; absent where the picture has but one. */
  readonly file?: string | undefined;
  readonly alt: string | null;
  readonly caption: string | null;
  readonly headings: readonly string[];
  /** Text before and after it. */
  readonly near: string;
  /** What its row, card or paragraph says; absent where that is nothing. */
  readonly entry?: string | undefined;
  /** Path of the run of like elements that it stands in, within its page. */
  readonly row?: string | null | undefined;
  /** Whether a press on it leads to the site's first page. */
  readonly isHomeLink?: boolean | undefined;
  /** Path and title of its page, and the section that it belongs to. */
  readonly page: string;
  readonly title: string;
  readonly section: string;
}

export interface PictureSources {
  /** The one that stands for all of them first. */
  readonly files: readonly [KnownFile, ...KnownFile[]];
  readonly places: readonly KnownPlace[];
  readonly subjects: readonly Subject[];
  readonly teaching: Teaching | null;
  readonly looksTaught: boolean;
  /** Words that were read in it; absent where that was not tried. */
  readonly readText?: string | null | undefined;
  /** What a person settled that it shows; `null` leaves it to be guessed. */
  readonly settledKind: PictureKind | null;
}

export interface KnowingRules extends DatingRules {
  readonly lives: readonly SetLife[];
  /** Of school years, 1 to 12. */
  readonly firstMonth: number;
}

export interface KnownPicture {
  readonly dating: Dating;
  readonly kind: PictureKind | null;
  /** What the kind was guessed from; empty where it was not. */
  readonly guessedFrom: string;
  /** `null` where it does not age. */
  readonly ageing: Ageing | null;
  readonly changed: ChangedSubject | null;
  /** Of all its files, the one that is most surely a leftover. */
  readonly placeholder: PlaceholderVerdict;
  /** Paths of its files that are leftovers: a drawing of a lesson may look like the sign that a template left. */
  readonly leftoverFiles: readonly string[];
  /** The pages that show it. */
  readonly pages: readonly { readonly path: string; readonly title: string }[];
}

/** The texts that there are, each once. */
export const texts = (values: readonly (string | null | undefined)[]): string[] => [
  ...new Set(values.flatMap((value) => (value ? [value] : []))),
];

/** The heading nearest to a place that names a time; else the first, which tells what the page is about. */
function headingOf({ headings }: Pick<KnownPlace, 'headings'>, rules: DatingRules): string | null {
  return (
    headings.toReversed().find((heading) => mentionsInWords(heading, rules).length > 0) ?? headings[0] ?? null
  );
}

/** What stands in the rows and captions of a picture, each with the day that its page or section tells of. */
function entriesOf(
  places: readonly Pick<KnownPlace, 'alt' | 'entry' | 'caption' | 'headings' | 'near' | 'page' | 'title'>[],
  rules: DatingRules,
): { text: string; alt: string; day: Day | null }[] {
  return places.flatMap(({ alt, entry, caption, headings, near, page, title }) => {
    const own = entry ?? caption ?? '';
    if (own === '' && !alt) return [];
    const times = [own, ...headings.toReversed(), title].flatMap((text) => mentionsInWords(text, rules));
    const [day] = [...times, ...mentionsInName(page, rules), ...mentionsInWords(near, rules)].filter(
      ({ precision }) => precision === 'day' || precision === 'month',
    );
    return [{ text: own, alt: alt ?? '', day: day?.until ?? null }];
  });
}

/** Under more different headings than that a picture belongs to none of them: it is a button, or a mark. */
const MOST_HEADINGS = 4;
/** The same of captions, links and rows: what stands beside so many different words is told of by none of them. */
const MOST_BESIDE = 12;
const unlessTooMany = <T>(all: readonly T[], most: number): readonly T[] => (all.length > most ? [] : all);

/** What all places of a picture say of it, each thing once. */
export function wordsOfPlaces(places: readonly KnownPlace[], rules: DatingRules) {
  const rows = texts(places.map(({ entry, caption }) => entry ?? caption));
  return {
    altTexts: texts(places.map(({ alt }) => alt)),
    captions: unlessTooMany(texts(places.map(({ caption }) => caption)), MOST_BESIDE),
    headings: unlessTooMany(texts(places.map((place) => headingOf(place, rules))), MOST_HEADINGS),
    pages: [...new Map(places.map(({ page, title }) => [page, { path: page, title }])).values()],
    entries: rows.length > MOST_BESIDE ? [] : entriesOf(places, rules),
  };
}

/** How exactly a picture's name and folder, its words and the headings above it name a time. */
function timesOf(
  path: string,
  {
    captions,
    altTexts,
    headings,
  }: Pick<ReturnType<typeof wordsOfPlaces>, 'captions' | 'altTexts' | 'headings'>,
  rules: DatingRules,
): Precision[] {
  const folder = /([^/]+)\/[^/]+$/u.exec(path)?.[1] ?? '';
  const name = path.slice(path.lastIndexOf('/') + 1);
  const isDated = mentionsInName(folder, rules).some(
    ({ precision }) => precision === 'day' || precision === 'month',
  );
  return [
    ...[...captions, ...altTexts, ...headings].flatMap((text) => mentionsInWords(text, rules)),
    ...mentionsInName(name, rules).filter(({ precision }) => precision === 'school-year'),
    // Who makes a folder for a month or a day keeps in it what happened then.
    ...(isDated && /\p{L}{3}/u.test(folder) ? [{ precision: 'day' as const }] : []),
  ].map(({ precision }) => precision);
}

export function knowPicture(sources: PictureSources, rules: KnowingRules): KnownPicture {
  const { files, places } = sources;
  const [master] = files;
  const words = wordsOfPlaces(places, rules);
  const evidence = files.flatMap(
    ({ path, widthPx, heightPx, modifiedMs, taken, digitized, dates = [], ...file }) =>
      gatherEvidence(
        {
          ...{ path, widthPx, heightPx, modifiedMs, taken, digitized, fields: dates },
          ...{ camera: file.camera, edited: file.edited, made: file.made },
          ...(path === master.path ? words : {}),
        },
        rules,
      ),
  );
  const dating = bestInterval(distinct(evidence));
  const { path, widthPx, heightPx } = master;
  const guess = sources.settledKind
    ? null
    : guessKind({
        ...{ path, widthPx, heightPx, ...words },
        entries: texts(words.entries.map(({ text }) => text)),
        times: timesOf(path, words, rules),
      });
  const kind = sources.settledKind ?? guess?.kind ?? null;
  const isOfItsTime = standsInItsTime(dating, words.pages, rules) || isHistoric(dating, rules.today);
  const sections = [...new Set(places.map(({ section }) => section))];
  const lives = kind && !isOfItsTime ? livesOf(kind, sections, rules.lives) : null;
  return {
    ...{ dating, kind, guessedFrom: guess?.reason ?? '', pages: words.pages },
    ageing: lives && strictestAgeing(dating, lives, rules.today, rules.firstMonth),
    changed: changedSince(dating, sources.subjects),
    ...leftoversOf(sources),
  };
}

/** A file's name without what marks a rendition of it: a size, a word for small or large. */
const stemOf = (path: string): string =>
  path
    .slice(path.lastIndexOf('/') + 1)
    .toLowerCase()
    .replace(/\.\w{2,5}$/u, '')
    .replace(
      /(?:[-_ .]?(?:\d{2,5}x\d{2,5}|\d{3,4}w?|@\dx|thumb(?:nail)?|small|large|medium|klein|gross|web|retina|scaled|lg|sm|md|xl))+$/u,
      '',
    );

/** Files of one name are judged together, with the places that show them; the surest leftover stands for all. */
function leftoversOf(sources: PictureSources): Pick<KnownPicture, 'placeholder' | 'leftoverFiles'> {
  const groups = new Map<string, KnownFile[]>();
  for (const file of sources.files) {
    const stem = stemOf(file.path);
    groups.set(stem, [...(groups.get(stem) ?? []), file]);
  }
  const verdicts = [...groups.values()].map((files) => ({ files, verdict: verdictOn(sources, files) }));
  const shown = verdicts.filter(({ files }) => placesOf(sources, files).length > 0);
  const all = (shown.length > 0 ? shown : verdicts).toSorted((a, b) => b.verdict.belief - a.verdict.belief);
  const leftovers = all.filter(({ verdict }) => verdict.isPlaceholder);
  return {
    placeholder: (all[0] as (typeof all)[number]).verdict,
    leftoverFiles: leftovers.flatMap(({ files }) => files.map(({ path }) => path)),
  };
}

function placesOf({ places }: PictureSources, files: readonly KnownFile[]): readonly KnownPlace[] {
  return places.filter(({ file }) => file === undefined || files.some(({ path }) => path === file));
}

function verdictOn(sources: PictureSources, files: readonly KnownFile[]): PlaceholderVerdict {
  const [first] = files.toSorted((a, b) => b.widthPx * b.heightPx - a.widthPx * a.heightPx) as [KnownFile];
  const { widthPx, heightPx, emptiness } = first;
  return placeholderVerdict({
    paths: files.map((file) => file.path),
    ...{ widthPx, heightPx, emptiness, sign: first.sign ?? null },
    readText: first.readText ?? sources.readText ?? null,
    isFromCamera: files.some(({ camera, taken }) => camera !== undefined || taken !== undefined),
    places: placesOf(sources, files).map((place) => ({
      ...{ alt: place.alt, caption: place.caption, near: place.near },
      ...{ section: place.section, page: place.page },
      heading: place.headings.at(-1) ?? '',
      entry: place.entry ?? '',
      row: place.row ? `${place.page} ${place.row}` : null,
      isHomeLink: place.isHomeLink ?? false,
    })),
    photosBeside: Math.max(0, ...files.map((file) => file.photosBeside ?? 0)),
    numberedBeside: Math.max(0, ...files.map((file) => file.numberedBeside ?? 0)),
    ...{ teaching: sources.teaching, looksTaught: sources.looksTaught },
  });
}

/** The same date in several files of a picture, or said by several of its pages, is one witness. */
function distinct<T extends { origin: string; from: number | null; until: number | null }>(
  evidence: readonly T[],
): T[] {
  return [...new Map(evidence.map((one) => [`${one.origin} ${one.from} ${one.until}`, one])).values()];
}
