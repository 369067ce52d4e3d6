/** Writes new values the way their place in the source asks for: quotes, entities, escapes, encoding. */
import { escapeUnencodable } from '../source/encode-text';
import { decodeEscapes, type Escape } from '../source/escapes';
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

/**
 * A reference to another file in the same folder, written as the old reference was: what stands before the last
 * segment stays to the letter, query and fragment go with the old file.
 *
 * @param raw the old reference's characters in the source
 * @param fileName the new file's name; letters, digits, `-`, `_` and `.` only, so that it needs no escape anywhere
 * @param escapes how characters are escaped where the reference is written, the outermost first
 */
export function siblingReference(raw: string, fileName: string, escapes: readonly Escape[]): string {
  const { text, offsets } = decodeEscapes(raw, escapes);
  const path = text.replace(/[?#].*$/su, '');
  const isHostAlone = /^\s*(?:[a-z][a-z\d+.-]*:)?[\\/]{2}[^\\/]*$/iu.test(path);
  if (isHostAlone) return `${raw.slice(0, offsets[path.length])}/${fileName}`;
  const cut = Math.max(path.lastIndexOf('/'), path.lastIndexOf('\\'));
  return raw.slice(0, cut < 0 ? 0 : offsets[cut + 1]) + fileName;
}
