/** What rules read: a page, its places in their order, and what is known of the pictures that stand there. */
import type { NearMiss } from '../address/near-miss';
import type { ChangedSubject } from '../dating/changed-subject';
import type { Dating } from '../dating/best-interval';
import type { Day } from '../dating/day';
import type { PictureKind } from '../dating/shelf-life';
import { elementOfSpot } from '../markup/element-path';
import type { PlacementKind } from '../markup/kinds/kind';
import type { Placement } from '../markup/placement';
import type { Quarters } from '../picture/turned';
import type { FoundCredit } from '../rights/credit/find-credit';
import type { Code, Step } from '../rights/may';

/** What rules read of a place as it was read. */
type ReadPlace = Pick<
  Placement,
  | 'kind' | 'source' | 'line' | 'column' | 'thread' | 'raw'
  | 'alt' | 'name' | 'caption' | 'link' | 'decorative' | 'hidden' | 'dormant' | 'context' | 'declared'
>; // oxfmt-ignore

/** A place as it was when it showed another picture. */
export interface PlaceBefore {
  /** The survey that found the picture of today. */
  readonly survey: number;
  readonly path: string;
  readonly alt: string | null;
  readonly caption: string | null;
}

/** What was answered of the rights of a place. */
export interface PlaceRights {
  readonly because: readonly Code[];
  /** The first day on which the picture may not stand there; `null` where none is known, or it may not already. */
  readonly until: Day | null;
  readonly credit: Pick<FoundCredit, 'wanted' | 'found' | 'missing'>;
  readonly chain: readonly Step[];
}

/** One place of a page. */
export interface PlacementToCheck extends ReadPlace {
  /** Where its element stands in the structure of the page. */
  readonly element: string;
  /** Whether the words of its element are told here: an element may show a picture by several attributes. */
  readonly bearsWords: boolean;
  /** What stood there until a survey found another picture; `null` where it never was another, or nobody knows. */
  readonly before: PlaceBefore | null;
  /** `null` where nothing is recorded of rights on the site. */
  readonly rights: PlaceRights | null;
  /** Path of the file within the site; `null` for what lies elsewhere. */
  readonly filePath: string | null;
  /** Address of what lies elsewhere. */
  readonly url: string | null;
}

/** A file that shows the same as another, turned. */
export interface TurnedTwin {
  readonly path: string;
  /** By how many quarters this one must be turned clockwise to stand like that one. */
  readonly quarters: Quarters;
  /** In which of the two pictures a camera noted which way is up; `null` where in none, or in both. */
  readonly upright: 'own' | 'other' | null;
}

/** What is known of a file, and of the picture that it is one file of. */
export interface PictureFacts {
  readonly path: string;
  /** Whether the file is there. */
  readonly isThere: boolean;
  /** For one that is not: a file that is there under nearly that name. */
  readonly near: { readonly path: string; readonly kind: NearMiss['kind'] } | null;
  readonly widthPx: number | null;
  readonly heightPx: number | null;
  readonly sizeBytes: number | null;
  /** What its bytes are: `jpeg`, `png` … */
  readonly format: string | null;
  /** ms since 1970, of the file; and of the file that stands for its picture. */
  readonly modifiedMs: number | null;
  readonly masterModifiedMs: number | null;
  readonly masterPath: string | null;
  /** Number of the picture, by which the same one is known elsewhere; `null` where it is not known. */
  readonly pictureId: number | null;
  readonly kind: PictureKind | null;
  readonly dating: Dating | null;
  /** The last day on which it is current; `null` where it does not age. */
  readonly currentUntil: Day | null;
  /** Age over shelf life: above 1 it is past its time; 0 where nothing can be said. */
  readonly overdue: number;
  readonly changed: ChangedSubject | null;
  /** What speaks for a leftover of a template; empty where it is none. */
  readonly leftoverClues: readonly string[];
  /** Description, or alt text, that its file carries. */
  readonly embedded: string | null;
  /** The title that its file carries: a name for the archive. */
  readonly embeddedTitle: string | null;
  /** Words that were read in the picture itself; `null` where that was not tried. */
  readonly readText: string | null;
  /** Who its file says it is by. */
  readonly credit: string | null;
  /** The people that a person said are on it. */
  readonly people: readonly string[];
  /** Another file of the site with the very same bytes, that stands somewhere too. */
  readonly sameBytes: string | null;
  /** Another file of the site that shows the same, turned. */
  readonly twin: TurnedTwin | null;
  /** The alt texts that the picture has on all pages, by how many places have each. */
  readonly altTexts: Readonly<Record<string, number>>;
}

export interface PageToCheck {
  readonly path: string;
  readonly title: string;
  /** Of the page, as in `de-CH`; `null` where it does not say. */
  readonly language: string | null;
  readonly placements: readonly PlacementToCheck[];
  /** By path of the file. */
  readonly pictures: ReadonlyMap<string, PictureFacts>;
  /** Names of all people that pictures of the site are known to show. */
  readonly people: readonly string[];
  /** Titles of the site's pages, by their paths: what links are called that lead there. */
  readonly titles: ReadonlyMap<string, string>;
  readonly today: Day;
}

/** A file of which nothing but its path is known. */
export function unknownPicture(path: string): PictureFacts {
  return {
    ...{ path, isThere: true, near: null, widthPx: null, heightPx: null, sizeBytes: null, format: null },
    ...{ modifiedMs: null, masterModifiedMs: null, masterPath: null, pictureId: null, kind: null },
    ...{ dating: null, currentUntil: null, overdue: 0, changed: null, leftoverClues: [] },
    ...{
      embedded: null,
      embeddedTitle: null,
      readText: null,
      credit: null,
      people: [],
      sameBytes: null,
      twin: null,
      altTexts: {},
    },
  };
}

/** Kinds whose element takes words, and of which it has one at most. */
export const TAKES_OWN_WORDS: readonly PlacementKind[] = ['img', 'input', 'area', 'object', 'drawn'];
/** Kinds in which an `img` may show its picture without having a `src` of its own. */
const OTHER_KINDS = new Set<PlacementKind>(['lazy', 'srcset', 'iframe-srcdoc']);

/** Chooses for every element that takes words the one place that bears them: its own address, else the first other. */
export function withBearers<T extends Pick<PlacementToCheck, 'kind' | 'element'>>(
  placements: readonly T[],
): (T & { readonly bearsWords: boolean })[] {
  const bearers = new Map<string, T>();
  for (const one of placements) {
    const isOwn = TAKES_OWN_WORDS.includes(one.kind);
    const isOther = OTHER_KINDS.has(one.kind) && /(?:^|>|\b)img:\d+$/u.test(one.element);
    const before = bearers.get(one.element);
    if (isOwn || (isOther && !before)) bearers.set(one.element, one);
  }
  return placements.map((one) => ({ ...one, bearsWords: bearers.get(one.element) === one }));
}

/** The places of a page that was read, as rules read them. */
export function placementsToCheck(placements: readonly Placement[]): PlacementToCheck[] {
  const all = placements.map(({ address, ...placement }) => ({
    ...placement,
    before: null,
    rights: null,
    element: elementOfSpot(placement.thread),
    filePath: address.kind === 'site' ? address.path : null,
    url: address.kind === 'elsewhere' ? address.url : null,
  }));
  return withBearers(all);
}
