/**
 * Looks for a picture's credit wherever it counts: in its figures, in its item of a set, in the text beside it, in lines of
 * the page that name it or speak for all, and on a page of picture credits that the page links to. All that is needed must
 * stand in one of them.
 */
import { fileUnder } from '../filed';
import { remembered } from '../remembered';
import type { CreditText } from './credit-text';
import { exceptedFrom, isCreditLike, isForAll } from './for-all';
import { namesAnyLicence } from './licence-mentions';
import { NameBook, partOf, type NamedPicture, type NameSpan } from './name-book';
import type { PageLine } from './page-lines';
import type { PageCredits, PlaceTexts } from './read-page-credits';
import type { CreditWhere } from './texts-beside';
import { isCredit, lackingIn, type CreditPart, type WantedCredit } from './wanted-credit';

/** Whether a credit is needed, and whether it is there. */
export interface FoundCredit {
  readonly needed: boolean;
  /** As one would write it; `null` where none is needed, or the records do not say whom to credit. */
  readonly wanted: string | null;
  /** `null` where none is needed. */
  readonly found: boolean | null;
  readonly where: CreditWhere | null;
  readonly missing: readonly CreditPart[];
}

export const NO_CREDIT: FoundCredit = { needed: false, wanted: null, found: null, where: null, missing: [] };

/** A page with the pictures on it, ready to be asked for credits. */
export interface CreditedPage {
  readonly credits: PageCredits;
  /** The pictures of the page, as its lines may name them. */
  readonly book: NameBook;
  readonly creditPages: readonly CreditsPage[];
}

/** A page of picture credits. */
export interface CreditsPage {
  /** Texts beside the pictures that it shows, by the picture. */
  readonly shown: ReadonlyMap<string, readonly CreditText[]>;
  readonly entries: readonly CreditsEntry[];
  /** All pictures of the site, by title and file. */
  readonly book: NameBook;
}

export interface CreditsEntry {
  readonly text: CreditText;
  /** The heading over it, where that names pictures or a page. */
  readonly heading: CreditText | null;
  /** Number of its list item. */
  readonly item: number | null;
}

/** A placement whose credit is looked for. */
export interface Credited {
  /** `null` for what stands in no place of the page. */
  readonly texts: PlaceTexts | null;
  /** Names its picture, as in the name books. */
  readonly key: string;
  readonly numbers: readonly number[];
  /** Whether an entry of a credits page speaks of the page that it stands on. */
  readonly isOfThisPage: (entry: CreditsEntry) => boolean;
}

interface Candidate {
  readonly where: CreditWhere;
  readonly text: CreditText;
}

/** Looks for a credit. */
export function findCredit(
  wanted: WantedCredit | null,
  place: Credited,
  page: CreditedPage | null,
): FoundCredit {
  if (!wanted) return NO_CREDIT;
  let nearest: readonly CreditPart[] | null = null;
  for (const { where, text } of page ? candidates(wanted, place, page) : []) {
    const missing = lackingIn(text, wanted);
    if (isCredit(missing)) return { needed: true, wanted: wanted.words, found: true, where, missing };
    if (!nearest || essential(missing) < essential(nearest)) nearest = missing;
  }
  const missing = nearest ?? lackingIn({ text: '', links: [] }, wanted);
  return { needed: true, wanted: wanted.words, found: false, where: null, missing };
}

const essential = (parts: readonly CreditPart[]): number =>
  parts.filter((part) => part === 'creator' || part === 'licence' || part === 'line').length;

function* candidates(wanted: WantedCredit, place: Credited, page: CreditedPage): Generator<Candidate> {
  yield* besideIt(wanted, place, page);
  yield* onThePage(place, page);
  for (const credits of page.creditPages) yield* onCreditsPage(place, credits);
}

function* besideIt(
  wanted: WantedCredit,
  { texts, key }: Credited,
  { book }: CreditedPage,
): Generator<Candidate> {
  for (const { where, text, isShared, others = [] } of texts?.texts ?? []) {
    // Another picture within the outer figure with a credit of its own: then the outer caption is not for all.
    if (others.some((other) => isCredit(lackingIn(other, wanted)) || isCreditLike(other.text))) continue;
    if (!isShared) {
      yield { where, text };
      continue;
    }
    const names = book.namesIn(text, true);
    const keys = new Set(names.flatMap((name) => name.keys));
    if (keys.size === 0 || (where === 'beside' && keys.size === 1)) yield { where, text };
    else {
      const part = partOf(text, names, key);
      if (part) yield { where, text: part };
    }
  }
}

function* onThePage({ key, texts }: Credited, page: CreditedPage): Generator<Candidate> {
  const where = 'page';
  const { naming, forAll, unnamed } = linesOfPage(page);
  for (const { line, names } of naming.get(key) ?? []) {
    const part = partOf(line.text, names, key);
    if (part) yield { where, text: part };
  }
  for (const { line, excepted } of forAll) if (!excepted.has(key)) yield { where, text: line.text };
  // What stands in no place of the page is a picture more than those that are seen.
  if (page.credits.pictures + (texts ? 0 : 1) <= 1) for (const { text } of unnamed) yield { where, text };
}

/** The lines of a page by what they speak of. */
interface SortedLines {
  readonly naming: ReadonlyMap<
    string,
    readonly { readonly line: PageLine; readonly names: readonly NameSpan[] }[]
  >;
  readonly forAll: readonly { readonly line: PageLine; readonly excepted: ReadonlySet<string> }[];
  /** Lines made like a credit that name no picture. */
  readonly unnamed: readonly PageLine[];
}

/** Sorted once for all pictures of the page. */
const linesOfPage = remembered(sortLines);

function sortLines({ credits, book }: CreditedPage): SortedLines {
  const naming = new Map<string, { line: PageLine; names: readonly NameSpan[] }[]>();
  const forAll: { line: PageLine; excepted: ReadonlySet<string> }[] = [];
  const unnamed: PageLine[] = [];
  for (const line of credits.lines) {
    const { text } = line.text;
    const all = namesOfLine(line, book);
    const isAll = isForAll(text);
    const limit = isAll ? exceptedFrom(text) : text.length;
    const names = all.filter(({ start }) => start < limit || start === 0);
    const named = new Set(names.flatMap(({ keys }) => keys));
    for (const key of named) fileUnder(naming, key, { line, names });
    const excepted = new Set([
      ...named,
      ...all.filter((name) => !names.includes(name)).flatMap(({ keys }) => keys),
    ]);
    if (isAll) forAll.push({ line, excepted });
    else if (all.length === 0 && (isCreditLike(text) || namesAnyLicence(line.text))) unnamed.push(line);
  }
  return { naming, forAll, unnamed };
}

function namesOfLine({ text, item }: PageLine, book: NameBook): NameSpan[] {
  const names = book.namesIn(text, true);
  if (item === null) return names;
  const numbered = book.numbered(item);
  return numbered.length > 0 ? [{ keys: numbered, start: 0, end: 0 }, ...names] : names;
}

function* onCreditsPage(place: Credited, page: CreditsPage): Generator<Candidate> {
  const where = 'credits-page';
  for (const text of page.shown.get(place.key) ?? []) yield { where, text };
  const { naming, headed, unnamed } = entriesOfPage(page);
  for (const { entry, names } of naming.get(place.key) ?? []) {
    const part = partOf(entry.text, names, place.key);
    if (part) yield { where, text: part };
  }
  for (const { text } of headed.get(place.key) ?? []) yield { where, text };
  if (place.numbers.length === 0) return;
  for (const entry of unnamed) if (place.isOfThisPage(entry)) yield* numbered(place, entry);
}

/** The entries of a page of credits by what they speak of. */
interface SortedEntries {
  readonly naming: ReadonlyMap<
    string,
    readonly { readonly entry: CreditsEntry; readonly names: readonly NameSpan[] }[]
  >;
  /** Entries that name none, by the pictures that the heading over them names. */
  readonly headed: ReadonlyMap<string, readonly CreditsEntry[]>;
  readonly unnamed: readonly CreditsEntry[];
}

const entriesOfPage = remembered(sortEntries);

function sortEntries({ entries, book }: CreditsPage): SortedEntries {
  const naming = new Map<string, { entry: CreditsEntry; names: readonly NameSpan[] }[]>();
  const headed = new Map<string, CreditsEntry[]>();
  const unnamed: CreditsEntry[] = [];
  for (const entry of entries) {
    const names = book.namesIn(entry.text, false);
    for (const key of new Set(names.flatMap(({ keys }) => keys))) fileUnder(naming, key, { entry, names });
    if (names.length > 0) continue;
    unnamed.push(entry);
    const over = entry.heading ? book.namesIn(entry.heading, false) : [];
    for (const key of new Set(over.flatMap(({ keys }) => keys))) fileUnder(headed, key, entry);
  }
  return { naming, headed, unnamed };
}

/** An entry that speaks of the page, and of the picture by its number. */
function* numbered({ numbers, key }: Credited, { text, item }: CreditsEntry): Generator<Candidate> {
  const own: NamedPicture = { key, titles: [], files: [], numbers };
  const names = new NameBook([own]).namesIn(text, true);
  const part = partOf(text, names, key);
  if (part) yield { where: 'credits-page', text: part };
  else if (item !== null && numbers.includes(item)) yield { where: 'credits-page', text };
}
