/** Finds the caption that readers see with a picture, and where its words are written. */
import type { Span } from '../source/span';
import { attributeText, type Element } from './attribute-value';
import { isElement, textOf } from './node-text';
import type { PageTree } from './page-tree';
import type { CaptionsAround } from './remembered';

const CAPTION_CLASS = /(?:^|[\s_-])(?:caption|legend)(?:$|[\s_-])/i;

/**
 * The element that holds the caption: the figure's `figcaption`, else a neighbour whose class says so, else the cell under
 * the picture in a table that was made for the two.
 */
export function captionElement(
  { remembered }: Pick<PageTree, 'remembered'>,
  element: Element,
  figure: Element | null,
): Element | null {
  if (figure) {
    const own = figure.childNodes.find((child) => isElement(child) && child.tagName === 'figcaption');
    if (own) return own as Element;
  }
  let at: Element = element;
  for (let level = 0; level < 3; level++) {
    const parent = at.parentNode;
    if (!parent || !isElement(parent) || parent.tagName === 'body') return null;
    if (parent.tagName === 'td') return cellBelow(parent);
    let looked = remembered.captions.get(parent);
    if (!looked) remembered.captions.set(parent, (looked = lookForCaptions(parent)));
    if (looked.hasManyPictures) return null;
    for (const beside of looked.captions) if (beside !== at) return beside;
    at = parent;
  }
  return null;
}

/** Pages of old put a picture into a table of its own, and its caption into the row under it. */
function cellBelow(cell: Element): Element | null {
  const row = cell.parentNode;
  const body = row && isElement(row) ? row.parentNode : null;
  if (!row || !isElement(row) || !body || !isElement(body)) return null;
  const [first, second, ...more] = firstElements(body, 3);
  if (first !== row || !second || more.length > 0 || onlyCell(first) !== cell) return null;
  const below = onlyCell(second);
  const text = below && textOf(below, { limit: LONGEST_CELL + 1 });
  return text && text.length <= LONGEST_CELL && !below.childNodes.some(holdsPicture) ? below : null;
}

/** The first elements in an element, and no more: a table may have fifty thousand rows. */
function firstElements({ childNodes }: Element, most: number): Element[] {
  const found: Element[] = [];
  for (const child of childNodes) {
    if (!isElement(child)) continue;
    found.push(child);
    if (found.length === most) break;
  }
  return found;
}

/** What is longer is a text beside a picture. */
const LONGEST_CELL = 200;

function onlyCell(row: Element): Element | null {
  const [cell, ...others] = firstElements(row, 2);
  return cell?.tagName === 'td' && others.length === 0 ? cell : null;
}

const holdsPicture = (node: Element['childNodes'][number]): boolean =>
  isElement(node) && (node.tagName === 'img' || node.childNodes.some(holdsPicture));

/** What an element holds that decides about captions, among its first children: looked at once, however many pictures. */
function lookForCaptions(parent: Element): CaptionsAround {
  const { childNodes } = parent;
  const captions: Element[] = [];
  let pictures = 0;
  for (let i = 0; i < childNodes.length && i < MOST_CHILDREN; i++) {
    const child = childNodes[i];
    if (!isElement(child)) continue;
    if (CAPTION_CLASS.test(attributeText(child, 'class') ?? '')) captions.push(child);
    if (child.tagName === 'img') pictures++;
    for (let n = 0; n < child.childNodes.length && n < MOST_GRANDCHILDREN; n++) {
      const inner = child.childNodes[n];
      if (isElement(inner) && inner.tagName === 'img') pictures++;
    }
  }
  // More than one, and a caption is nobody's.
  return { captions, hasManyPictures: pictures > 1 };
}

const MOST_CHILDREN = 60;
const MOST_GRANDCHILDREN = 20;

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
