/**
 * Finds a creator's name in a text: the first given name or its initial and the whole family name, in either order;
 * further given names may be left out, not changed. A name that is part of a longer one is another name.
 */
import { isCapital, isNext, isWord, textAlone, wordsOf, type CreditText, type Word } from './credit-text';
import { isCreditWord } from './credit-words';

interface Name {
  readonly given: readonly string[];
  readonly family: readonly string[];
}

const PARTICLES = new Set(['van', 'von', 'vom', 'zu', 'zum', 'zur', 'de', 'der', 'den', 'del', 'della', 'di', 'da', 'dos', 'das', 'do', 'du', 'des', 'la', 'le', 'les', 'ten', 'ter', 'af', 'av', 'bin', 'ibn', 'al', 'el', 'mac', 'mc', "o'", 'san', 'santa', 'st']); // oxfmt-ignore
const TITLES = new Set(['mr', 'mrs', 'ms', 'dr', 'prof', 'sir', 'herr', 'frau', 'mme', 'mlle']);
/** Words by which a creator is no person: all of it is then its name, in its order. */
const BODIES = /(?:^|[-])(?:the|club|society|school|schule|museum|museums|archive|archives|archiv|library|press|presse|agency|agentur|studio|studios|group|gruppe|team|company|council|trust|union|university|institute|institut|association|verein|chor|choir|band|orchestra|gmbh|ltd|llc|inc|ag|collection|gallery|church|service|office|ministry|department|and|und|et|y|of|for|the|fotos|photos|images|pictures|media|photography|fotografie)$/iu; // oxfmt-ignore

const known = new Map<string, Name>();

function nameOf(creator: string): Name {
  let name = known.get(creator);
  if (!name) known.set(creator, (name = readName(creator)));
  return name;
}

function readName(recorded: string): Name {
  const creator = recorded.replace(/\([^)]*\)/gu, ' ').trim();
  const parts = creator.split(',').map((part) => part.trim());
  const turned = parts.length === 2 && parts.every((part) => part !== '');
  const wordsIn = (text: string) =>
    wordsOf(textAlone(text))
      .map(({ folded }) => folded)
      .filter((word, i, all) => all.length < 3 || i > 0 || !TITLES.has(word));
  if (turned) return { given: wordsIn(parts[1] as string), family: wordsIn(parts[0] as string) };
  const words = wordsIn(creator);
  if (words.some((word) => BODIES.test(word)) || /[&+\d/|]/u.test(creator))
    return { given: [], family: words };
  if (words.length < 2) return { given: [], family: words };
  const particle = words.findIndex((word, i) => i > 0 && PARTICLES.has(word));
  const from = particle > 0 && particle < words.length - 1 ? particle : words.length - 1;
  return { given: words.slice(0, from), family: words.slice(from) };
}

/** What else a name may be beside of in a credit: words of the title, of the holder, of the other creators. */
export type OwnWords = ReadonlySet<string>;

/** Whether a text names a creator. */
export function namesCreator(text: CreditText, creator: string, own: OwnWords): boolean {
  const name = nameOf(creator);
  const words = wordsOf(text);
  const [first] = name.family;
  if (first === undefined) return false;
  for (let at = 0; at + name.family.length <= words.length; at++) {
    if (!isFamilyAt(words, at, name.family)) continue;
    for (const span of spansAround(words, at, name)) if (!isLonger(words, span, own)) return true;
  }
  return false;
}

function isFamilyAt(words: readonly Word[], at: number, family: readonly string[]): boolean {
  return family.every((wanted, i) => {
    const word = words[at + i] as Word;
    // A name of several words stands in one run; within a body's name there may be punctuation (`&`, a full stop).
    if (i > 0 && !isTied(word)) return false;
    const isLast = i === family.length - 1;
    return isWord(word.folded, wanted) || (isLast && isWord(withoutGenitive(word.folded), wanted));
  });
}

const isTied = ({ gap }: Word): boolean => !gap.includes('\n') && /^[\s&+.,'/-]{1,4}$/u.test(gap);
const withoutGenitive = (word: string): string => word.replace(/'s$/u, '');

type Span = readonly [from: number, to: number];

/** The runs of words that are the name, with the family name at a place. */
function spansAround(words: readonly Word[], at: number, { given, family }: Name): Span[] {
  const end = at + family.length;
  if (given.length === 0) return [[at, end]];
  const spans: Span[] = [];
  const most = initialsOf(given).length;
  for (let count = 1; count <= most && count <= at; count++) {
    const run = words.slice(at - count, at);
    const isRun = areTied([...run, words[at] as Word]);
    if (isRun && isGiven(run, given)) spans.push([at - count, end]);
  }
  const shared = sharedFamily(words, at, given);
  if (shared !== null) spans.push([shared, end]);
  for (let count = 1; count <= given.length && end + count <= words.length; count++) {
    const run = words.slice(end, end + count);
    const isRun = isBehind(run[0] as Word) && areTied(run);
    if (isRun && isGiven(run, given)) spans.push([at, end + count]);
  }
  return spans;
}

/** Between names there is a blank; behind an initial a full stop. */
const areTied = (run: readonly Word[]): boolean =>
  run.every(({ gap }, i) => {
    const before = run[i - 1];
    if (!before) return true;
    const isInitial = before.written.length === 1;
    return (isInitial ? /^(?:\.-?|-)?[^\S\n]*$/u : /^[^\S\n]+$/u).test(gap) && gap !== '';
  });
const isBehind = ({ gap }: Word): boolean => /^,?[^\S\n]+$/u.test(gap);

/** Whether words are the given names: the first or its initial, then any of the others in their order; or initials alone. */
function isGiven(run: readonly Word[], given: readonly string[]): boolean {
  const [first, ...others] = run;
  if (!first) return false;
  const initials = initialsOf(given);
  const areInitials = run.every(({ folded }, i) => folded === initials[i]);
  // `A.-M. Lee`, `AB Lee`.
  const isOneWord =
    run.length === 1 && first.written.length > 1 && first.written === first.written.toUpperCase();
  if (areInitials || (isOneWord && initials.join('').startsWith(first.folded))) return true;
  if (!isGivenName(first.folded, given[0] as string)) return false;
  let next = 1;
  for (const { folded } of others) {
    while (next < given.length && !isGivenName(folded, given[next] as string)) next++;
    if (next++ >= given.length) return false;
  }
  return true;
}

const initialsOf = (given: readonly string[]): string[] =>
  given.flatMap((name) => name.split('-').map((part) => part[0] ?? ''));

function isGivenName(seen: string, wanted: string): boolean {
  if (isWord(seen, wanted)) return true;
  const initials = wanted.split('-').map((part) => part[0] ?? '');
  return isWord(seen, initials[0] as string) || (initials.length > 1 && isWord(seen, initials.join('-')));
}

/** `Ann and Tom Lee`: where the given name stands that shares a family name with the next one. */
function sharedFamily(words: readonly Word[], at: number, given: readonly string[]): number | null {
  for (let tie = at - 2; tie >= Math.max(0, at - 3); tie--) {
    const word = words[tie] as Word;
    const isTie = /^(?:and|und|et|y|e)$/u.test(word.folded) && isNext(word);
    const isSign = /^\s*[&+]\s*$/u.test((words[tie + 1] as Word).gap);
    const first = words[isSign ? tie : tie - 1];
    if (
      (isTie || isSign) &&
      first &&
      isCapital(words[at - 1] as Word) &&
      isGivenName(first.folded, given[0] as string)
    )
      return isSign ? tie : tie - 1;
  }
  return null;
}

/** Whether a name at a place is part of a longer one: a further capitalised word beside it that is no word of the credit. */
export function isLonger(words: readonly Word[], [from, to]: Span, own: OwnWords): boolean {
  const before = words[from - 1];
  const first = words[from] as Word;
  const after = words[to];
  return (
    (before !== undefined && isNameOf(before, first, own)) ||
    (after !== undefined && isNameOf(after, after, own))
  );
}

/** @param tied the later of both: what stands between them is its gap */
function isNameOf(word: Word, tied: Word, own: OwnWords): boolean {
  if (isCreditWord(word.folded) || own.has(word.folded) || !isCapital(word)) return false;
  // An initial belongs to the name behind its full stop.
  return isNext(tied) || (word.written.length === 1 && /^\.[^\S\n]*$/u.test(tied.gap));
}
