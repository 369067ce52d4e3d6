import type { ResolvedAddress } from '../address/resolve-address';
import type { Escape } from '../source/escapes';
import type { Span } from '../source/span';
import type { AreaPart } from './area-part';
import type { Quote } from './attribute-value';
import type { PlacementKind } from './kinds/kind';
import type { StoredWords } from './stored-words';

/** The link around a placement. */
export interface LinkAround {
  readonly href: string;
  /** What the link says besides this picture. */
  readonly text: string;
}

/** The run of like elements that a placement's element belongs to, where there is one. */
export interface GroupAround {
  /** Element path of what holds the group. */
  readonly path: string;
  /** Position from 1. */
  readonly index: number;
  readonly size: number;
}

/** What stands around a placement. */
export interface PlacementContext {
  readonly headings: readonly string[];
  readonly before: string;
  readonly after: string;
  readonly inFigure: boolean;
  readonly group: GroupAround | null;
  /** For CSS: how many elements of the page the rule meets (1000 stands for that many or more). */
  readonly meets: number;
  /** For an area: the picture it is a part of. */
  readonly partOf?: AreaPart;
  /** What the button around it says besides it, other pictures in it included; absent where it stands in none. */
  readonly button?: string;
  /** The words of its row, list item, card or paragraph, where that holds no other picture; absent where it says nothing. */
  readonly entry?: string;
  /** The language declared on it or around it, below the page's own (BCP 47); absent where none is. */
  readonly language?: string;
  /** Words that its element, or the link around it, keeps in attributes; absent where there are none. */
  readonly stored?: readonly StoredWords[];
}

/** What the markup says about the space, before any style sheet. */
export interface DeclaredSlot {
  /** CSS pixels, or `null` where not declared in pixels. */
  readonly widthPx: number | null;
  readonly heightPx: number | null;
  readonly sizes: string | null;
  /** `480w`, `2x`, or empty. */
  readonly descriptor: string;
  readonly type: string | null;
  readonly media: string | null;
  readonly loading: string | null;
  readonly classes: string;
  /** For CSS: the property; for attributes: the attribute's name. */
  readonly writtenIn: string;
  /** How its characters are escaped, the outermost first, where that is not as usual for its kind. */
  readonly escapes?: readonly Escape[];
}

/** Where the words that belong to a placement are written, so that they can be changed in place. */
export interface WordAnchors {
  /** The attribute that holds its text alternative; absent for `alt`. */
  readonly attribute?: 'aria-label';
  /** The value of that attribute. */
  readonly alt: { readonly span: Span; readonly quote: Quote } | null;
  /** Where that attribute can be added to the element's tag; `null` where the element takes no such words. */
  readonly addAttribute: number | null;
  /** The inside of the caption's element; `null` where there is none, or where more than text stands in it. */
  readonly caption: Span | null;
  /** Where a paragraph can be put in after the picture and what wraps it; absent in what was read before it was looked for. */
  readonly block?: number | null;
}

/** One spot on one page where a file is shown. */
export interface Placement {
  readonly kind: PlacementKind;
  /** Address of the page, relative to the site's root. */
  readonly page: string;
  /** Address of the file in which the reference is written: the page itself, or a style sheet. */
  readonly source: string;
  /** Exactly the characters between `start` and `end` of the decoded source. */
  readonly raw: string;
  readonly start: number;
  readonly end: number;
  readonly line: number;
  readonly column: number;
  readonly address: ResolvedAddress;
  readonly elementPath: string;
  /** The same spot's name in every survey: structure, not position. */
  readonly thread: string;
  /** What the attribute says that holds its text alternative; `null` where that is absent. */
  readonly alt: string | null;
  readonly name: string;
  readonly caption: string | null;
  readonly link: LinkAround | null;
  readonly decorative: boolean;
  readonly hidden: boolean;
  /** A style rule that meets no element of the page. */
  readonly dormant: boolean;
  readonly context: PlacementContext;
  readonly declared: DeclaredSlot;
  readonly words: WordAnchors;
}

/** The part of a placement that comes from its element and what stands around it. */
export type PlacementSurroundings = Omit<
  Placement,
  'kind' | 'page' | 'source' | 'raw' | 'start' | 'end' | 'line' | 'column' | 'address' | 'dormant'
>;
