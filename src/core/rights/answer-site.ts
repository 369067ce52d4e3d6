/** Asks of every placement of a site whether it may stand there, with its credit looked for. */
import type { Day } from '../dating/day';
import type { Placement } from '../markup/placement';
import {
  findCredit,
  type CreditedPage,
  type CreditsEntry,
  type CreditsPage,
  type FoundCredit,
} from './credit/find-credit';
import { foldedWords, joinedTexts, wordsOf, type CreditText } from './credit/credit-text';
import { NameBook, type NamedPicture } from './credit/name-book';
import type { PageCredits, PlaceTexts } from './credit/read-page-credits';
import { wantedCredit, type WantedCredit } from './credit/wanted-credit';
import { fileUnder } from './filed';
import { may, type Answer } from './may';
import type { RecordIndex } from './record-index';
import type { Rendition } from './renditions';

/** What of a placement is asked about. */
export type PlacementOfFile = Pick<Placement, 'kind' | 'page' | 'source' | 'start'>;

/** A page with its placements and what stands with them. */
export interface PageOfPlaces<P extends PlacementOfFile> {
  readonly address: string;
  readonly placements: readonly P[];
  /** Absent for what stands in no page: dormant places of style sheets. */
  readonly credits: PageCredits | null;
}

/** What is to be known of a site besides its pages. */
export interface SiteOfPictures<P> {
  readonly records: RecordIndex;
  /** The address of the file that a placement shows, as in the records; `null` where there is none. */
  readonly fileOf: (placement: P) => string | null;
  /** `undefined` for a file that is not on the site. */
  readonly renditionOf: (address: string) => Rendition | undefined;
  /** The address of the page of this site that an absolute address leads to; `null` where elsewhere. */
  readonly pageOf: (url: string) => string | null;
  /** Files that other pages than those asked about show: a page of credits may name them. */
  readonly otherFiles?: readonly string[];
}

export interface AnsweredPlace<P> {
  readonly placement: P;
  readonly answer: Answer;
  readonly credit: FoundCredit;
}

/** Answers for all placements, in the order of the pages. */
export function* answerSite<P extends PlacementOfFile>(
  pages: readonly PageOfPlaces<P>[],
  site: SiteOfPictures<P>,
  day: Day,
): Generator<AnsweredPlace<P>> {
  const nameOf = namesOf(site);
  const creditPages = creditsPagesOf(pages, site, nameOf);
  for (const page of pages) {
    const asked = page.credits ? pageToAsk(page, page.credits, site, { creditPages, nameOf }) : null;
    const names = page.credits ? namesOfPage(page.credits) : [];
    const isOfThisPage = (entry: CreditsEntry) => speaksOf(entry, page.address, names, site);
    for (const placement of page.placements) {
      const url = site.fileOf(placement) ?? '';
      const rendition = site.renditionOf(url);
      const changes = rendition?.changes ?? NONE;
      const texts = textsOf(page, placement);
      const place = { texts, key: keyOf(url, rendition), numbers: texts?.numbers ?? [], isOfThisPage };
      const file = { url, master: rendition?.master ?? null };
      const credit = findCredit(
        wantedOf(file, changes, { records: site.records, page: page.address }),
        place,
        asked,
      );
      yield {
        placement,
        credit,
        answer: may(
          { page: page.address, file, changes, credit, frame: rendition?.frame },
          day,
          site.records,
        ),
      };
    }
  }
}

const NONE = () => [];

const keyOf = (url: string, rendition: Rendition | undefined): string => rendition?.master ?? url;

function wantedOf(
  file: { readonly url: string; readonly master: string | null },
  changes: Rendition['changes'],
  { records, page }: { readonly records: RecordIndex; readonly page: string },
): WantedCredit | null {
  const covered = records.picture(file);
  if (!covered) return null;
  const { licence } = covered.fields;
  const terms = licence ? records.terms(licence) : null;
  const form = records.creditForm(page);
  const { creditsAlways, host: site } = records;
  return wantedCredit(covered.fields, terms, { creditsAlways, changes, site, ...(form ? { form } : {}) });
}

function textsOf<P extends PlacementOfFile>(page: PageOfPlaces<P>, { source, start }: P): PlaceTexts | null {
  return source === page.address ? (page.credits?.places.get(start) ?? null) : null;
}

type NameOf = (url: string) => NamedPicture;

function pageToAsk<P extends PlacementOfFile>(
  page: PageOfPlaces<P>,
  credits: PageCredits,
  site: SiteOfPictures<P>,
  {
    creditPages,
    nameOf,
  }: { readonly creditPages: ReadonlyMap<string, CreditsPage>; readonly nameOf: NameOf },
): CreditedPage {
  const named = page.placements.flatMap((placement): NamedPicture[] => {
    const url = site.fileOf(placement);
    return url === null ? [] : [{ ...nameOf(url), numbers: textsOf(page, placement)?.numbers ?? [] }];
  });
  const book = new NameBook(named);
  const linked = [...credits.links].flatMap((href) => creditPages.get(site.pageOf(href) ?? '') ?? []);
  const own = creditPages.get(page.address);
  return { credits, book, creditPages: [...new Set(own ? [own, ...linked] : linked)] };
}

/** How texts may name the pictures of files; each is looked up once, on however many pages it stands. */
function namesOf<P>(site: SiteOfPictures<P>): (url: string) => NamedPicture {
  const known = new Map<string, NamedPicture>();
  return (url) => {
    let named = known.get(url);
    if (!named) known.set(url, (named = namedBy(url, site)));
    return named;
  };
}

function namedBy<P>(url: string, { records, renditionOf }: SiteOfPictures<P>): NamedPicture {
  const rendition = renditionOf(url);
  const files = rendition?.files ?? [url];
  const title = records.picture({ url, master: rendition?.master ?? null })?.fields.title;
  const own = rendition ? records.picture({ url: rendition.master, master: null })?.fields.title : null;
  return {
    key: keyOf(url, rendition),
    titles: [...new Set([title, own].filter((one): one is string => Boolean(one)))],
    files: [...new Set(files.map((file) => file.replace(/[?#].*$/su, '').replace(/^.*\//su, '')))],
    numbers: [],
  };
}

/** The pages of picture credits, by address. */
function creditsPagesOf<P extends PlacementOfFile>(
  pages: readonly PageOfPlaces<P>[],
  site: SiteOfPictures<P>,
  nameOf: NameOf,
): Map<string, CreditsPage> {
  const found = pages.filter(
    ({ address, credits }) => credits && (credits.isCreditsPage || site.records.creditPages.has(address)),
  );
  if (found.length === 0) return new Map();
  const urls = new Set([
    ...(site.otherFiles ?? []),
    ...pages.flatMap(({ placements }) => placements.flatMap((one) => site.fileOf(one) ?? [])),
  ]);
  const book = new NameBook([...urls].map(nameOf));
  return new Map(
    found.map((page) => {
      const credits = page.credits as PageCredits;
      const shown = new Map<string, CreditText[]>();
      for (const placement of page.placements) {
        const url = site.fileOf(placement);
        const texts = textsOf(page, placement);
        if (url === null || !texts) continue;
        const key = keyOf(url, site.renditionOf(url));
        for (const { text } of texts.texts) fileUnder(shown, key, text);
      }
      return [page.address, { shown, book, entries: entriesOf(credits) }];
    }),
  );
}

/** Each line as an entry, and the lines of one item together as one. */
function entriesOf({ lines }: PageCredits): CreditsEntry[] {
  const entries: CreditsEntry[] = [];
  const items: { entry: number; texts: CreditText[]; heading: CreditText | null; item: number | null }[] = [];
  let heading: CreditText | null = null;
  let headings = 0;
  for (const { text, item, isHeading, entry } of lines) {
    if (isHeading) {
      // The first one is the page's own.
      heading = headings++ === 0 ? null : text;
      continue;
    }
    entries.push({ text, heading, item });
    const last = items.at(-1);
    if (last?.entry === entry) last.texts.push(text);
    else items.push({ entry, texts: [text], heading, item });
  }
  const whole = items.filter(({ texts }) => texts.length > 1);
  return [...entries, ...whole.map(({ texts, ...rest }) => ({ ...rest, text: joinedTexts(texts) }))];
}

/** By which words another page may name this one: its title, the title's first part, its first heading. */
function namesOfPage({ title, lines }: PageCredits): string[][] {
  const heading = lines.find(({ isHeading }) => isHeading)?.text.text ?? '';
  const names = [title, title.split(/\s[|–—·-]\s/u)[0] ?? '', heading];
  return [...new Set(names)].map(foldedWords).filter((words) => words.length > 0);
}

function speaksOf<P>(
  { text, heading }: CreditsEntry,
  address: string,
  names: readonly (readonly string[])[],
  { pageOf }: SiteOfPictures<P>,
): boolean {
  return [text, heading].some((said) => {
    if (!said) return false;
    if (said.links.some(({ href }) => pageOf(href) === address)) return true;
    const words = wordsOf(said).map(({ folded }) => folded);
    const file = address.replace(/^.*\//su, '');
    return (
      words.length > 0 &&
      (names.some((name) => standsIn(words, name)) || (file !== 'index.html' && standsIn(words, foldedWords(file)))) // oxfmt-ignore
    );
  });
}

const standsIn = (words: readonly string[], wanted: readonly string[]): boolean =>
  words.some((_, at) => wanted.every((word, i) => words[at + i] === word));
