/**
 * How characters are escaped where a reference is written, and where each decoded character stands in the source:
 * HTML character references (HTML standard, §13.2.5.72), CSS escapes (CSS Syntax 3, §4.3.7), JSON escapes (RFC 8259, §7).
 */
import { DecodingMode, HtmlEntityDecoder } from 'entities/decode';

/** One way of escaping; several stand within each other, the outermost first: a style attribute is `html`, then `css`. */
export type Escape = 'html' | 'css' | 'json';

/** A text without its escapes. */
export interface Decoded {
  readonly text: string;
  /** For each UTF-16 unit of `text`, where it begins in what was decoded; the length of that last. */
  readonly offsets: readonly number[];
}

/** What a text stands for under escapes within each other, the outermost first; none leave it as it is. */
export function decodeEscapes(raw: string, escapes: readonly Escape[]): Decoded {
  let decoded: Decoded = { text: raw, offsets: Array.from({ length: raw.length + 1 }, (_, i) => i) };
  for (const escape of escapes) {
    const inner = DECODERS[escape](decoded.text);
    const outer = decoded.offsets;
    decoded = { text: inner.text, offsets: inner.offsets.map((at) => outer[at] ?? raw.length) };
  }
  return decoded;
}

const DECODERS: Readonly<Record<Escape, (raw: string) => Decoded>> = {
  html: decodeAttribute,
  css: (raw) =>
    replaceEscapes(
      raw,
      /\\(?:([\da-f]{1,6})(?:\r\n|[ \t\r\n\f])?|\r\n|([\s\S]))/giu,
      ([, hex, character = '']) => {
        if (hex === undefined) return /[\n\r\f]/u.test(character) ? '' : character;
        const codePoint = Number.parseInt(hex, 16);
        const isNone =
          codePoint === 0 || codePoint > 0x10ffff || (codePoint >= 0xd800 && codePoint <= 0xdfff);
        return isNone ? '\ufffd' : String.fromCodePoint(codePoint);
      },
    ),
  json: (raw) =>
    replaceEscapes(raw, /\\(?:u([\da-f]{4})|([\s\S]))/giu, ([, hex, letter = '']) =>
      hex === undefined ? (CONTROLS[letter] ?? letter) : String.fromCharCode(Number.parseInt(hex, 16)),
    ),
};

const CONTROLS: Readonly<Record<string, string>> = { b: '\b', f: '\f', n: '\n', r: '\r', t: '\t' };

/**
 * A text with what a pattern finds in it written otherwise. What keeps its length stands where it stood, each character by
 * itself; of what does not, every character stands at its beginning.
 *
 * @param pattern global
 * @param write gives what stands in place of what was found
 */
export function replaceEscapes(
  raw: string,
  pattern: RegExp,
  write: (found: RegExpExecArray) => string,
): Decoded {
  let text = '';
  const offsets: number[] = [];
  let at = 0;
  const standAsTheyDid = (end: number) => {
    for (; at < end; at++) offsets.push(at);
  };
  for (const found of raw.matchAll(pattern)) {
    text += raw.slice(at, found.index);
    standAsTheyDid(found.index);
    const written = write(found);
    const end = found.index + found[0].length;
    text += written;
    if (written.length === found[0].length) standAsTheyDid(end);
    else for (let unit = 0; unit < written.length; unit++) offsets.push(found.index);
    at = end;
  }
  text += raw.slice(at);
  standAsTheyDid(raw.length);
  offsets.push(raw.length);
  return { text, offsets };
}

/** The value of an attribute: character references resolved, line ends as LF. */
export function decodeAttribute(raw: string): Decoded {
  let text = '';
  const offsets: number[] = [];
  let at = 0;
  let reference = '';
  const decoder = new HtmlEntityDecoder((codePoint) => {
    reference += String.fromCodePoint(codePoint);
  });
  const add = (characters: string, length: number) => {
    for (let unit = 0; unit < characters.length; unit++) offsets.push(at);
    text += characters;
    at += length;
  };
  while (at < raw.length) {
    const character = raw[at] as string;
    if (character === '\r') {
      add('\n', raw[at + 1] === '\n' ? 2 : 1);
      continue;
    }
    if (character === '&') {
      reference = '';
      decoder.startEntity(DecodingMode.Attribute);
      const consumed = decoder.write(raw, at + 1);
      const length = consumed < 0 ? decoder.end() : consumed;
      if (length > 0 && reference !== '') {
        add(reference, length);
        continue;
      }
    }
    add(character, 1);
  }
  offsets.push(raw.length);
  return { text, offsets };
}
