/** Finds the very words of a recorded credit line in a text: all of them, in their order, in one run. */
import { isWord, textAlone, wordsOf, type CreditText, type Word } from './credit-text';
import { sayingWords } from './credit-words';
import { isLonger, type OwnWords } from './names';

/** Below so many words that say something the line is compared whole. */
const FEW_WORDS = 2;

/** Whether a text carries a line. Words like “photo” and “by” add nothing to it, unless too little is left without them. */
export function carriesLine(text: CreditText, line: string, own: OwnWords): boolean {
  const wanted = wordsOf(textAlone(line)).map(({ folded }) => folded);
  const saying = sayingWords(wanted);
  if (saying.length < FEW_WORDS) return standsIn(wordsOf(text), wanted, own);
  const words = wordsOf(text);
  const kept = sayingWords(words.map(({ folded }) => folded)).map((at) => words[at] as Word);
  return standsIn(kept, saying.map((at) => wanted[at] as string), own); // oxfmt-ignore
}

function standsIn(words: readonly Word[], wanted: readonly string[], own: OwnWords): boolean {
  if (wanted.length === 0) return false;
  for (let at = 0; at + wanted.length <= words.length; at++) {
    const isHere = wanted.every((word, i) => isWord((words[at + i] as Word).folded, word));
    if (isHere && !isLonger(words, [at, at + wanted.length], own)) return true;
  }
  return false;
}
