/** Finds by which names a text names pictures: their titles, the names of their files, the numbers of their captions. */
import { everyMatch } from '../../words/every-match';
import { folded, isWord, joinedTexts, plain, textAlone, wordsOf, type CreditText } from './credit-text';
import { fileUnder } from '../filed';
import { numbersIn } from './picture-numbers';

/** A picture as texts may name it. */
export interface NamedPicture {
  /** Names the picture, all files of it. */
  readonly key: string;
  readonly titles: readonly string[];
  /** File names with their endings. */
  readonly files: readonly string[];
  readonly numbers: readonly number[];
}

/** Where a text names pictures. */
export interface NameSpan {
  readonly keys: readonly string[];
  readonly start: number;
  readonly end: number;
}

interface Title {
  readonly words: readonly string[];
  readonly keys: string[];
}

/** The pictures that a text may name, filed by how their names begin. */
export class NameBook {
  private readonly titles = new Map<string, Title[]>();
  private readonly files = new Map<string, string[]>();
  private readonly numbers = new Map<number, string[]>();

  constructor(pictures: Iterable<NamedPicture>) {
    for (const { key, titles, files, numbers } of pictures) {
      for (const title of titles) this.addTitle(title, key);
      for (const file of files) this.add(this.files, folded(plain(file)), key);
      for (const number of numbers) this.add(this.numbers, number, key);
    }
  }

  /** A picture may be told of more than once. */
  private add<K>(names: Map<K, string[]>, name: K, key: string): void {
    if (!names.get(name)?.includes(key)) fileUnder(names, name, key);
  }

  private addTitle(title: string, key: string): void {
    const words = wordsOf(textAlone(title)).map(({ folded: word }) => word);
    const [first] = words;
    if (first === undefined) return;
    const bucket = initial(first);
    const same = this.titles.get(bucket)?.find((one) => one.words.join(' ') === words.join(' '));
    if (!same) fileUnder(this.titles, bucket, { words, keys: [key] });
    else if (!same.keys.includes(key)) same.keys.push(key);
  }

  /**
   * All names in a text, in its order; of two that overlap the longer one counts.
   *
   * @param withNumbers whether numbers name pictures here
   */
  namesIn(text: CreditText, withNumbers: boolean): NameSpan[] {
    const spans = [...this.titlesIn(text), ...this.filesIn(text)];
    if (withNumbers && this.numbers.size > 0) spans.push(...this.numbersOf(text));
    spans.sort((a, b) => b.end - b.start - (a.end - a.start) || a.start - b.start);
    const kept: NameSpan[] = [];
    for (const span of spans)
      if (!kept.some((one) => span.start < one.end && span.end > one.start)) kept.push(span);
    return kept.sort((a, b) => a.start - b.start);
  }

  /** The pictures that carry a number. */
  numbered(number: number): readonly string[] {
    return this.numbers.get(number) ?? [];
  }

  private *titlesIn(text: CreditText): Generator<NameSpan> {
    if (this.titles.size === 0) return;
    const words = wordsOf(text);
    for (const [at, word] of words.entries()) {
      for (const title of this.titles.get(initial(word.folded)) ?? []) {
        const isHere = title.words.every((wanted, i) => isWord(words[at + i]?.folded ?? '', wanted));
        const last = words[at + title.words.length - 1];
        if (isHere && last) yield { keys: title.keys, start: word.start, end: last.end };
      }
    }
  }

  private *filesIn({ text }: CreditText): Generator<NameSpan> {
    for (const match of everyMatch(FILE_ENDING, text)) {
      const end = match.index + match[0].length;
      const before = folded(text.slice(Math.max(0, match.index - LONGEST_NAME), end));
      // A file's name may have blanks in it: every beginning is tried, the longest first.
      for (let from = 0; from < before.length - match[0].length; from++) {
        if (from > 0 && /[\p{L}\p{N}_.%-]/u.test(before[from - 1] as string)) continue;
        const keys = this.files.get(before.slice(from));
        if (!keys) continue;
        yield { keys, start: end - (before.length - from), end };
        break;
      }
    }
  }

  /** None where no picture carries any of them; else all: one that no picture carries still ends the part before it. */
  private numbersOf({ text }: CreditText): NameSpan[] {
    const spans = numbersIn(text).map(({ numbers, start, end }) => ({
      keys: numbers.flatMap((number) => this.numbers.get(number) ?? []),
      ...{ start, end },
    }));
    return spans.some(({ keys }) => keys.length > 0) ? spans : [];
  }
}

const FILE_ENDING = /\.(?:jpe?g|png|gif|webp|avif|svg|heic|tiff?|bmp|ico|mp4|webm)(?![\p{L}\p{N}])/giu;
const LONGEST_NAME = 120;
const initial = (word: string): string => word.normalize('NFD').slice(0, 1);

const TIED = /^[\s,;&/+|–—()"'“”„«»‘’-]*(?:(?:and|und|et|y|sowie|as well as)[\s"'“”„«»‘’(]*)?$/iu;

/**
 * The part of a text that speaks of one picture. Where it names several, a picture's part runs from its name to the next
 * one; names that are listed together share what follows.
 *
 * @returns `null` where the text names pictures, and not this one
 */
export function partOf(text: CreditText, names: readonly NameSpan[], key: string): CreditText | null {
  if (!names.some(({ keys }) => keys.includes(key))) return null;
  const groups: NameSpan[] = [];
  for (const name of names) {
    const last = groups.at(-1);
    if (last && TIED.test(text.text.slice(last.end, name.start)))
      groups[groups.length - 1] = { keys: [...last.keys, ...name.keys], start: last.start, end: name.end };
    else groups.push(name);
  }
  if (groups.length === 1) return text;
  const own = groups.flatMap((group, i) => (group.keys.includes(key) ? [i] : []));
  return joinedTexts(
    own.map((i) => cut(text, groups[i]?.start ?? 0, groups[i + 1]?.start ?? text.text.length)),
  );
}

function cut({ text, links }: CreditText, from: number, to: number): CreditText {
  const inside = links.filter(
    ({ start, end }) => start < to && (end > from || (start === end && end >= from)),
  );
  return {
    text: text.slice(from, to),
    links: inside.map(({ href, start, end }) => ({
      href,
      start: Math.max(0, start - from),
      end: Math.min(to, end) - from,
    })),
  };
}
