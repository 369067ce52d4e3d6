/** Whether a text ends in the middle. */
import { tokensOf } from '../../words/content-words';
import { ownVocabulary, languageOfText } from '../../words/languages/known-languages';

const LEAST_WORDS = 4;
/** Words of two letters and less that texts end with; all others of that length are the beginning of a word. */
const SHORT_ENDS = new Set(
  'it up on in so do go to us me no be at of by is am pm uk eu cm mm km kg ml dl m l g h s v x i ii iii iv vi ab an zu so da ja du er es wo um eh ou où au eu ai tu si sí no yo él tú té ya va hé on in là ça un na he we my as or if tv cd id ox'.split(
    ' ',
  ),
);
/** Relative clauses in English end with what they are asked for: “the can that it was filled from”. */
const STRANDED = new Set(['from', 'to', 'for', 'with', 'by', 'into', 'at', 'of', 'onto']);

/**
 * Where a text breaks off: the words that it ends with, or `null` where it is whole.
 *
 * @param language of the page; a text in another that is known is judged by its own
 */
export function breaksOff(text: string, language: string | null): string | null {
  const trimmed = text.trim();
  const words = tokensOf(trimmed);
  const last = words.at(-1);
  if (!last || words.length < LEAST_WORDS) return null;
  const end = words.slice(-2).join(' ');
  if (/[,;–]$/u.test(trimmed)) return end;
  if (!/[\p{L}\p{N}]$/u.test(trimmed)) return null;
  const vocabulary = ownVocabulary(languageOfText(trimmed) ?? language);
  if (vocabulary?.openEnds.includes(last) || vocabulary?.openEnds.includes(end)) {
    const isStranded = STRANDED.has(last) && words.some((word) => vocabulary.relatives.includes(word));
    return isStranded ? null : end;
  }
  const isLetters = /^\p{L}{1,2}$/u.test(last);
  const written = trimmed.split(/\s+/u).at(-1) ?? '';
  // The last part of a name that has several, joined by points or lines.
  if (/[\p{L}\d][._]\p{L}{1,2}$/u.test(written)) return null;
  return isLetters && written === written.toLowerCase() && !SHORT_ENDS.has(last) ? end : null;
}
