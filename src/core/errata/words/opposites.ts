import { areRelated, plain, tokensOf } from '../../words/content-words';
import type { Vocabulary } from '../../words/languages/vocabulary';
import { vocabulariesOf, wordsFor } from '../../words/languages/known-languages';

type Pair = readonly [readonly string[], readonly string[]];
const pairsKnown = new Map<Vocabulary, readonly Pair[]>();

/** The opposites of a language, each word between blanks and without accents, as texts are looked through for it. */
function pairsOf(vocabulary: Vocabulary): readonly Pair[] {
  let pairs = pairsKnown.get(vocabulary);
  if (!pairs) {
    const side = (words: readonly string[]) => words.map((word) => ` ${plain(word)} `);
    pairs = vocabulary.opposites.map(([one, other]) => [side(one), side(other)] as const);
    pairsKnown.set(vocabulary, pairs);
  }
  return pairs;
}

/** Whether one text has a word of which the other has the opposite, and neither has both. */
export function standsAgainst(a: string, b: string, language: string | null): boolean {
  const [first, second] = [a, b].map((text) => ` ${tokensOf(text).map(plain).join(' ')} `) as [
    string,
    string,
  ];
  const has = (text: string, words: readonly string[]) => words.some((word) => text.includes(word));
  return vocabulariesOf(language)
    .flatMap(pairsOf)
    .some(([one, other]) => {
      const isOne = has(first, one);
      const isOther = has(first, other);
      if (isOne === isOther) return false;
      return isOne ? has(second, other) && !has(second, one) : has(second, one) && !has(second, other);
    });
}

/** A label of so few words is about what its colour tells. */
const SHORT_LABEL = 3;

/** Whether both name one colour and not the same, of what is the same thing by its noun, or by a label that is hardly more. */
export function areOfOtherColours(text: string, label: string, language: string | null): boolean {
  const colours = wordsFor(language, 'colours');
  const [own, theirs] = [tokensOf(text), tokensOf(label)];
  const [mine, other] = [own, theirs].map((words) => words.filter((word) => colours.has(word))) as [
    string[],
    string[],
  ];
  if (mine.length !== 1 || other.length !== 1 || areRelated(mine[0] ?? '', other[0] ?? '')) return false;
  return theirs.length <= SHORT_LABEL && own.length <= 2 * SHORT_LABEL;
}
