/**
 * The value of one attribute, together with where each of its characters stands in the source. parse5 gives the
 * span of the whole attribute (name and quotes included) and the decoded value; references are written between.
 */
import type { DefaultTreeAdapterTypes } from 'parse5';
import { decodeAttribute } from '../source/escapes';
import type { Span } from '../source/span';
import { findAttribute, visitAttributes, type WrittenAttribute } from './start-tag';

export type Element = DefaultTreeAdapterTypes.Element;

/** How an attribute's value is delimited in the source; `bare` for an attribute that has none yet. */
export type Quote = WrittenAttribute['quote'];

export interface AttributeValue {
  /** Decoded: character references resolved, line ends as LF. */
  readonly value: string;
  /** The characters between the quotes in the source. */
  readonly span: Span;
  readonly quote: Quote;
  /** The whole attribute. */
  readonly written: WrittenAttribute;
  /** The span of `value.slice(from, to)` in the source. */
  spanOf(from: number, to: number): Span;
}

/** The decoded value of an attribute, or `null` where the element has none of that name. */
export function attributeText(element: Element, name: string): string | null {
  for (const attribute of element.attrs) {
    if (attribute.name === name) return attribute.value;
  }
  return null;
}

/**
 * The value of an attribute with its place in the source, or `null` where the element has no such attribute, was
 * made up by the parser, or has the attribute without a value.
 *
 * @param source the text that was parsed
 * @param name as in the source, lower case (`xlink:href` for the attribute that parse5 calls `href` in SVG)
 */
export function locateAttribute(
  source: { readonly text: string },
  element: Element,
  name: string,
): AttributeValue | null {
  const written = writtenAttribute(source.text, element, name);
  if (!written || written.quote === 'bare') return null;
  const value = attributeText(element, name.startsWith('xlink:') ? name.slice(6) : name);
  if (value === null) return null;
  return new LocatedValue(source.text, value, written);
}

/** Where an element's attribute is written, with or without a value; `null` where the parser made the element up. */
export function writtenAttribute(text: string, element: Element, name: string): WrittenAttribute | null {
  const { sourceCodeLocation: location } = element;
  if (!location) return null;
  // In XML a name may carry any prefix, and some stand in a later tag: for those it is known where they begin.
  const known = location.attrs?.[name];
  if (known) return attributeAt(text, known.startOffset);
  return findAttribute(text, (location.startTag ?? location).startOffset, name);
}

function attributeAt(text: string, start: number): WrittenAttribute | null {
  let found: WrittenAttribute | null = null;
  visitAttributes(text, start, (attribute) => {
    found = attribute;
    return true;
  });
  return found;
}

class LocatedValue implements AttributeValue {
  private offsets: readonly number[] | null = null;

  constructor(
    private readonly text: string,
    readonly value: string,
    readonly written: WrittenAttribute,
  ) {}

  get span(): Span {
    return { start: this.written.valueStart, end: this.written.valueEnd };
  }

  get quote(): Quote {
    return this.written.quote;
  }

  spanOf(from: number, to: number): Span {
    const { valueStart: start, valueEnd: end } = this.written;
    if (end - start === this.value.length) return { start: start + from, end: start + to };
    this.offsets ??= decodeAttribute(this.text.slice(start, end)).offsets;
    return { start: this.sourceOffset(from), end: this.sourceOffset(to) };
  }

  private sourceOffset(at: number): number {
    const { valueStart: start, valueEnd: end } = this.written;
    return start + (this.offsets?.[at] ?? end - start);
  }
}
