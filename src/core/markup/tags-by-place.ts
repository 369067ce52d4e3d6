import type { Element } from './attribute-value';
import type { PageTree } from './page-tree';

/** The tag that a place of the source is in, or stands behind. */
export interface TagAtPlace {
  readonly element: Element;
  /** Where it stands in `tree.elements`. */
  readonly at: number;
  /** Whether the place is in the start tag itself; else it is behind it. */
  readonly isInTag: boolean;
}

/**
 * Gives the last element whose start tag begins at or before a place; `null` before the first. Elements that the parser made
 * up have no tag.
 *
 * @returns a search in logarithmic time; `start` is a UTF-16 offset into the page's text
 */
export function tagsByPlace(tree: PageTree): (start: number) => TagAtPlace | null {
  const tags = tree.elements
    .flatMap((element, at) => {
      const location = element.sourceCodeLocation;
      const tag = location?.startTag ?? location;
      return tag ? [{ element, at, from: tag.startOffset, to: tag.endOffset }] : [];
    })
    .sort((a, b) => a.from - b.from);
  return (start) => {
    let low = 0;
    let high = tags.length;
    while (low < high) {
      const middle = (low + high) >> 1;
      if ((tags[middle]?.from ?? 0) <= start) low = middle + 1;
      else high = middle;
    }
    const found = tags[low - 1];
    return found ? { element: found.element, at: found.at, isInTag: start < found.to } : null;
  };
}
