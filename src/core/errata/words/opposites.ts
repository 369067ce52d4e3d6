import { areRelated, plain, tokensOf } from './content-words';
import { vocabulariesOf } from './languages/known-languages';

/** Whether one text has a word of which the other has the opposite, and neither has both. */
export function standsAgainst(a: string, b: string, language: string | null): boolean {
  const [first, second] = [a, b].map((text) => ` ${tokensOf(text).map(plain).join(' ')} `) as [
    string,
    string,
  ];
  const has = (text: string, words: readonly string[]) =>
    words.some((word) => text.includes(` ${plain(word)} `));
  return vocabulariesOf(language).some(({ opposites }) =>
    opposites.some(([one, other]) => {
      const sides = [has(first, one), has(first, other), has(second, one), has(second, other)] as const;
      return (
        (sides[0] && !sides[1] && sides[3] && !sides[2]) || (sides[1] && !sides[0] && sides[2] && !sides[3])
      );
    }),
  );
}

/** A label of so few words is about what its colour tells. */
const SHORT_LABEL = 3;

/** Whether both name one colour and not the same, of what is the same thing by its noun, or by a label that is hardly more. */
export function areOfOtherColours(text: string, label: string, language: string | null): boolean {
  const colours = new Set(vocabulariesOf(language).flatMap((list) => list.colours));
  const [own, theirs] = [tokensOf(text), tokensOf(label)];
  const [mine, other] = [own, theirs].map((words) => words.filter((word) => colours.has(word))) as [
    string[],
    string[],
  ];
  if (mine.length !== 1 || other.length !== 1 || areRelated(mine[0] ?? '', other[0] ?? '')) return false;
  return theirs.length <= SHORT_LABEL && own.length <= 2 * SHORT_LABEL;
}
