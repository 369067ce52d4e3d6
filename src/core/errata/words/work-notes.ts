/** Notes that whoever made a page left in place of words for readers. */
import { vocabulariesOf } from '../../words/languages/known-languages';

/** Letters struck at random: no vowel, or neighbours on the keyboard. */
const AT_RANDOM = /^(?:[a-z]{3,}\s)?(?:asdf|qwer|sdfg|jkl|yxcv|zxcv|hjkl|dfgh)[a-z]*(?:\s[a-z]{2,})?$/iu;
/** Names that programs give to what they make. */
const BY_PROGRAM = /^\p{Ll}+(?:_\p{Ll}+)+$|^[\p{Ll}]+(?:[_-](?:\d+|final\d*|neu|new|copy|v\d+))+$/u;
/** A word and its number with no blank between. */
const NUMBERED =
  /^(?:step|schritt|paso|étape|etape|slide|folie|bild|image|foto|photo|pic|item|hero|banner|test)\d+$/iu;

/** @param language of the page */
export function isWorkNote(text: string, language: string | null): boolean {
  return (
    AT_RANDOM.test(text) ||
    BY_PROGRAM.test(text) ||
    NUMBERED.test(text) ||
    vocabulariesOf(language).some(({ workNotes }) => workNotes.test(text))
  );
}
