/** All that can be told of one picture from its files, the places that show it and what people said: age, kind, leftover. */
import { bestInterval, type Dating } from '../dating/best-interval';
import { changedSince, type ChangedSubject, type Subject } from '../dating/changed-subject';
import { gatherEvidence, type DatingRules } from '../dating/date-evidence';
import { guessKind } from '../dating/guess-kind';
import { isHistoric, standsInItsTime } from '../dating/own-time';
import { livesOf, strictestAgeing, type Ageing, type PictureKind, type SetLife } from '../dating/shelf-life';
import { placeholderVerdict, type PlaceholderVerdict, type Teaching } from './placeholder';

/** A file of the picture, with what was read from its bytes. */
interface KnownFile {
  readonly path: string;
  readonly widthPx: number;
  readonly heightPx: number;
  readonly modifiedMs: number | null;
  /** As `emptinessOf` gives it. */
  readonly emptiness: number;
  readonly taken?: string | undefined;
  readonly digitized?: string | undefined;
  readonly dates?: readonly { readonly field: string; readonly value: string }[] | undefined;
  readonly camera?: string | undefined;
}

export interface KnownPlace {
  readonly alt: string | null;
  readonly caption: string | null;
  readonly headings: readonly string[];
  /** Text before and after it. */
  readonly near: string;
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
  readonly placeholder: PlaceholderVerdict;
  /** The pages that show it. */
  readonly pages: readonly { readonly path: string; readonly title: string }[];
}

/** The texts that there are, each once. */
export const texts = (values: readonly (string | null | undefined)[]): string[] => [
  ...new Set(values.flatMap((value) => (value ? [value] : []))),
];

/** Under more different headings than that a picture belongs to none of them: it is a button, or a mark. */
const MOST_HEADINGS = 4;

export function knowPicture(sources: PictureSources, rules: KnowingRules): KnownPicture {
  const { files, places } = sources;
  const [master] = files;
  const headings = texts(places.flatMap((place) => place.headings.slice(0, 1)));
  const words = {
    altTexts: texts(places.map(({ alt }) => alt)),
    captions: texts(places.map(({ caption }) => caption)),
    headings: headings.length > MOST_HEADINGS ? [] : headings,
    pages: [...new Map(places.map(({ page, title }) => [page, { path: page, title }])).values()],
  };
  const evidence = files.flatMap(({ path, widthPx, heightPx, modifiedMs, taken, digitized, dates = [] }) =>
    gatherEvidence(
      {
        ...{ path, widthPx, heightPx, modifiedMs, taken, digitized, fields: dates },
        ...(path === master.path ? words : {}),
      },
      rules,
    ),
  );
  const dating = bestInterval(distinct(evidence));
  const { path, widthPx, heightPx, emptiness } = master;
  const guess = sources.settledKind ? null : guessKind({ path, widthPx, heightPx, ...words });
  const kind = sources.settledKind ?? guess?.kind ?? null;
  const isOfItsTime = standsInItsTime(dating, words.pages, rules) || isHistoric(dating, rules.today);
  const sections = [...new Set(places.map(({ section }) => section))];
  const lives = kind && !isOfItsTime ? livesOf(kind, sections, rules.lives) : null;
  return {
    ...{ dating, kind, guessedFrom: guess?.reason ?? '', pages: words.pages },
    ageing: lives && strictestAgeing(dating, lives, rules.today, rules.firstMonth),
    changed: changedSince(dating, sources.subjects),
    placeholder: placeholderVerdict({
      paths: files.map((file) => file.path),
      ...{ widthPx, heightPx, emptiness },
      isFromCamera: files.some(({ camera, taken }) => camera !== undefined || taken !== undefined),
      ...{ altTexts: words.altTexts, captions: words.captions },
      nearTexts: texts(places.map(({ near }) => near)),
      sections: sections.filter((section) => section !== ''),
      ...{ teaching: sources.teaching, looksTaught: sources.looksTaught },
    }),
  };
}

/** The same date in several files of a picture, or said by several of its pages, is one witness. */
function distinct<T extends { origin: string; from: number | null; until: number | null }>(
  evidence: readonly T[],
): T[] {
  return [...new Map(evidence.map((one) => [`${one.origin} ${one.from} ${one.until}`, one])).values()];
}
