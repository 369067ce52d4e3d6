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
  return {
    charactersIn: (element) => characters.get(element) ?? 0,
    picturesIn: (element) => pictures.get(element) ?? 0,
  };
}
