/** The lines of a page: what stands between two block edges or line breaks; the cells of a row, a term and its description are one. */
import type { DefaultTreeAdapterTypes } from 'parse5';
import { attributeText, type Element } from '../../markup/attribute-value';
import { isElement, type Node } from '../../markup/node-text';
import type { CreditText } from './credit-text';
import type { PageWeights } from './page-weights';
import { isBlock, isHeading, isSeen, textOfNodes, TextBuilder, type Sight } from './visible-text';

export interface PageLine {
  readonly text: CreditText;
  /** The number of the list item that it begins; `null` where it begins none. */
  readonly item: number | null;
  readonly isHeading: boolean;
  /** The list item, figure or quotation around it, else the innermost block: what belongs together has the same. */
  readonly entry: number;
}

/** What is read as one thing, whatever blocks it is made of. */
const ENTRIES = new Set(['li', 'figure', 'blockquote', 'dd', 'td']);
/** A row or a description that says more is a text of its own. */
const LONGEST_ROW = 400;

/** @param root the page's body */
export function linesOf(root: Element, sight: Sight, weights: PageWeights): PageLine[] {
  const lines: PageLine[] = [];
  let builder = new TextBuilder();
  let item: number | null = null;
  let entry = 0;
  let entries = 0;
  let isInEntry = false;
  let isInHeading = false;
  const open: { href: string; start: number }[] = [];
  const end = () => {
    for (const { href, start } of open) builder.close(start, href);
    if (!builder.isEmpty) {
      lines.push({ text: builder.done(), item, isHeading: isInHeading, entry });
      item = null;
    }
    builder = new TextBuilder();
    for (const link of open) link.start = 0;
  };
  const stack: (Node | (() => void))[] = [root];
  for (let node = stack.pop(); node; node = stack.pop()) {
    if (typeof node === 'function') {
      node();
      continue;
    }
    if (node.nodeName === '#text') {
      builder.add((node as DefaultTreeAdapterTypes.TextNode).value);
      continue;
    }
    if (!isElement(node) || !isSeen(node, sight)) continue;
    const element = node;
    if (element.tagName === 'br') {
      end();
      continue;
    }
    if (isOneLine(element, weights)) {
      end();
      lines.push({
        text: textOfNodes(rowOf(element), { sight, between: ' | ' }),
        ...{ item: null, isHeading: false, entry: ++entries },
      });
      continue;
    }
    if (element.tagName === 'dd' && isDescription(element, weights)) continue;
    if (isBlock(element)) {
      end();
      const outer = { entry, isInEntry, isInHeading };
      if (ENTRIES.has(element.tagName) || !isInEntry) entry = ++entries;
      if (ENTRIES.has(element.tagName)) isInEntry = true;
      if (isHeading(element)) isInHeading = true;
      if (element.tagName === 'li') item = numberOfItem(element);
      stack.push(() => {
        end();
        if (element.tagName === 'li') item = null;
        ({ entry, isInEntry, isInHeading } = outer);
      });
    } else if (element.tagName === 'a') {
      const href = sight.hrefOf(element);
      if (href !== null && element.childNodes.length > 0) {
        const link = { href, start: builder.open() };
        open.push(link);
        stack.push(() => {
          builder.close(link.start, href);
          open.splice(open.indexOf(link), 1);
        });
      }
    }
    for (let i = element.childNodes.length - 1; i >= 0; i--) stack.push(element.childNodes[i] as Node);
  }
  end();
  return lines.filter(({ text }) => text.text !== '');
}

/** A short row without pictures, or a term whose descriptions are short. */
function isOneLine(element: Element, weights: PageWeights): boolean {
  if (element.tagName === 'tr') {
    const cells = element.childNodes.filter(isElement);
    return (
      cells.length > 1 && weights.picturesIn(element) === 0 && weights.charactersIn(element) <= LONGEST_ROW
    );
  }
  const told = element.tagName === 'dt' ? descriptionsOf(element) : [];
  return told.length > 0 && told.every((one) => isShort(one, weights));
}

const isShort = (element: Element, weights: PageWeights): boolean =>
  weights.picturesIn(element) === 0 && weights.charactersIn(element) <= LONGEST_ROW;

/** Whether a description was told with its term. */
function isDescription(element: Element, weights: PageWeights): boolean {
  const siblings = element.parentNode?.childNodes ?? [];
  for (let i = siblings.indexOf(element) - 1; i >= 0; i--) {
    const before = siblings[i];
    if (before && isElement(before) && before.tagName === 'dt') return isOneLine(before, weights);
  }
  return false;
}

function descriptionsOf(term: Element): Element[] {
  const siblings = term.parentNode?.childNodes.filter(isElement) ?? [];
  const found: Element[] = [];
  for (let i = siblings.indexOf(term) + 1; i < siblings.length; i++) {
    const one = siblings[i] as Element;
    if (one.tagName === 'dd') found.push(one);
    else if (one.tagName !== 'dt' || found.length > 0) break;
  }
  return found;
}

const rowOf = (element: Element): Node[] =>
  element.tagName === 'dt' ? [element, ...descriptionsOf(element)] : [element];

/** The number of an item of an ordered list (HTML standard, §4.4.5 and §4.4.8); `null` in another list. */
export function numberOfItem(item: Element): number | null {
  const list = item.parentNode;
  if (!list || !isElement(list) || list.tagName !== 'ol') return null;
  let numbers = numbered.get(list);
  if (!numbers) numbered.set(list, (numbers = numbersOf(list)));
  return numbers.get(item) ?? null;
}

/** Lists are numbered once, so that a long one stays linear. */
const numbered = new WeakMap<Element, ReadonlyMap<Element, number>>();

function numbersOf(list: Element): Map<Element, number> {
  const items = list.childNodes.filter((one): one is Element => isElement(one) && one.tagName === 'li');
  const isReversed = attributeText(list, 'reversed') !== null;
  const start = Number.parseInt(attributeText(list, 'start') ?? '', 10);
  let number = Number.isNaN(start) ? (isReversed ? items.length : 1) : start;
  const numbers = new Map<Element, number>();
  for (const one of items) {
    const own = Number.parseInt(attributeText(one, 'value') ?? '', 10);
    if (!Number.isNaN(own)) number = own;
    numbers.set(one, number);
    number += isReversed ? -1 : 1;
  }
  return numbers;
}
