/** Words that carry a text's meaning, and which of them mean the same: cases, plurals and compounds of four languages. */
import { remembered } from './remembered';

/** The words of a text, in lower case, as they are written. */
export const tokensOf: (text: string) => readonly string[] = remembered(
  (text) => text.toLowerCase().match(/[\p{L}\p{M}\p{N}]+(?:-[\p{L}\p{M}\p{N}]+)*/gu) ?? [],
);

/** Without accents and marks, so that `été` and `ete` are one. */
export const plain = (word: string): string => word.normalize('NFKD').replace(/\p{M}/gu, '');

/** Endings of plurals, cases and verbs; what is left must still be a word. */
const ENDINGS = /(?:ies|ings?|ers?|ern|eaux|es|ed|en|em|nen|os|as|s|e|n|a|o|x|y)$/u;
const LEAST_STEM = 3;

/** Pages say the same words over and over. */
const MOST_WORDS = 50_000;

export const stemOf: (word: string) => string = remembered((word) => {
  const bare = plain(word);
  const [ending] = ENDINGS.exec(bare) ?? [];
  return ending && bare.length - ending.length >= LEAST_STEM ? bare.slice(0, -ending.length) : bare;
}, MOST_WORDS);

const LEAST_PREFIX = 5;

/** Whether two words have the same stem, or one is a part of the other, as in compounds. */
export function areRelated(a: string, b: string): boolean {
  return haveRelatedStems(stemOf(a), stemOf(b));
}

function haveRelatedStems(first: string, second: string): boolean {
  if (first === second) return true;
  const [short, long] = first.length <= second.length ? [first, second] : [second, first];
  if (short.length < LEAST_PREFIX) return false;
  if (long.startsWith(short) || long.endsWith(short)) return true;
  if (short[0] !== long[0] || short[1] !== long[1]) return false;
  let same = 2;
  while (same < short.length && short[same] === long[same]) same++;
  return same >= LEAST_PREFIX && same >= 0.75 * long.length;
}

/** The words of a text but those that only join others. @param small words of the languages in question */
export function contentWords(text: string, small: ReadonlySet<string>): string[] {
  return [...new Set(tokensOf(text))].filter((word) => word.length > 1 && !small.has(word));
}

/** Those of the first words that one of the others is related to. */
export function sharedWords(some: readonly string[], others: readonly string[]): string[] {
  if (some.length === 0 || others.length === 0) return [];
  const theirs = others.map(stemOf);
  return some.filter((word) => {
    const stem = stemOf(word);
    return theirs.some((other) => haveRelatedStems(stem, other));
  });
}
