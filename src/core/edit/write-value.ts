/** Writes new values the way their place in the source asks for: quotes, entities, escapes, encoding. */
import { decodeHTMLAttribute } from 'entities/decode';
import { escapeUnencodable } from '../source/encode-text';
import type { Quote } from '../markup/attribute-value';

/** A text as the value of an attribute with those quotes; a value without quotes gets them where it needs them. */
export function attributeValue(text: string, quote: Quote, encoding: string): string {
  const escaped = escapeUnencodable(
    text.replaceAll('&', '&amp;'),
    encoding,
    (codePoint) => `&#${codePoint};`,
  );
  if (quote === 'bare') return `="${escaped.replaceAll('"', '&quot;')}"`;
  if (quote === "'") return escaped.replaceAll("'", '&#39;');
  if (quote === '"') return escaped.replaceAll('"', '&quot;');
  return /^[^\s"'=<>`]+$/.test(escaped) ? escaped : `"${escaped.replaceAll('"', '&quot;')}"`;
}

/** A text as the content of an element. */
export function elementText(text: string, encoding: string): string {
  const escaped = text.replaceAll('&', '&amp;').replaceAll('<', '&lt;').replaceAll('>', '&gt;');
  return escapeUnencodable(escaped, encoding, (codePoint) => `&#${codePoint};`);
}

/** Where a reference is written: its escapes differ. */
export type WrittenIn = 'html' | 'css' | 'json';

/**
 * A reference to another file in the same folder, written as the old reference was: what stands before the last
 * segment stays to the letter, query and fragment go with the old file.
 *
 * @param raw the old reference's characters in the source
 * @param fileName the new file's name; letters, digits, `-`, `_` and `.` only, so that it needs no escape anywhere
 */
export function siblingReference(raw: string, fileName: string, where: WrittenIn): string {
  const plain = MASKS[where](raw);
  const path = plain.replace(/[?#].*$/s, '');
  const cut = Math.max(path.lastIndexOf('/'), path.lastIndexOf('\\'));
  return raw.slice(0, cut + 1) + fileName;
}

/** A reference with its escapes masked at their length, so that only true separators still show. */
const MASKS: Readonly<Record<WrittenIn, (raw: string) => string>> = {
  html: (raw) => raw.replace(HTML_ESCAPE, maskEntity),
  css: (raw) => raw.replace(CSS_ESCAPE, maskCssEscape),
  json: (raw) => raw.replace(JSON_ESCAPE, maskJsonEscape),
};

const HTML_ESCAPE = /&(?:#\d+|#x[\da-f]+|[a-z]\w*);?/gi;
const CSS_ESCAPE = /\\(?:([\da-f]{1,6})\s?|.)/gi;
const JSON_ESCAPE = /\\(?:u([\da-f]{4})|(.))/gi;

/** An escape as something of the same length in which only a separator still shows. */
function masked(length: number, character: string): string {
  return '/?#\\'.includes(character) ? character.padStart(length, '_') : '_'.repeat(length);
}

function maskEntity(entity: string): string {
  const decoded = decodeHTMLAttribute(entity);
  return decoded.length === 1 ? masked(entity.length, decoded) : '_'.repeat(entity.length);
}

function maskCssEscape(escape: string, hex: string | undefined): string {
  const codePoint = Number.parseInt(hex ?? '5f', 16);
  return masked(escape.length, codePoint <= 0x10ffff ? String.fromCodePoint(codePoint) : '_');
}

function maskJsonEscape(escape: string, hex: string | undefined, letter: string | undefined): string {
  // `\n` and the like are letters for something else; `\/`, `\\` and `\"` stand for themselves.
  const character = hex ? String.fromCharCode(Number.parseInt(hex, 16)) : (letter ?? '_');
  return masked(escape.length, character);
}
