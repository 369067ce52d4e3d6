/** Finds the caption that readers see with a picture, and where its words are written. */
import type { Span } from '../source/span';
import { attributeText, type Element } from './attribute-value';
import { isElement, textOf } from './node-text';
import type { PageTree } from './page-tree';

const CAPTION_CLASS = /(?:^|[\s_-])(?:caption|legend)(?:$|[\s_-])/i;

/** The element that holds the caption: the figure's `figcaption`, else a neighbour whose class says so. */
export function captionElement(element: Element, figure: Element | null): Element | null {
  if (figure) {
    const own = childWhere(figure, (child) => child.tagName === 'figcaption');
    if (own) return own;
  }
  let at: Element = element;
  for (let level = 0; level < 3; level++) {
    const parent = at.parentNode;
    if (!parent || !isElement(parent) || parent.tagName === 'body') return null;
    if (countPictures(parent) > 1) return null;
    const beside = childWhere(
      parent,
      (child) => child !== at && CAPTION_CLASS.test(attributeText(child, 'class') ?? ''),
    );
    if (beside) return beside;
    at = parent;
  }
  return null;
}

function childWhere(parent: Element, test: (child: Element) => boolean): Element | null {
  for (const child of parent.childNodes.slice(0, 60)) {
    if (isElement(child) && test(child)) return child;
  }
  return null;
}

/** Pictures among an element's children and grandchildren, as far as 2: more than one, and a caption is nobody's. */
function countPictures(parent: Element): number {
  let count = 0;
  for (const child of parent.childNodes.slice(0, 60)) {
    if (!isElement(child)) continue;
    if (child.tagName === 'img') count++;
    for (const inner of child.childNodes.slice(0, 20))
      if (isElement(inner) && inner.tagName === 'img') count++;
    if (count > 1) return count;
  }
  return count;
}

/** The caption's text and, where it can be replaced as a whole, the span of what stands between its tags. */
export function readCaption(tree: PageTree, caption: Element): { text: string; span: Span | null } {
  const text = textOf(caption, { limit: 1000 });
  const location = caption.sourceCodeLocation;
  const plain = caption.childNodes.every((child) => !isElement(child) || INLINE.has(child.tagName));
  if (!plain || !location?.startTag || !location.endTag) return { text, span: null };
  return {
    text,
    span: { start: location.startTag.endOffset, end: location.endTag.startOffset },
  };
}

/** What may stand in a caption that is replaced as a whole without losing more than emphasis. */
const INLINE = new Set(['em', 'i', 'b', 'strong', 'span', 'br', 'small', 'cite']);
