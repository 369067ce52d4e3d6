/**
 * How well a picture suits the places of another: by the words that both have to do with, by shape, by size and by
 * date. Each part is told by itself, so that a person sees why.
 */
import { plain } from '../words/content-words';
import { cropToShape, shareKept } from './crop';
import type { PixelSize, Slot } from './slot';

/** A picture that is to go, with what its places say and ask for. */
export interface PutOut {
  readonly slots: readonly Slot[];
  /** Words of its captions, alt texts, headings and pages, and of its own name, without those that only join others. */
  readonly words: readonly string[];
  /** Years that its places speak of. */
  readonly years: readonly number[];
}

/** A picture that might come. */
export interface PutIn extends PixelSize {
  /** Words of its title, alt text, caption, folder and tags. */
  readonly words: readonly string[];
  /** Year in which it was taken; `null` where nothing tells. */
  readonly year: number | null;
  /** Whether it is the very same picture, larger or upright. */
  readonly isSame: boolean;
}

type FitPart =
  | { readonly part: 'same'; readonly score: 1 }
  | { readonly part: 'words'; readonly score: number; readonly shared: readonly string[] }
  /** `keeps`: share of its area that the tightest crop keeps, 0 to 1. */
  | { readonly part: 'shape'; readonly score: number; readonly keeps: number }
  /** `lacks`: by how much it is too small for its largest place; 1 where it is large enough. */
  | { readonly part: 'size'; readonly score: number; readonly lacks: number }
  | { readonly part: 'date'; readonly score: number; readonly year: number };

export interface Fit {
  /** 0 to 1. */
  readonly score: number;
  /** The strongest first. */
  readonly parts: readonly FitPart[];
}

/** How much each part counts. What a picture shows matters most; a wrong shape or size can be told and lived with. */
const SHARE = { words: 0.55, shape: 0.2, size: 0.15, date: 0.1 } as const;
/** Weight of shared words at which half of what words can give is reached: about one rare word. */
const HALF = 1.5;
/** What an unknown date counts: neither for nor against. */
const UNTOLD = 0.5;

/**
 * How well one picture suits the places of another.
 *
 * @param rarityOf how much a root tells, > 0: `rarities` makes it
 */
export function fitOf(out: PutOut, candidate: PutIn, rarityOf: (root: string) => number): Fit {
  const parts: FitPart[] = [wordsPart(out, candidate, rarityOf), ...shapeAndSize(out, candidate)];
  const date = datePart(out, candidate);
  if (date) parts.push(date);
  const given = parts.reduce((sum, one) => sum + SHARE[one.part as keyof typeof SHARE] * one.score, 0);
  const untold = date ? 0 : SHARE.date * UNTOLD;
  if (candidate.isSame) return { score: 1, parts: [{ part: 'same', score: 1 }, ...parts] };
  return { score: given + untold, parts: parts.toSorted((a, b) => b.score - a.score) };
}

/**
 * How much each root tells among some pictures: what all speak of tells nothing (inverse document frequency, Spärck
 * Jones 1972), and a number less than a word.
 */
export function rarities(
  pictures: readonly { readonly words: readonly string[] }[],
): (root: string) => number {
  const seen = new Map<string, number>();
  for (const { words } of pictures)
    for (const root of new Set(words.map(rootOf))) seen.set(root, (seen.get(root) ?? 0) + 1);
  return (root) => {
    const tells = Math.log((pictures.length + 1) / (seen.get(root) ?? 1));
    return /^\d+$/.test(root) ? tells / 4 : tells;
  };
}

/** What inflected words and most compounds of one root begin with. */
const ROOT_LETTERS = 5;
const rootOf = (word: string): string => plain(word).replace(/s$/u, '').slice(0, ROOT_LETTERS);

function wordsPart(out: PutOut, candidate: PutIn, rarityOf: (root: string) => number): FitPart {
  const theirs = new Set(out.words.map(rootOf));
  const shared = new Map<string, string>();
  for (const word of candidate.words) if (theirs.has(rootOf(word))) shared.set(rootOf(word), word);
  const weight = [...shared.keys()].reduce((sum, root) => sum + rarityOf(root), 0);
  const telling = [...shared].toSorted((a, b) => rarityOf(b[0]) - rarityOf(a[0])).map(([, word]) => word);
  return { part: 'words', score: weight / (weight + HALF), shared: telling };
}

function shapeAndSize(out: PutOut, candidate: PutIn): FitPart[] {
  const middle = { x: 0.5, y: 0.5 };
  let keeps = 1;
  let lacks = 1;
  for (const slot of out.slots) {
    if (slot.shape === 'free') continue;
    const crop = cropToShape(candidate, slot.widthPx / slot.heightPx, middle);
    keeps = Math.min(keeps, shareKept(candidate, crop));
    lacks = Math.max(lacks, slot.widthPx / crop.widthPx);
  }
  return [
    { part: 'shape', score: keeps, keeps },
    { part: 'size', score: 1 / lacks, lacks },
  ];
}

/** Taken in a year that the places speak of, or not; nothing where either is silent. */
function datePart({ years }: PutOut, { year }: PutIn): FitPart | null {
  if (year === null || years.length === 0) return null;
  const off = Math.min(...years.map((one) => Math.abs(one - year)));
  return { part: 'date', score: off === 0 ? 1 : off === 1 ? 0.5 : 0, year };
}
