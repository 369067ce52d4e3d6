import type { DefaultTreeAdapterTypes } from 'parse5';
import type { PlacesInRow } from './long-row';

type Node = DefaultTreeAdapterTypes.Node;
type Element = DefaultTreeAdapterTypes.Element;

/** What was found out once while a page is read, so that a page of any shape takes time in proportion to its length. */
export interface Remembered {
  /** Like children of an element, by their tag name. */
  readonly groups: Map<Element, Map<string, LikeChildren>>;
  /** The first words of a node, and its last; those in a long row are kept with it. */
  readonly ahead: Map<Node, string>;
  readonly behind: Map<Node, string>;
  /** What an element holds that decides about captions. */
  readonly captions: Map<Element, CaptionsAround>;
}

/** Captions among an element's children, and whether it holds more than one picture. */
export interface CaptionsAround {
  readonly captions: readonly Element[];
  readonly hasManyPictures: boolean;
}

/** Children of one tag name that hold a picture each. */
export interface LikeChildren {
  /** Path of what holds them. */
  readonly path: string;
  readonly places: PlacesInRow<Element>;
}

export function nothingRemembered(): Remembered {
  return { groups: new Map(), ahead: new Map(), behind: new Map(), captions: new Map() };
}
