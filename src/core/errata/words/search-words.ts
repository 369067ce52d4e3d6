/** Whether a text is a list of words for search engines, and no sentence. */
import { stemOf, tokensOf } from '../../words/content-words';
import { wordsFor } from '../../words/languages/known-languages';

const LEAST_WORDS = 6;
const LEAST_PARTS = 4;
/** A description has one small word in four or five. */
const MOST_SMALL = 0.1;
/** In a list of names nearly all words have a capital. */
const MANY_CAPITALS = 0.6;

/** Sentences, words in quotes, and names that programs go by are in no such list. */
const NO_LIST = /[.!?]\s|[:;(«“„"]|(?<!\p{L})['‘‚]\p{L}|[\p{L}\d][._]\p{L}/u;

export function isSearchWords(text: string, language: string | null): boolean {
  const words = tokensOf(text);
  if (words.length < LEAST_WORDS || NO_LIST.test(text)) return false;
  // Two or three things told beside each other are a description; search words come in rows, and come again.
  const parts = text.split(',').length;
  if (parts > 1 && parts < LEAST_PARTS && new Set(words.map(stemOf)).size === words.length) return false;
  const small = wordsFor(null, 'functionWords');
  const joining = words.filter((word) => small.has(word)).length;
  if (joining > MOST_SMALL * words.length) return false;
  // Numbers and dates are told in lists, and nobody searches for them.
  if (words.filter((word) => /\d/u.test(word)).length > 1) return false;
  const isGerman = language?.toLowerCase().startsWith('de') ?? false;
  const written = text.match(/[\p{L}\p{M}]+/gu) ?? [];
  const capitals = written.filter((word) => /^\p{Lu}/u.test(word)).length;
  if (!isGerman && capitals > MANY_CAPITALS * written.length) return false;
  return isGerman || !/^\p{Lu}\p{Ll}+ (?:\p{Lu}\p{Ll}+ ?)+,/u.test(text);
}
