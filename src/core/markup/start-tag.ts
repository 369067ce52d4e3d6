/** Goes through the attributes of a start tag where it is written (HTML standard, §13.2.5.32 to §13.2.5.40). */

/** Where an attribute is written: half-open, in the source. One without a value has its value's place behind its name. */
export interface WrittenAttribute {
  readonly nameStart: number;
  readonly nameEnd: number;
  /** The characters of the value, without quotes. */
  readonly valueStart: number;
  readonly valueEnd: number;
  readonly quote: '"' | "'" | 'none' | 'bare';
}

/**
 * Calls `visit` for each attribute in the order written, until that returns true.
 *
 * @param from behind the tag's name
 * @returns the offset behind the tag's `>`, or of where `visit` ended it; -1 where the tag never ends
 */
export function visitAttributes(
  text: string,
  from: number,
  visit: (attribute: WrittenAttribute) => boolean | undefined,
): number {
  let at = from;
  for (;;) {
    while (isSpaceOrSlash(text.charCodeAt(at))) at++;
    if (at >= text.length) return -1;
    if (text.charCodeAt(at) === GREATER) return at + 1;
    const nameStart = at++;
    while (at < text.length && !isNameEnd(text.charCodeAt(at))) at++;
    const nameEnd = at;
    let valueStart = at;
    while (isSpace(text.charCodeAt(valueStart))) valueStart++;
    if (text.charCodeAt(valueStart) !== EQUALS) {
      if (visit({ nameStart, nameEnd, valueStart: nameEnd, valueEnd: nameEnd, quote: 'bare' })) return at;
      continue;
    }
    valueStart++;
    while (isSpace(text.charCodeAt(valueStart))) valueStart++;
    const first = text[valueStart];
    let valueEnd: number;
    let quote: WrittenAttribute['quote'] = 'none';
    if (first === '"' || first === "'") {
      valueEnd = text.indexOf(first, ++valueStart);
      if (valueEnd < 0) return -1;
      quote = first;
      at = valueEnd + 1;
    } else {
      at = valueStart;
      while (at < text.length && text.charCodeAt(at) !== GREATER && !isSpace(text.charCodeAt(at))) at++;
      valueEnd = at;
    }
    if (visit({ nameStart, nameEnd, valueStart, valueEnd, quote })) return at;
  }
}

/**
 * The first attribute of a name in the start tag that begins at an offset, or `null`.
 *
 * @param name as it is written, in any case
 */
export function findAttribute(text: string, tagStart: number, name: string): WrittenAttribute | null {
  let found: WrittenAttribute | null = null;
  const wanted = name.toLowerCase();
  visitAttributes(text, behindTagName(text, tagStart), (attribute) => {
    if (attribute.nameEnd - attribute.nameStart !== wanted.length) return false;
    if (text.slice(attribute.nameStart, attribute.nameEnd).toLowerCase() !== wanted) return false;
    found = attribute;
    return true;
  });
  return found;
}

/** The offset behind the name of the tag whose `<` stands at an offset. */
export function behindTagName(text: string, tagStart: number): number {
  let at = tagStart + 2;
  while (at < text.length && !isTagNameEnd(text.charCodeAt(at))) at++;
  return at;
}

const GREATER = 0x3e;
const EQUALS = 0x3d;

/** HTML's white space: tab, line feed, form feed, carriage return, space. */
const isSpace = (unit: number) => unit === 32 || (unit >= 9 && unit <= 13 && unit !== 11);
const isSpaceOrSlash = (unit: number) => isSpace(unit) || unit === 0x2f;
const isTagNameEnd = (unit: number) => isSpaceOrSlash(unit) || unit === GREATER;
const isNameEnd = (unit: number) => isTagNameEnd(unit) || unit === EQUALS;
