/** A page's tree with the places of everything in it, ends included. */
import type { DefaultTreeAdapterTypes } from 'parse5';
import type { Element } from '../markup/attribute-value';
import { isElement, type Node } from '../markup/node-text';
import { parseWithPlaces } from '../markup/select-content';
import { visitAttributes, behindTagName, type WrittenAttribute } from '../markup/start-tag';
import { parseXmlPage } from '../markup/xml-tree';
import type { SourceText } from '../source/decode-source';
import type { Span } from '../source/span';

export interface WrittenTree {
  readonly text: string;
  readonly encoding: string;
  readonly document: DefaultTreeAdapterTypes.Document;
  readonly isXml: boolean;
  /** In document order; contents of templates are left out. */
  readonly elements: readonly Element[];
}

/** Parses a page with all its places; slower than `readTree`, which keeps only those that readers ask for. */
export function readWritten({ text, encoding, isXml }: SourceText): WrittenTree {
  const xml = isXml ? parseXmlPage(text) : null;
  const document = xml ?? parseWithPlaces(text);
  const elements: Element[] = [];
  const open: Node[] = [document];
  for (let node = open.pop(); node; node = open.pop()) {
    if (isElement(node)) elements.push(node);
    if (!('childNodes' in node)) continue;
    for (let i = node.childNodes.length - 1; i >= 0; i--) open.push(node.childNodes[i] as Node);
  }
  return { text, encoding, document, isXml: xml !== null, elements };
}

/** Elements that have no end tag (HTML standard, void elements). */
const VOID = new Set(['area', 'base', 'br', 'col', 'embed', 'hr', 'img', 'input', 'link', 'meta', 'param', 'source', 'track', 'wbr']); // oxfmt-ignore

/**
 * Where an element is written as a whole; one with an implied end tag ends before the white space that follows it.
 *
 * @returns `null` where the parser made it up
 */
export function rangeOf(text: string, element: Element): Span | null {
  const location = element.sourceCodeLocation;
  if (!location) return null;
  const start = location.startOffset;
  let end = location.endOffset;
  if (!location.endTag && !VOID.has(element.tagName)) {
    const least = (location.startTag ?? location).endOffset;
    while (end > least && /\s/u.test(text[end - 1] ?? '')) end--;
  }
  return { start, end };
}

/** What a place of the source is in. */
export interface Holder {
  readonly element: Element;
  /** The attribute it is in; `null` where it stands between the element's tags. */
  readonly attribute: (WrittenAttribute & { readonly name: string }) | null;
}

/**
 * Finds the tag, or the element of raw text, that a place is written in.
 *
 * @returns `null` for a place that no element of the tree is written at
 */
export function holderOf({ text, elements }: WrittenTree): (start: number) => Holder | null {
  const byStart = elements
    .flatMap((element) => {
      const location = element.sourceCodeLocation;
      return location ? [{ element, tag: location.startTag ?? location, end: location.endOffset }] : [];
    })
    .sort((a, b) => a.tag.startOffset - b.tag.startOffset);
  return (start) => {
    let low = 0;
    let high = byStart.length;
    while (low < high) {
      const middle = (low + high) >> 1;
      if ((byStart[middle]?.tag.startOffset ?? 0) <= start) low = middle + 1;
      else high = middle;
    }
    const found = byStart[low - 1];
    if (!found || start >= found.end) return null;
    if (start >= found.tag.endOffset) return { element: found.element, attribute: null };
    const attribute = attributeOver(text, found.tag.startOffset, start);
    return attribute && { element: found.element, attribute };
  };
}

function attributeOver(text: string, tagStart: number, at: number): Holder['attribute'] {
  let over: Holder['attribute'] = null;
  visitAttributes(text, behindTagName(text, tagStart), (written) => {
    if (at < written.valueStart || at > written.valueEnd) return false;
    over = { ...written, name: text.slice(written.nameStart, written.nameEnd).toLowerCase() };
    return true;
  });
  return over;
}

/** An attribute with the blanks before it, quotes included: what goes when the attribute goes. */
export function attributeRange(text: string, { nameStart, valueEnd, quote }: WrittenAttribute): Span {
  let start = nameStart;
  while (start > 0 && /\s/u.test(text[start - 1] ?? '')) start--;
  return { start, end: quote === '"' || quote === "'" ? valueEnd + 1 : valueEnd };
}

export const parentOf = (element: Node): Element | null => {
  const { parentNode } = element as { parentNode?: Node | null };
  return isElement(parentNode) ? parentNode : null;
};
