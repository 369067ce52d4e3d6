/** What is said of the pictures of a page and around each, in words that can be compared; made once a page. */
import { once, onceFor } from '../once-for';
import type { PageToCheck, PlacementToCheck } from '../page-to-check';
import { isPicture } from '../places';
import { bareText } from './alike';
import { contentWords, sharedWords, stemOf } from '../../words/content-words';
import { isFileName } from './empty-texts';
import { wordsFor } from '../../words/languages/known-languages';
import { isSearchWords } from './search-words';
import { isWorkNote } from './work-notes';

/** One picture of a page with its words. */
export interface PictureWords {
  readonly placement: PlacementToCheck;
  readonly alt: readonly string[];
  readonly caption: readonly string[];
  /** Of its row, list item, card or paragraph, its caption included. */
  readonly entry: readonly string[];
  /** Of the heading right over it. */
  readonly heading: readonly string[];
}

export interface PageWords {
  readonly pictures: readonly PictureWords[];
  /** Words of the page's title and first heading: they hold for all its pictures. */
  readonly topic: readonly string[];
  readonly small: ReadonlySet<string>;
  /** Colours, sizes, numbers, and what holds for nearly everything: sharing one of these means nothing. */
  readonly common: ReadonlySet<string>;
  of(placement: PlacementToCheck): PictureWords | null;
  /** Pictures whose alt text, or caption, says that, whatever its case and marks. */
  saying(field: 'alt' | 'caption', text: string): readonly PictureWords[];
  /** Pictures whose entry, or whose own section, begins with a word of that stem. */
  about(word: string): readonly PictureWords[];
  /** Pictures of the same run of like elements, this one with them; the same list for all of them. */
  row(placement: PlacementToCheck): readonly PictureWords[];
  /** Those of its row, this one left out. */
  beside(placement: PlacementToCheck): readonly PictureWords[];
  /** It and those before and behind it on the page, as far as the text reaches that is kept around it. */
  near(placement: PlacementToCheck): readonly PictureWords[];
}

const NONE: readonly PictureWords[] = [];
/** In the text that is kept around a picture not more captions of others have room. */
const NEAR = 40;

/** The end of a long story about a picture is no mark of it. */
const MOST_WORDS = 14;

/** Whether an alt text is words about the picture at all. */
const isTold = ({ alt, raw }: PlacementToCheck, language: string | null): boolean =>
  !isFileName(alt ?? '', raw) && !isWorkNote(alt ?? '', language) && !isSearchWords(alt ?? '', language);

export const pageWords: (page: PageToCheck) => PageWords = onceFor(read);

function read(page: PageToCheck): PageWords {
  const small = wordsFor(page.language, 'functionWords');
  const content = (text: string | null | undefined) => contentWords(text ?? '', small);
  const pictures = page.placements.filter(isPicture).map((placement) => ({
    placement,
    alt: isTold(placement, page.language) ? content(placement.alt).slice(0, MOST_WORDS) : [],
    caption: content(placement.caption),
    entry: content(placement.context.entry ?? placement.caption),
    heading: content(placement.context.headings.at(-1)),
  }));
  const first = pictures.find(({ placement }) => placement.context.headings.length > 0)?.placement;
  const order = new Map(pictures.map(({ placement }, at) => [placement, at]));
  const byPlacement = new Map(pictures.map((one) => [one.placement, one]));
  const byGroup = new Map<string, PictureWords[]>();
  for (const one of pictures) {
    const path = one.placement.context.group?.path;
    if (path === undefined) continue;
    const others = byGroup.get(path);
    if (others) others.push(one);
    else byGroup.set(path, [one]);
  }
  const common = wordsFor(page.language, 'commonWords', 'tooGeneral', 'pictureWords');
  const byAlt = once(() => indexTexts(pictures, 'alt'));
  const byCaption = once(() => indexTexts(pictures, 'caption'));
  const bySubject = once(() => indexSubjects(pictures));
  const row = ({ context }: PlacementToCheck) => byGroup.get(context.group?.path ?? '') ?? NONE;
  return {
    ...{ pictures, small, common },
    saying: (field, text) => (field === 'alt' ? byAlt() : byCaption()).get(bareText(text)) ?? [],
    about: (word) => bySubject().get(stemOf(word)) ?? [],
    topic: content(`${page.title} ${first?.context.headings[0] ?? ''}`),
    of: (placement) => byPlacement.get(placement) ?? null,
    row,
    beside: (placement) => row(placement).filter((one) => one.placement !== placement),
    near: (placement) => {
      const at = order.get(placement);
      return at === undefined ? [] : pictures.slice(Math.max(0, at - NEAR), at + NEAR + 1);
    },
  };
}

function indexTexts(
  pictures: readonly PictureWords[],
  field: 'alt' | 'caption',
): Map<string, PictureWords[]> {
  const index = new Map<string, PictureWords[]>();
  for (const one of pictures) {
    const said = bareText(one.placement[field] ?? '');
    if (said === '') continue;
    const others = index.get(said);
    if (others) others.push(one);
    else index.set(said, [one]);
  }
  return index;
}

/** What an entry is about stands at its beginning. */
const HEAD_OF_ENTRY = 4;

function indexSubjects(pictures: readonly PictureWords[]): Map<string, PictureWords[]> {
  const index = new Map<string, PictureWords[]>();
  for (const one of pictures) {
    const isSection = one.placement.context.headings.length > 1;
    const subject = one.entry.length > 0 ? one.entry : isSection ? one.heading : [];
    for (const stem of new Set(subject.slice(0, HEAD_OF_ENTRY).map(stemOf)))
      index.set(stem, [...(index.get(stem) ?? []), one]);
  }
  return index;
}

const tellingKnown = new WeakMap<readonly string[], readonly string[]>();

/** The words of some that hold for more than the page as a whole. */
export function telling(words: readonly string[], { topic, common }: PageWords): readonly string[] {
  let kept = tellingKnown.get(words);
  if (!kept) {
    const shared = new Set(sharedWords(words, topic));
    kept = words.filter((word) => !shared.has(word) && !common.has(word));
    tellingKnown.set(words, kept);
  }
  return kept;
}

/** The last sentence before a picture, and the first after it. */
export function sentencesAround({ context }: PlacementToCheck): {
  readonly before: string;
  readonly after: string;
} {
  const before = context.before.split(/(?<=[.!?…:])\s+/u).at(-1) ?? '';
  const after = /^.*?[.!?:](?=\s|$)/u.exec(context.after)?.[0] ?? context.after;
  return { before, after };
}

const aroundKnown = new WeakMap<PlacementToCheck, string>();

/** Headings and text around a picture, without the captions of the page: those speak of their own pictures. */
export function textAround(placement: PlacementToCheck, page: PageToCheck): string {
  let text = aroundKnown.get(placement);
  if (text === undefined) {
    const { context } = placement;
    let around = ` ${context.before} ${context.after} `;
    for (const caption of new Set(
      pageWords(page)
        .near(placement)
        .map((one) => one.placement.caption),
    ))
      if (caption && around.includes(caption)) around = around.replaceAll(caption, ' | ');
    text = `${context.headings.join(' | ')} | ${around}`;
    aroundKnown.set(placement, text);
  }
  return text;
}
