/** Where something may be put into a page as it is written: its head, its own content, its foot. */
import type { DefaultTreeAdapterTypes } from 'parse5';
import type { Span } from '../source/span';
import { attributeText, type Element } from './attribute-value';
import { isElement } from './node-text';
import { parseWithPlaces } from './select-content';

/** An element as the source writes it, with its tags and without. */
export interface Written {
  readonly outer: Span;
  /** `null` where it has no inside of its own, or the source does not end it. */
  readonly inner: Span | null;
}

export interface PageParts {
  readonly language: string | null;
  /** Where the head ends; behind its title where its end is not written, and at the page's end where it has none. */
  readonly headEnd: number;
  /** Where the last foot ends, else the page. */
  readonly footEnd: number;
  readonly title: Written | null;
  /** What is its own, without menu, head and foot. */
  readonly main: Written | null;
  /** Of its head: what tells of this page alone. */
  readonly ofThisPage: readonly Span[];
  /** Addresses that it leads to, as they are written. */
  readonly links: readonly string[];
  byId(id: string): Written | null;
}

/** What pages call the part that is their own, where they have no `main`. */
const MAIN_ID = /^(?:main|content|main-?content|page|inhalt|hauptinhalt|contenu|contenido|principal)$/iu;

/** @param text as `decodeSource` gives it; all offsets are its own. Never throws. */
export function pageParts(text: string): PageParts {
  const document = parseWithPlaces(text);
  const elements: Element[] = [];
  gather(document, elements);
  const first = (isIt: (element: Element) => boolean) => elements.find(isIt);
  const named = (name: string) => first(({ tagName }) => tagName === name);
  const endOf = (element: Element | undefined) => element?.sourceCodeLocation?.endTag?.startOffset ?? null;
  const title = writtenOf(named('title'));
  const bodyEnd = endOf(named('body')) ?? endOf(named('html')) ?? text.length;
  const feet = elements.filter(({ tagName }) => tagName === 'footer').flatMap((one) => endOf(one) ?? []);
  const html = named('html');
  const main =
    named('main') ??
    first((one) => attributeText(one, 'role') === 'main') ??
    first((one) => MAIN_ID.test(attributeText(one, 'id') ?? ''));
  return {
    language: html ? attributeText(html, 'lang') : null,
    headEnd: endOf(named('head')) ?? title?.outer.end ?? bodyEnd,
    footEnd: feet.at(-1) ?? bodyEnd,
    title,
    main: writtenOf(main),
    ofThisPage: elements.filter(isOfThisPage).flatMap((one) => writtenOf(one)?.outer ?? []),
    links: elements.flatMap((one) => (one.tagName === 'a' ? (attributeText(one, 'href') ?? []) : [])),
    byId: (id) => writtenOf(first((one) => attributeText(one, 'id') === id)),
  };
}

function gather(node: DefaultTreeAdapterTypes.ParentNode, into: Element[]): void {
  for (const child of node.childNodes) {
    if (!isElement(child)) continue;
    into.push(child);
    gather(child, into);
  }
}

function writtenOf(element: Element | undefined): Written | null {
  const place = element?.sourceCodeLocation;
  if (!place) return null;
  const { startTag, endTag } = place;
  const inner = startTag && endTag ? { start: startTag.endOffset, end: endTag.startOffset } : null;
  return { outer: { start: place.startOffset, end: place.endOffset }, inner };
}

/** Its own address, description and data: of a page that is made after it they would tell something untrue. */
function isOfThisPage(element: Element): boolean {
  const said = (name: string) => (attributeText(element, name) ?? '').toLowerCase();
  if (element.tagName === 'link')
    return /(?:^|\s)(?:canonical|alternate|shortlink)(?:\s|$)/u.test(said('rel'));
  if (element.tagName === 'script') return said('type') === 'application/ld+json';
  if (element.tagName !== 'meta') return false;
  return (
    /^(?:description|keywords|date|author|twitter:.*)$/u.test(said('name')) ||
    /^(?:og|article):/u.test(said('property'))
  );
}
