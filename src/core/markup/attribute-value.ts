/**
 * The value of one attribute, together with where each of its characters stands in the source. parse5 gives the
 * span of the whole attribute (name and quotes included) and the decoded value; references are written between.
 */
import type { DefaultTreeAdapterTypes } from 'parse5';
import { decodeAttribute } from '../source/escapes';
import type { Span } from '../source/span';

export type Element = DefaultTreeAdapterTypes.Element;

/** How an attribute's value is delimited in the source; `bare` for an attribute that has none yet. */
export type Quote = '"' | "'" | 'none' | 'bare';

export interface AttributeValue {
  /** Decoded: character references resolved, line ends as LF. */
  readonly value: string;
  /** The characters between the quotes in the source. */
  readonly span: Span;
  readonly quote: Quote;
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
  const location = element.sourceCodeLocation?.attrs?.[name];
  if (!location) return null;
  const localName = name.startsWith('xlink:') ? name.slice(6) : name;
  const value = attributeText(element, localName);
  if (value === null) return null;
  const { text } = source;
  const attributeEnd = location.endOffset;
  // Written with the prefix that the page binds, which in XML may be any: what is known is where it begins.
  let start = location.startOffset + 1;
  while (start < attributeEnd && text[start] !== '=' && !isSpace(text.charCodeAt(start))) start++;
  while (start < attributeEnd && isSpace(text.charCodeAt(start))) start++;
  if (text[start] !== '=') return null;
  start++;
  while (start < attributeEnd && isSpace(text.charCodeAt(start))) start++;
  const first = text[start];
  const quote: Quote = first === '"' || first === "'" ? first : 'none';
  const span = quote === 'none' ? { start, end: attributeEnd } : { start: start + 1, end: attributeEnd - 1 };
  return new LocatedValue(text, span, value, quote);
}

class LocatedValue implements AttributeValue {
  private offsets: readonly number[] | null = null;

  constructor(
    private readonly text: string,
    readonly span: Span,
    readonly value: string,
    readonly quote: Quote,
  ) {}

  spanOf(from: number, to: number): Span {
    const { start, end } = this.span;
    if (end - start === this.value.length) return { start: start + from, end: start + to };
    this.offsets ??= decodeAttribute(this.text.slice(start, end)).offsets;
    return { start: this.sourceOffset(from), end: this.sourceOffset(to) };
  }

  private sourceOffset(at: number): number {
    const { start, end } = this.span;
    return start + (this.offsets?.[at] ?? end - start);
  }
}

function isSpace(unit: number): boolean {
  return unit === 32 || (unit >= 9 && unit <= 13 && unit !== 11);
}
