/** Where a paragraph of text can stand below a picture. */
import type { Element } from './attribute-value';
import { isElement } from './node-text';
import type { PageTree } from './page-tree';
import { WRAPS } from './picture-wraps';

/** In these a paragraph may stand. */
const TAKES_PARAGRAPHS = new Set(['body', 'main', 'div', 'section', 'article', 'aside', 'header', 'footer', 'td', 'th', 'li', 'dd', 'blockquote', 'center', 'form', 'fieldset', 'details']); // oxfmt-ignore

/** The offset in the source, or `null` where no paragraph may stand, or where the source leaves the end to the browser. */
export function blockAnchor(tree: PageTree, shown: Element): number | null {
  let whole = shown;
  for (
    let parent = whole.parentNode;
    isElement(parent) && WRAPS.has(parent.tagName);
    parent = whole.parentNode
  )
    whole = parent;
  const { parentNode, sourceCodeLocation: location } = whole;
  if (!isElement(parentNode) || !TAKES_PARAGRAPHS.has(parentNode.tagName) || !location) return null;
  // Without an end tag in the source its location ends with the start tag.
  const isClosed = location.endOffset > (location.startTag?.endOffset ?? location.endOffset);
  return whole === shown || isClosed ? location.endOffset : null;
}
