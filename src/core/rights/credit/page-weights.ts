/** How much of a page each of its elements holds: visible characters, and pictures. Counted once, from the leaves up. */
import type { DefaultTreeAdapterTypes } from 'parse5';
import type { Element } from '../../markup/attribute-value';
import { isElement } from '../../markup/node-text';
import type { PageTree } from '../../markup/page-tree';
import { isSeen, isShowing, type Sight } from './visible-text';

export interface PageWeights {
  /** Visible characters in an element, blanks left out. */
  readonly charactersIn: (element: Element) => number;
  /** Pictures that are shown in an element, itself included. */
  readonly picturesIn: (element: Element) => number;
  /** How many children of an element have that name and show pictures. */
  readonly showingChildren: (parent: Element, tagName: string) => number;
}

export function weighPage(tree: PageTree, sight: Sight): PageWeights {
  const characters = new Map<Element, number>();
  const pictures = new Map<Element, number>();
  for (let at = tree.elements.length - 1; at >= 0; at--) {
    const element = tree.elements[at] as Element;
    if (!isSeen(element, sight)) {
      // A video or an object is a picture, though nobody reads what stands in it.
      if (isShowing(element) && !sight.isHidden(element)) pictures.set(element, 1);
      continue;
    }
    let own = 0;
    let shown = isShowing(element) ? 1 : 0;
    for (const child of element.childNodes) {
      if (isElement(child)) {
        own += characters.get(child) ?? 0;
        if (element.tagName !== 'svg') shown += pictures.get(child) ?? 0;
      } else if (child.nodeName === '#text') {
        own += (child as DefaultTreeAdapterTypes.TextNode).value.replace(
          /[\s\u00ad\u200b-\u200d\ufeff]+/gu,
          '',
        ).length;
      }
    }
    if (own > 0) characters.set(element, own);
    if (shown > 0) pictures.set(element, shown);
  }
  const showing = countShowing(pictures);
  return {
    charactersIn: (element) => characters.get(element) ?? 0,
    picturesIn: (element) => pictures.get(element) ?? 0,
    showingChildren: (parent, tagName) => showing(parent).get(tagName) ?? 0,
  };
}

/** Counts children that show pictures, by name: once for each parent, as it may have very many. */
function countShowing(pictures: ReadonlyMap<Element, number>) {
  const known = new Map<Element, ReadonlyMap<string, number>>();
  return (parent: Element): ReadonlyMap<string, number> => {
    const kept = known.get(parent);
    if (kept) return kept;
    const counts = new Map<string, number>();
    for (const child of parent.childNodes)
      if (isElement(child) && pictures.has(child))
        counts.set(child.tagName, (counts.get(child.tagName) ?? 0) + 1);
    known.set(parent, counts);
    return counts;
  };
}
