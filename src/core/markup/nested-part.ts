/**
 * Pages within a page: the content of `noscript`, which only readers without scripts see, and the document that an
 * `iframe` carries in its `srcdoc`. Both are read as pages of their own and their places carried back to where they
 * are written.
 */
import { escapesOf } from './escapes-of';
import type { Escape } from '../source/escapes';
import type { Span } from '../source/span';
import { locateAttribute, type Element } from './attribute-value';
import { elementPath } from './element-path';
import { insideOf } from './inside';
import type { PageTree } from './page-tree';
import type { Placement, PlacementSurroundings, WordAnchors } from './placement';

/** Pages nested deeper than this are nobody's work. */
export const MAX_NESTING = 4;

export interface NestedPart {
  readonly kind: 'noscript' | 'iframe-srcdoc';
  readonly text: string;
  /** How its characters are escaped in the source around it. */
  readonly escapes: readonly Escape[];
  /** Where the part's characters stand in the source around it. */
  spanOf(start: number, end: number): Span;
}

/** The page within an element, or `null` where it holds none. */
export function nestedPart(tree: PageTree, element: Element): NestedPart | null {
  if (element.tagName === 'noscript') {
    const inside = insideOf(tree, element);
    if (!inside || !inside.text.includes('<')) return null;
    const { text, spanOf } = inside;
    return { kind: 'noscript', text, escapes: [], spanOf };
  }
  if (element.tagName !== 'iframe') return null;
  const srcdoc = locateAttribute(tree, element, 'srcdoc');
  if (!srcdoc) return null;
  return {
    kind: 'iframe-srcdoc',
    text: srcdoc.value,
    escapes: ['html'],
    spanOf: (from, to) => srcdoc.spanOf(from, to),
  };
}

/** A place read within a part, as a place of the page around it. */
export function carryOut(
  inner: Placement,
  part: NestedPart,
  outer: { readonly element: Element; readonly around: PlacementSurroundings },
): Placement {
  const { around } = outer;
  const path = `${elementPath(outer.element)}>`;
  const context = {
    ...inner.context,
    headings: inner.context.headings.length > 0 ? inner.context.headings : around.context.headings,
    before: inner.context.before || around.context.before,
    after: inner.context.after || around.context.after,
    inFigure: inner.context.inFigure || around.context.inFigure,
  };
  const carried: Placement = {
    ...inner,
    elementPath: path + inner.elementPath,
    thread: path + inner.thread,
    link: inner.link ?? around.link,
    caption: inner.caption ?? around.caption,
    hidden: inner.hidden || around.hidden,
    context,
  };
  // A place in a linked sheet or manifest stands where it stands; only what is written in the part is moved.
  if (inner.source !== inner.page) return carried;
  return {
    ...carried,
    kind: part.kind,
    declared: { ...inner.declared, escapes: [...part.escapes, ...escapesOf(inner)] },
    // A style in a noscript dresses the page around it, whose elements it was not asked of: rather shown than missed.
    dormant: inner.dormant && part.kind !== 'noscript',
    ...part.spanOf(inner.start, inner.end),
    words: part.kind === 'noscript' ? movedWords(inner.words, part) : NO_WORDS,
  };
}

/** Words in a `srcdoc` are written twice over, once for each page: they are not changed in place. */
const NO_WORDS: WordAnchors = { alt: null, addAttribute: null, caption: null };

function movedWords(
  { alt, addAttribute, caption, block = null }: WordAnchors,
  { spanOf }: NestedPart,
): WordAnchors {
  return {
    alt: alt && { quote: alt.quote, span: spanOf(alt.span.start, alt.span.end) },
    addAttribute: addAttribute === null ? null : spanOf(addAttribute, addAttribute).start,
    caption: caption && spanOf(caption.start, caption.end),
    block: block === null ? null : spanOf(block, block).start,
  };
}
