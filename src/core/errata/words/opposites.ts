import { areRelated, plain, tokensOf } from '../../words/content-words';
import { primaryOf, vocabulariesOf, wordsFor } from '../../words/languages/known-languages';
import { remembered } from '../../words/remembered';

type Pair = readonly [readonly string[], readonly string[]];

/** Which pairs a text has a word of, by their numbers: of the one side alone, or of the other alone. */
interface Sides {
  readonly one: ReadonlySet<number>;
  readonly other: ReadonlySet<number>;
}

/** For a language: which sides a text has, each word looked for between blanks and without accents. */
const sidesIn = remembered((primary) => {
  const side = (words: readonly string[]) => words.map((word) => ` ${plain(word)} `);
  const pairs = vocabulariesOf(primary).flatMap(({ opposites }) =>
    opposites.map(([one, other]): Pair => [side(one), side(other)]),
  );
  return remembered((text) => sidesAmong(text, pairs));
});

function sidesAmong(text: string, pairs: readonly Pair[]): Sides {
  const words = ` ${tokensOf(text).map(plain).join(' ')} `;
  const has = (side: readonly string[]) => side.some((word) => words.includes(word));
  const [one, other] = [new Set<number>(), new Set<number>()];
  pairs.forEach(([first, second], n) => {
    const [isOne, isOther] = [has(first), has(second)];
    if (isOne !== isOther) (isOne ? one : other).add(n);
  });
  return { one, other };
}

/** Whether one text has a word of which the other has the opposite, and neither has both. */
export function standsAgainst(a: string, b: string, language: string | null): boolean {
  const sidesOf = sidesIn(primaryOf(language));
  const [own, their] = [sidesOf(a), sidesOf(b)];
  return [...own.one].some((n) => their.other.has(n)) || [...own.other].some((n) => their.one.has(n));
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
