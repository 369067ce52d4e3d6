/** Finds the texts in which a picture's credit may stand: its figures, its item of a set, the text before and behind it. */
import type { Element } from '../../markup/attribute-value';
import { isElement, type Node } from '../../markup/node-text';
import type { CreditText } from './credit-text';
import type { PageWeights } from './page-weights';
import {
  gather,
  isBlock,
  isHeading,
  isSeen,
  isShowing,
  textOfNodes,
  TextBuilder,
  type Sight,
} from './visible-text';

/** Where a credit was found. */
export type CreditWhere = 'caption' | 'item' | 'beside' | 'page' | 'credits-page';

/** A text that stands with a picture. */
export interface TextBeside {
  readonly where: CreditWhere;
  readonly text: CreditText;
  /** Whether other pictures stand with it as well: where it names several, each has its part. */
  readonly isShared: boolean;
  /** For the caption of an outer figure: captions of other pictures within it. */
  readonly others?: readonly CreditText[];
}

interface Page {
  readonly sight: Sight;
  readonly weights: PageWeights;
}

/** @param shown the element that shows the picture, or links to it */
export function textsBeside(shown: Element, page: Page): TextBeside[] {
  const texts = [...captions(shown, page), ...item(shown, page), ...neighbours(shown, page)];
  return texts.filter(({ text }) => text.text !== '' || text.links.length > 0);
}

const parentOf = (element: Element): Element | null =>
  element.parentNode && isElement(element.parentNode) ? element.parentNode : null;

/** Nobody stands a figure in more figures than these; a page that does would be read for ever. */
const MOST_FIGURES = 8;

/** Every figure around the picture, the innermost first. */
function captions(shown: Element, { sight, weights }: Page): TextBeside[] {
  const texts: TextBeside[] = [];
  let inner: Element | null = null;
  for (let at = parentOf(shown); at && texts.length < MOST_FIGURES; at = parentOf(at)) {
    if (at.tagName === 'body') break;
    if (at.tagName !== 'figure') continue;
    const isShared = weights.picturesIn(at) > 1;
    const figure = at;
    const own = captionsIn(figure);
    // Of a figure with one picture all words count; of one with several its caption alone.
    const nodes: readonly Node[] = isShared ? own : [at];
    const inIt = isShared ? captionsWithin(figure, sight) : [];
    const others = inIt.filter((one) => one.figure !== inner).map(({ text }) => text);
    texts.push({ where: 'caption', text: textOfNodes(nodes, { sight }), isShared, others });
    inner = at;
  }
  return texts;
}

interface CaptionWithin {
  readonly figure: Element;
  readonly text: CreditText;
}

const captionsKnown = new WeakMap<Element, readonly CaptionWithin[]>();

/** The figures within one and what their captions say: each of its pictures asks for them. */
function captionsWithin(outer: Element, sight: Sight): readonly CaptionWithin[] {
  const kept = captionsKnown.get(outer);
  if (kept) return kept;
  const found = within(outer, 'figure').map((figure) => ({
    figure,
    text: textOfNodes(captionsIn(figure), { sight }),
  }));
  captionsKnown.set(outer, found);
  return found;
}

const captionsIn = (figure: Element): Element[] => within(figure, 'figcaption');

/** The elements of a name in a figure, without those in figures within it. */
function within(figure: Element, tag: 'figure' | 'figcaption'): Element[] {
  const found: Element[] = [];
  const stack: Node[] = figure.childNodes.toReversed();
  for (let node = stack.pop(); node; node = stack.pop()) {
    if (!isElement(node)) continue;
    if (node.tagName === tag) found.push(node);
    else if (node.tagName !== 'figure') for (const child of node.childNodes.toReversed()) stack.push(child);
  }
  return found;
}

/** The member of a row of like elements, each with a picture of its own, in which the picture stands alone. */
function item(shown: Element, { sight, weights }: Page): TextBeside[] {
  let at: Element = shown;
  for (let parent = parentOf(at); parent && parent.tagName !== 'html'; parent = parentOf(at)) {
    if (weights.picturesIn(at) > 1) return [];
    const itself = weights.picturesIn(at) > 0 ? 1 : 0;
    const isRow = weights.showingChildren(parent, at.tagName) > itself;
    if (isRow && at !== shown && weights.charactersIn(at) > 0)
      return [{ where: 'item', text: textOfNodes([at], { sight }), isShared: false }];
    at = parent;
  }
  return [];
}

/** The first text block before the picture, or what shows nothing but it, and the first behind. */
function neighbours(shown: Element, page: Page): TextBeside[] {
  const { weights } = page;
  let unit = shown;
  for (let parent = parentOf(unit); parent; parent = parentOf(unit)) {
    const isBare = weights.charactersIn(parent) === weights.charactersIn(unit) && weights.picturesIn(parent) <= Math.max(1, weights.picturesIn(unit)); // oxfmt-ignore
    if (!isBare || parent.tagName === 'body' || parent.tagName === 'html') break;
    unit = parent;
  }
  return ([-1, 1] as const).flatMap((direction) => {
    const text = blockBeside(unit, direction, page);
    return text ? [{ where: 'beside' as const, text, isShared: true }] : [];
  });
}

function blockBeside(unit: Element, direction: -1 | 1, page: Page): CreditText | null {
  const siblings = unit.parentNode?.childNodes ?? [];
  const run: Node[] = [];
  const isFull = () => run.some((node) => !isBlank(node, page));
  for (let i = siblings.indexOf(unit) + direction; ; i += direction) {
    const node = siblings[i];
    if (!node) break;
    const isEmpty = isElement(node) && isBlank(node, page) && page.weights.picturesIn(node) === 0;
    if (isEmpty && !isFull()) continue;
    const isOpen = isElement(node) && (isBlock(node) || page.weights.picturesIn(node) > 0);
    if (!isOpen) {
      run.push(node);
      continue;
    }
    if (isFull()) break;
    return firstBlock(node, direction, page);
  }
  if (!isFull()) return null;
  return textOfNodes(direction === 1 ? run : run.reverse(), page);
}

function isBlank(node: Node, { sight, weights }: Page): boolean {
  if (isElement(node))
    return !isSeen(node, sight) || (weights.charactersIn(node) === 0 && node.tagName !== 'a');
  return (
    node.nodeName !== '#text' || !('value' in node) || !/[^\s\u00ad\u200b-\u200d\ufeff]/u.test(node.value)
  );
}

/** What folds out: that it does is no text block of its own. */
const withoutSummary = ({ tagName, childNodes }: Element): Node[] =>
  tagName === 'details'
    ? childNodes.filter((child) => !isElement(child) || child.tagName !== 'summary')
    : childNodes;

/** The first text block of an element, from the side that is met first; none where a heading or a picture comes before. */
function firstBlock(element: Element, direction: -1 | 1, page: Page): CreditText | null {
  const { weights, sight } = page;
  let at = element;
  for (;;) {
    if (isHeading(at) || isShowing(at)) return null;
    const inside = withoutSummary(at);
    const children = direction === 1 ? inside : inside.toReversed();
    const first = children.find(
      (child) => (isElement(child) && weights.picturesIn(child) > 0) || !isBlank(child, page),
    );
    if (!first) return null;
    if (
      isElement(first) &&
      (isBlock(first) || (weights.picturesIn(first) > 0 && weights.charactersIn(first) > 0))
    ) {
      at = first;
      continue;
    }
    if (isElement(first) && weights.picturesIn(first) > 0) return null;
    const builder = new TextBuilder();
    const run: Node[] = [];
    for (const child of children) {
      if (isElement(child) && (isBlock(child) || weights.picturesIn(child) > 0)) break;
      run.push(child);
    }
    for (const child of direction === 1 ? run : run.reverse()) gather(builder, child, { sight });
    return builder.done();
  }
}
