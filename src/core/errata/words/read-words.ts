/** Words that were read in a picture by a machine, and which of them the page does not carry. */

/** One word as text recognition gives it. */
export interface ReadWord {
  readonly text: string;
  /** 0 to 100. */
  readonly confidence: number;
}

/** Below that a machine sees words in leaves and faces. */
const SURE = 70;

/**
 * The words that were surely read, line by line; empty where the picture holds none.
 *
 * @param sure the least confidence, 0 to 100
 */
export function sureText(lines: readonly (readonly ReadWord[])[], sure = SURE): string {
  return lines
    .map((words) =>
      words
        .filter(({ text, confidence }) => confidence >= sure && /[\p{L}\p{N}]/u.test(text))
        .map(({ text }) => text)
        .join(' '),
    )
    .filter(Boolean)
    .join('\n');
}

/** Too short to tell anything, and the first that a machine misreads. */
const LEAST_LETTERS = 3;

/** The words of a text that count, each once, as it is written; numbers count from two digits on. */
export function countingWords(text: string): string[] {
  const words = text.match(/[\p{L}\p{M}\p{N}'’-]+/gu) ?? [];
  const counting = words.filter((word) => word.length >= LEAST_LETTERS || /^\p{N}{2}$/u.test(word));
  return [...new Map(counting.map((word) => [bare(word), word])).values()];
}

const bare = (word: string) => word.normalize('NFKD').replace(/\p{M}/gu, '').toLowerCase();

/**
 * The words of a picture that stand nowhere else.
 *
 * @param carried what readers who can’t see it meet: alt text, caption, neighbouring text
 */
export function wordsNotCarried(readText: string, carried: string): string[] {
  const there = new Set(countingWords(carried).map(bare));
  return countingWords(readText).filter((word) => !isCarried(bare(word), there));
}

/** A letter that the machine misread in a longer word does not make it another one. */
function isCarried(word: string, there: ReadonlySet<string>): boolean {
  if (there.has(word)) return true;
  if (word.length < 5 || /\p{N}/u.test(word)) return false;
  return [...there].some((other) => other.length === word.length && differing(other, word) <= 1);
}

function differing(a: string, b: string): number {
  let count = 0;
  for (let i = 0; i < a.length; i++) if (a[i] !== b[i]) count++;
  return count;
}
