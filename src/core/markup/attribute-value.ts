/**
 * The value of one attribute, together with where each of its characters stands in the source. parse5 gives the
 * span of the whole attribute (name and quotes included) and the decoded value; references are written between.
 */
import type { DefaultTreeAdapterTypes } from 'parse5';
import { DecodingMode, HtmlEntityDecoder } from 'entities/decode';
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
 * @param source the text that was parsed, and what to add to the parser's offsets (1 after a byte order mark)
 * @param name as in the source, lower case (`xlink:href` for the attribute that parse5 calls `href` in SVG)
 */
export function locateAttribute(
  source: { readonly text: string; readonly shift: number },
  element: Element,
  name: string,
): AttributeValue | null {
  const location = element.sourceCodeLocation?.attrs?.[name];
  if (!location) return null;
  const localName = name.startsWith('xlink:') ? name.slice(6) : name;
  const value = attributeText(element, localName);
  if (value === null) return null;
  const { text, shift } = source;
  const attributeEnd = location.endOffset + shift;
  let start = location.startOffset + shift + name.length;
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
    this.offsets ??= rawOffsets(this.text.slice(start, end));
    return { start: this.sourceOffset(from), end: this.sourceOffset(to) };
  }

  private sourceOffset(at: number): number {
    const { start, end } = this.span;
    return start + (this.offsets?.[at] ?? end - start);
  }
}

/** For each UTF-16 unit of the decoded value, where its source begins within `raw`; the length of `raw` last. */
function rawOffsets(raw: string): number[] {
  const offsets: number[] = [];
  let at = 0;
  let units = 0;
  const decoder = new HtmlEntityDecoder((codePoint) => {
    units += codePoint > 0xffff ? 2 : 1;
  });
  while (at < raw.length) {
    if (raw[at] === '\r' && raw[at + 1] === '\n') {
      offsets.push(at);
      at += 2;
      continue;
    }
    if (raw[at] === '&') {
      units = 0;
      decoder.startEntity(DecodingMode.Attribute);
      const consumed = decoder.write(raw, at + 1);
      const length = consumed < 0 ? decoder.end() : consumed;
      if (length > 0 && units > 0) {
        for (let unit = 0; unit < units; unit++) offsets.push(at);
        at += length;
        continue;
      }
    }
    offsets.push(at);
    at++;
  }
  offsets.push(raw.length);
  return offsets;
}

function isSpace(unit: number): boolean {
  return unit === 32 || (unit >= 9 && unit <= 13 && unit !== 11);
}
