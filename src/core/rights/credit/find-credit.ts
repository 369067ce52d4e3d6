/**
 * Looks for a picture's credit wherever it counts: in its figures, in its item of a set, in the text beside it, in lines of
 * the page that name it or speak for all, and on a page of picture credits that the page links to. All that is needed must
 * stand in one of them.
 */
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

function* onThePage({ key, texts }: Credited, { credits, book }: CreditedPage): Generator<Candidate> {
  const where = 'page';
  // What stands in no place of the page is a picture more than those that are seen.
  const isAlone = credits.pictures + (texts ? 0 : 1) <= 1;
  for (const line of credits.lines) {
    const names = namesOfLine(line, book);
    const isAll = isForAll(line.text.text);
    if (names.length > 0) {
      const limit = isAll ? exceptedFrom(line.text.text) : line.text.text.length;
      const kept = names.filter(({ start }) => start < limit);
      const part = partOf(line.text, kept, key);
      if (part) yield { where, text: part };
      const isExcepted = names.some(({ keys, start }) => start >= limit && keys.includes(key));
      if (!part && isAll && !isExcepted) yield { where, text: line.text };
    } else if (isAll) yield { where, text: line.text };
    else if (isAlone && (isCreditLike(line.text.text) || namesAnyLicence(line.text)))
      yield { where, text: line.text };
  }
}

function namesOfLine({ text, item }: PageLine, book: NameBook): NameSpan[] {
  const names = book.namesIn(text, true);
  if (item === null) return names;
  const numbered = book.namesIn({ text: `${item}.`, links: [] }, true).flatMap(({ keys }) => keys);
  return numbered.length > 0 ? [{ keys: numbered, start: 0, end: 0 }, ...names] : names;
}

function* onCreditsPage(place: Credited, page: CreditsPage): Generator<Candidate> {
  const where = 'credits-page';
  for (const text of page.shown.get(place.key) ?? []) yield { where, text };
  for (const entry of page.entries) {
    const names = page.book.namesIn(entry.text, false);
    if (names.some(({ keys }) => keys.includes(place.key))) {
      const part = partOf(entry.text, names, place.key);
      if (part) yield { where, text: part };
      continue;
    }
    if (names.length > 0) continue;
    const over = entry.heading ? page.book.namesIn(entry.heading, false) : [];
    if (over.some(({ keys }) => keys.includes(place.key))) yield { where, text: entry.text };
    else if (place.numbers.length > 0 && place.isOfThisPage(entry)) yield* numbered(place, entry);
  }
}

/** An entry that speaks of the page, and of the picture by its number. */
function* numbered({ numbers, key }: Credited, { text, item }: CreditsEntry): Generator<Candidate> {
  const own: NamedPicture = { key, titles: [], files: [], numbers };
  const names = new NameBook([own]).namesIn(text, true);
  const part = partOf(text, names, key);
  if (part) yield { where: 'credits-page', text: part };
  else if (item !== null && numbers.includes(item)) yield { where: 'credits-page', text };
}
