/** Which languages rules know, which hold for a page, and in which a text is written. */
import { tokensOf } from '../content-words';
import { remembered } from '../remembered';
import { de } from './de';
import { en } from './en';
import { es } from './es';
import { fr } from './fr';
import type { Vocabulary } from './vocabulary';

const KNOWN: ReadonlyMap<string, Vocabulary> = new Map(Object.entries({ en, de, fr, es }));
const ALL = [...KNOWN.values()];

/** The primary language of a BCP 47 tag: `de` of `de-CH`. */
export const primaryOf = (tag: string | null): string => (tag === null ? '' : primaryOfTag(tag));

const primaryOfTag = remembered((tag) => tag.toLowerCase().split('-')[0] ?? '');

/**
 * The vocabularies that hold for a page: that of its language and the English one, which templates bring along; all of
 * them where the page does not say, or says one that has none.
 */
export function vocabulariesOf(tag: string | null): readonly Vocabulary[] {
  return BESIDE_ENGLISH.get(primaryOf(tag)) ?? ALL;
}

const BESIDE_ENGLISH: ReadonlyMap<string, readonly Vocabulary[]> = new Map(
  [...KNOWN].map(([language, own]) => [language, own === en ? [en] : [own, en]]),
);

/** That of the page's own language alone; `null` where rules do not know it. */
export const ownVocabulary = (tag: string | null): Vocabulary | null => KNOWN.get(primaryOf(tag)) ?? null;

export type WordField = {
  [K in keyof Vocabulary]: Vocabulary[K] extends readonly string[] ? K : never;
}[keyof Vocabulary];

const wordsKnown = new Map<string, ReadonlySet<string>>();

/** The words of some lists of all vocabularies that hold for a page, once for each language. */
export function wordsFor(tag: string | null, ...fields: readonly WordField[]): ReadonlySet<string> {
  const primary = primaryOf(tag);
  // Pages may say any language: those that have no vocabulary share one entry.
  const key = `${KNOWN.has(primary) ? primary : ''} ${fields.join(' ')}`;
  let words = wordsKnown.get(key);
  if (!words) {
    words = new Set(vocabulariesOf(tag).flatMap((list) => fields.flatMap((field) => list[field])));
    wordsKnown.set(key, words);
  }
  return words;
}

/** Letters and endings that only one of the languages has. */
const MARKS: Readonly<Record<string, RegExp>> = {
  de: /[äöüß]|(?<=\p{L}{3})(?:ung|keit|schaft|lich|isch)(?!\p{L})/giu,
  fr: /[çœêèùîôâ]|(?<!\p{L})(?:d|l|qu|c|n|s|j)['’](?=\p{L})|(?<=\p{L}{3})(?:eau|eux|aux|oise|ière)(?!\p{L})/giu,
  es: /[ñ¿¡]|(?<=\p{L}{3})(?:ción|dad|ado|ido|illa|illo)(?!\p{L})/giu,
  en: /(?<=\p{L}{3})(?:ing|tion|ness|ight|ough)(?!\p{L})|(?<=\p{L})['’]s(?!\p{L})/giu,
};

/** What stands in quotation marks is said in its own language. */
const QUOTED = /[“„«"][^”“»"]{2,}[”“»"]|‘[^’]{3,}’(?!\p{L})/gu;

const withoutQuotes = (text: string): string => text.replace(QUOTED, ' ');

/** By word: which languages have it, and how much it tells: small words most. */
const WEIGHTS: ReadonlyMap<string, ReadonlyMap<string, number>> = weigh();

function weigh(): Map<string, Map<string, number>> {
  const weights = new Map<string, Map<string, number>>();
  for (const [language, vocabulary] of KNOWN) {
    const { commonWords, tooGeneral, anyPerson, holdsFigures, holdsText, iconLooks, functionWords } =
      vocabulary;
    const lists = [
      [0.7, [...commonWords, ...tooGeneral, ...anyPerson, ...holdsFigures, ...holdsText, ...iconLooks]],
      [1, functionWords],
    ] as const;
    for (const [weight, words] of lists)
      for (const word of words) {
        const known = weights.get(word) ?? new Map<string, number>();
        weights.set(word, known.set(language, weight));
      }
  }
  return weights;
}

/** Points from which on a text is surely of a language, and by how many it must lead. */
const SURE = 1.6;
const LEAD = 1;

/**
 * The language that a text is surely written in, of those that rules know, or `null`: by its small words, which every
 * sentence has, by common ones, and by letters and endings that the others lack.
 */
export const languageOfText: (text: string) => string | null = remembered((text) => {
  const own = withoutQuotes(text);
  const points = new Map([...KNOWN.keys()].map((language) => [language, 0]));
  for (const word of tokensOf(own)) {
    const weights = WEIGHTS.get(word);
    // What several languages have tells little between them.
    for (const [language, weight] of weights ?? [])
      points.set(language, (points.get(language) ?? 0) + weight / (weights?.size ?? 1));
  }
  for (const [language, marks] of Object.entries(MARKS))
    points.set(language, (points.get(language) ?? 0) + 0.7 * Math.min(2, (own.match(marks) ?? []).length));
  const [best, next] = [...points].sort((a, b) => b[1] - a[1]);
  return best && next && best[1] >= SURE && best[1] >= next[1] + LEAD ? best[0] : null;
});
