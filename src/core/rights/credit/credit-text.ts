/** A text in which a credit may stand, taken apart into words: what readers see, with the links in it. */
import { everyMatch } from '../../words/every-match';
import { remembered } from '../remembered';

/** A link in a text; `start` and `end` are offsets into it, equal where only a picture is linked. */
export interface TextLink {
  readonly href: string;
  readonly start: number;
  readonly end: number;
}

/** Visible text in NFKC, line and block ends as `\n`. */
export interface CreditText {
  readonly text: string;
  readonly links: readonly TextLink[];
}

export interface Word {
  /** Case folded, accents kept. */
  readonly folded: string;
  /** As written. */
  readonly written: string;
  readonly start: number;
  readonly end: number;
  /** What stands between the word before and this one. */
  readonly gap: string;
  /** Whether a link begins or ends between the word before and this one. */
  readonly isAtLinkEdge: boolean;
}

/** Soft hyphens, zero-width characters and marks of direction: nothing that readers see. */
const UNSEEN = /[\u00ad\u200b-\u200f\u202a-\u202e\u2060-\u2064\ufeff]/gu;
const HYPHENS = /[\u2010\u2011]/gu;
const APOSTROPHES = /[\u2018\u2019\u02bc\uff07]/gu;
const WORD = /[\p{L}\p{M}\p{N}]+(?:[-'][\p{L}\p{M}\p{N}]+)*/gu;

/** Text as it is compared: NFKC (Unicode UAX #15), without what nobody sees, one form of hyphen and apostrophe. */
export function plain(text: string): string {
  return text.normalize('NFKC').replace(UNSEEN, '').replace(HYPHENS, '-').replace(APOSTROPHES, "'");
}

/** Case folded: `ß` as `ss`, and the final sigma as any other. */
export const folded = (text: string): string =>
  text.toLowerCase().normalize('NFC').replace(/ß/gu, 'ss').replace(/ς/gu, 'σ');

/** The words of a text, read once. */
export const wordsOf = remembered(readWords);

function readWords({ text, links }: CreditText): Word[] {
  const edges = links.flatMap(({ start, end }) => [start, end]).sort((a, b) => a - b);
  const words: Word[] = [];
  let last = 0;
  let edge = 0;
  for (const match of everyMatch(WORD, text)) {
    const start = match.index;
    while (edge < edges.length && (edges[edge] as number) < last) edge++;
    const isAtLinkEdge = edge < edges.length && (edges[edge] as number) <= start;
    const end = start + match[0].length;
    const written = match[0];
    words.push({ folded: folded(written), written, start, end, gap: text.slice(last, start), isAtLinkEdge });
    last = end;
  }
  return words;
}

/** A text of its own, without links: a title, a name, a recorded line. */
export const textAlone = (text: string): CreditText => ({ text: plain(text), links: [] });

/** Folded words of a text alone. */
export const foldedWords = (text: string): string[] =>
  wordsOf(textAlone(text)).map(({ folded: word }) => word);

/** Letters that have a stroke or a tail instead of an accent that could be taken off. */
const STROKES: Readonly<Record<string, string>> = { ø: 'o', ł: 'l', đ: 'd', ħ: 'h', ı: 'i', ŧ: 't' };

const NOT_ASCII = /\P{ASCII}/u;

/** Whether a word is the one that is wanted: accents may be left out, not changed. */
export function isWord(seen: string, wanted: string): boolean {
  if (seen === wanted) return true;
  // Only what has accents can be written without them.
  if (!NOT_ASCII.test(wanted)) return false;
  const a = lettersOf(seen);
  const b = lettersOf(wanted);
  return (
    a.length === b.length &&
    a.every(
      ([base, marks], i) =>
        base === (b[i] as [string, string])[0] && (marks === '' || marks === (b[i] as [string, string])[1]),
    )
  );
}

function lettersOf(word: string): [base: string, marks: string][] {
  const letters: [string, string][] = [];
  for (const unit of word.normalize('NFD')) {
    const last = letters.at(-1);
    if (/\p{M}/u.test(unit) && last) last[1] += unit;
    else letters.push(STROKES[unit] === undefined ? [unit, ''] : [STROKES[unit], unit]);
  }
  return letters;
}

/** Whether a word begins with a capital letter. */
export const isCapital = ({ written }: Word): boolean => /^\p{Lu}/u.test(written);

/** Whether two words follow each other with nothing but a blank between. */
export const isNext = ({ gap, isAtLinkEdge }: Word): boolean => /^[^\S\n]+$/u.test(gap) && !isAtLinkEdge;

/** Texts under each other as one. */
export function joinedTexts(parts: readonly CreditText[]): CreditText {
  let text = '';
  const links: TextLink[] = [];
  for (const part of parts) {
    if (text !== '') text += '\n';
    for (const { href, start, end } of part.links)
      links.push({ href, start: start + text.length, end: end + text.length });
    text += part.text;
  }
  return { text, links };
}
