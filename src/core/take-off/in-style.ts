/** Takes pictures out of style sheets and `style` attributes, by tokens (CSS Syntax 3): the declaration stays valid. */
import { ident, tokenize, tokenNames } from 'css-tree';
import type { Span } from '../source/span';

export interface StyleCut extends Span {
  readonly becomes: '' | 'none';
}

interface Token {
  readonly type: string;
  readonly start: number;
  readonly end: number;
}

/** One picture as a value holds it, with what it is an argument of. */
interface Picture {
  /** Places of its tokens: from the first to behind the last. */
  readonly from: number;
  readonly to: number;
  /** The outermost function around it that makes one picture of several. */
  readonly set: { readonly from: number; readonly to: number; readonly isBlend: boolean } | null;
}

const SETS = /^(?:-webkit-)?(?:image-set|cross-fade|image)\($/iu;
const BLENDS = /cross-fade/iu;

/**
 * What to cut, or to put `none` in place of, so that a sheet shows some pictures no longer. In a set of densities only
 * the chosen candidates go, unless none is left; a cursor or generated content loses the picture alone.
 *
 * @param text a style sheet, or what stands in a `style` attribute
 * @param spots where the addresses stand, without `url(` and quotes; those that stand in no value are passed over
 */
export function cutsInStyle(text: string, spots: readonly Span[]): StyleCut[] {
  const tokens: Token[] = [];
  tokenize(text, (type, start, end) => tokens.push({ type: tokenNames[type] ?? '', start, end }));
  const closes = closingOf(text, tokens);
  const byValue = new Map<number, Picture[]>();
  for (const spot of spots) {
    const at = tokenAt(tokens, spot.start);
    const picture = at < 0 ? null : pictureAt(text, tokens, { at, closes });
    if (!picture) continue;
    const colon = colonBefore(tokens, (picture.set ?? picture).from);
    byValue.set(colon, [...(byValue.get(colon) ?? []), picture]);
  }
  return [...byValue].flatMap(([colon, pictures]) => cutsInValue(text, tokens, { colon, pictures, closes }));
}

/** For each token that opens, the one that closes it. */
function closingOf(text: string, tokens: readonly Token[]): ReadonlyMap<number, number> {
  const closes = new Map<number, number>();
  const open: number[] = [];
  for (const [i, { type, end }] of tokens.entries()) {
    const last = text[end - 1];
    if (type === 'function-token' || type === '(-token') open.push(i);
    else if (last === ')' && type === ')-token') {
      const opening = open.pop();
      if (opening !== undefined) closes.set(opening, i);
    } else if (type === ';-token' || type === '{-token' || type === '}-token') open.length = 0;
  }
  return closes;
}

function tokenAt(tokens: readonly Token[], offset: number): number {
  let low = 0;
  let high = tokens.length;
  while (low < high) {
    const middle = (low + high) >> 1;
    if ((tokens[middle]?.start ?? 0) <= offset) low = middle + 1;
    else high = middle;
  }
  return low - 1;
}

interface At {
  readonly at: number;
  readonly closes: ReadonlyMap<number, number>;
}

/** The whole `url(…)` or string that a token belongs to, and the set it stands in. */
function pictureAt(text: string, tokens: readonly Token[], { at, closes }: At): Picture | null {
  const { type } = tokens[at] as Token;
  let from = at;
  let to = at + 1;
  let set: Picture['set'] = null;
  for (const [opening, closing] of closes) {
    if (opening >= at || closing <= at) continue;
    const name = textOfToken(text, tokens[opening] as Token);
    // With quotes, or in an escaped spelling, `url(` is a function of its own to the tokenizer.
    if (isUrl(name)) {
      if (opening < from) [from, to] = [opening, closing + 1];
    } else if (SETS.test(name) && (!set || opening < set.from)) {
      set = { from: opening, to: closing + 1, isBlend: BLENDS.test(name) };
    }
  }
  const isWhole = type === 'url-token' || type === 'string-token' || to > at + 1;
  return isWhole ? { from, to, set } : null;
}

const isUrl = (name: string): boolean => ident.decode(name.slice(0, -1)).toLowerCase() === 'url';

/** The colon after which a value stands, or -1. */
function colonBefore(tokens: readonly Token[], at: number): number {
  for (let i = at - 1; i >= 0; i--) {
    const { type } = tokens[i] as Token;
    if (type === 'colon-token') return i;
    if (type === ';-token' || type === '{-token' || type === '}-token') return -1;
  }
  return -1;
}

interface Value {
  readonly colon: number;
  readonly pictures: readonly Picture[];
  readonly closes: ReadonlyMap<number, number>;
}

function cutsInValue(text: string, tokens: readonly Token[], { colon, pictures, closes }: Value): StyleCut[] {
  const property = propertyOf(text, tokens, colon);
  const cuts: StyleCut[] = [];
  const sets = new Map<number, Picture[]>();
  for (const picture of pictures) {
    if (picture.set) sets.set(picture.set.from, [...(sets.get(picture.set.from) ?? []), picture]);
    else cuts.push(cutOf(text, tokens, { property, picture, others: pictures }));
  }
  for (const chosen of sets.values()) {
    const set = chosen[0]?.set;
    if (!set) continue;
    const all = argumentsOf(tokens, set, closes);
    const gone = all.filter(({ from, to }) =>
      chosen.some((picture) => picture.from >= from && picture.to <= to),
    );
    if (set.isBlend || gone.length === all.length) {
      cuts.push(cutOf(text, tokens, { property, picture: { ...set, set: null }, others: pictures }));
    } else {
      cuts.push(...gone.map((part) => listCut(tokens, all, part)));
    }
  }
  return cuts;
}

interface Wanted {
  readonly property: string;
  readonly picture: Picture;
  readonly others: readonly Picture[];
}

function cutOf(text: string, tokens: readonly Token[], { property, picture }: Wanted): StyleCut {
  const { from, to } = picture;
  const start = (tokens[from] as Token).start;
  const end = (tokens[to - 1] as Token).end;
  if (property === 'cursor') {
    // A cursor is a list that ends in a keyword: the picture goes with its hot spot and comma.
    let after = to;
    while (after < tokens.length && !ENDS_ITEM.has((tokens[after] as Token).type)) after++;
    if (tokens[after]?.type !== 'comma-token') return { start, end, becomes: 'none' };
    while (tokens[after + 1]?.type === 'whitespace-token') after++;
    return { start, end: (tokens[after] as Token).end, becomes: '' };
  }
  if (property === 'content' && isWholeValue(tokens, picture)) {
    // What is read out in its stead goes as well: `none` has nothing to say.
    let last = to;
    while (tokens[last] && !ENDS_ITEM.has((tokens[last] as Token).type)) last++;
    while (last > to && BLANK.has((tokens[last - 1] as Token).type)) last--;
    return { start, end: (tokens[last - 1] as Token).end, becomes: 'none' };
  }
  if (property === 'content') {
    const isBlankBefore =
      tokens[from - 1]?.type === 'whitespace-token' && tokens[from - 2]?.type !== 'colon-token';
    return { start: isBlankBefore ? (tokens[from - 1] as Token).start : start, end, becomes: '' };
  }
  return { start, end, becomes: 'none' };
}

const ENDS_ITEM = new Set(['comma-token', ';-token', '}-token']);
const BLANK = new Set(['whitespace-token', 'comment-token']);

/** Whether a value is a picture and nothing else, but for what speaks in its stead (`/ "words"`) . */
function isWholeValue(tokens: readonly Token[], { from, to }: Picture): boolean {
  let before = from - 1;
  while (BLANK.has(tokens[before]?.type ?? '')) before--;
  let after = to;
  while (BLANK.has(tokens[after]?.type ?? '')) after++;
  const next = tokens[after]?.type;
  const isAlone = next === undefined || next === 'delim-token' || ENDS_ITEM.has(next);
  return tokens[before]?.type === 'colon-token' && isAlone;
}

function propertyOf(text: string, tokens: readonly Token[], colon: number): string {
  let at = colon - 1;
  while (BLANK.has(tokens[at]?.type ?? '')) at--;
  const token = tokens[at];
  return token ? textOfToken(text, token).toLowerCase() : '';
}

interface Part {
  readonly from: number;
  readonly to: number;
}

/** The arguments of a function, blanks at their ends left out. */
function argumentsOf(
  tokens: readonly Token[],
  { from, to }: Part,
  closes: ReadonlyMap<number, number>,
): Part[] {
  const parts: Part[] = [];
  let begin = from + 1;
  const close = (end: number) => {
    let [first, last] = [begin, end];
    while (first < last && BLANK.has(tokens[first]?.type ?? '')) first++;
    while (last > first && BLANK.has(tokens[last - 1]?.type ?? '')) last--;
    if (last > first) parts.push({ from: first, to: last });
    begin = end + 1;
  };
  for (let i = from + 1; i < to - 1; i++) {
    i = closes.get(i) ?? i;
    if (tokens[i]?.type === 'comma-token') close(i);
  }
  close(to - 1);
  return parts;
}

/** A part of a list with one of its commas. */
function listCut(tokens: readonly Token[], all: readonly Part[], part: Part): StyleCut {
  const at = all.indexOf(part);
  const before = all[at - 1];
  const after = all[at + 1];
  const start = before ? (tokens[before.to - 1] as Token).end : (tokens[part.from] as Token).start;
  const end = before || !after ? (tokens[part.to - 1] as Token).end : (tokens[after.from] as Token).start;
  return { start, end, becomes: '' };
}

const textOfToken = (text: string, { start, end }: Token): string => text.slice(start, end);
