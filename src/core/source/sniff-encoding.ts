/**
 * Which encoding a page or style sheet is written in, by the WHATWG rules:
 * byte order mark, then the HTTP charset, then what the bytes themselves declare, then the fallback.
 * https://html.spec.whatwg.org/multipage/parsing.html#determining-the-character-encoding
 * It does not guess from letter frequencies.
 */

/** The WHATWG name (lower case) for an encoding label, or `null` for an unknown one. */
export function encodingOfLabel(label: string | null | undefined): string | null {
  if (!label) return null;
  const trimmed = label.trim().toLowerCase();
  if (trimmed === 'x-user-defined') return 'windows-1252';
  try {
    return new TextDecoder(trimmed).encoding;
  } catch {
    // TextDecoder throws for a label it does not know: that is the answer "unknown".
    return null;
  }
}

/** The encoding a byte order mark names, or `null` where there is none. */
export function encodingOfByteOrderMark(bytes: Uint8Array): string | null {
  if (bytes[0] === 0xef && bytes[1] === 0xbb && bytes[2] === 0xbf) return 'utf-8';
  if (bytes[0] === 0xfe && bytes[1] === 0xff) return 'utf-16be';
  if (bytes[0] === 0xff && bytes[1] === 0xfe) return 'utf-16le';
  return null;
}

/** How many first bytes are searched for a declaration; those of a page as far as its head goes, where they hold none. */
export const DECLARED_WITHIN = 1024;

const latin = new TextDecoder('latin1');
const ascii = (bytes: Uint8Array, length: number) => latin.decode(bytes.subarray(0, length));

/** The charset that a `Content-Type`-like text names, or `null`. */
function charsetOfContentType(content: string | null | undefined): string | null {
  const match = /charset\s*=\s*(?:"([^"]*)"|'([^']*)'|([^\s;"']+))/i.exec(content ?? '');
  return match ? (match[1] ?? match[2] ?? match[3] ?? null) : null;
}

/** A source that says itself that it is UTF-16 can't be, since its ASCII was readable: the standard makes it UTF-8. */
function declaredLabel(label: string | null | undefined): string | null {
  const encoding = encodingOfLabel(label);
  return encoding?.startsWith('utf-16') ? 'utf-8' : encoding;
}

/** The encoding declared in the first 1024 bytes of a page ("prescan a byte stream"), or `null`. */
function prescanHtml(bytes: Uint8Array): string | null {
  const head = ascii(bytes, DECLARED_WITHIN);
  // A quote holds what is in it only behind an equals sign: an apostrophe elsewhere has no end.
  const token =
    /<!--(?:-?>|[\s\S]*?-->)|<meta[\s/]((?:[^>=]|=\s*(?:"[^"]*"|'[^']*')?)*)|<\/?[a-z](?:[^>=]|=\s*(?:"[^"]*"|'[^']*')?)*|<[!/?][^>]*/gi;
  for (const match of head.matchAll(token)) {
    if (match[1] === undefined) continue;
    const encoding = encodingOfMeta(match[1]);
    if (encoding) return encoding;
  }
  return null;
}

const HEAD_TOKEN =
  /<!--(?:-?>|[\s\S]*?(?:--!?>|$))|<(\/?)([a-z][^\s/>]*)((?:[^>=]+|=\s*(?:"[^"]*"|'[^']*')?)*)/gi;
/** What a head consists of. */
const OF_HEAD = new Set(['base', 'link', 'meta', 'noscript', 'object', 'script', 'style', 'title']);
/** What stands in them is no markup. */
const ENDS_OF_TEXT: Readonly<Record<string, RegExp>> = {
  script: /<\/script[\s/>]/gi,
  style: /<\/style[\s/>]/gi,
  title: /<\/title[\s/>]/gi,
};

/**
 * The encoding declared in the head of a page, however far down, or `null`. A parser that meets it there begins anew with it
 * ("changing the encoding while parsing"); as browsers do it, not in what is behind the head.
 */
function scanHead(bytes: Uint8Array): string | null {
  const text = latin.decode(bytes);
  HEAD_TOKEN.lastIndex = 0;
  for (let token = HEAD_TOKEN.exec(text); token; token = HEAD_TOKEN.exec(text)) {
    if (token[2] === undefined) continue;
    const [name, isEnd] = [token[2].toLowerCase(), token[1] === '/'];
    if (!OF_HEAD.has(name) && (isEnd || (name !== 'html' && name !== 'head'))) return null;
    if (isEnd) continue;
    const encoding = name === 'meta' ? encodingOfMeta(token[3] ?? '') : null;
    if (encoding) return encoding;
    const endOfText = ENDS_OF_TEXT[name];
    if (!endOfText) continue;
    endOfText.lastIndex = HEAD_TOKEN.lastIndex;
    if (!endOfText.test(text)) return null;
    HEAD_TOKEN.lastIndex = endOfText.lastIndex - 1;
  }
  return null;
}

function encodingOfMeta(attributes: string): string | null {
  const values = new Map<string, string>();
  const attribute = /([^\s=/>"']+)(?:\s*=\s*(?:"([^"]*)"|'([^']*)'|([^\s"'>]+)))?/g;
  for (const [, name = '', double, single, bare] of attributes.matchAll(attribute)) {
    const key = name.toLowerCase();
    if (!values.has(key)) values.set(key, double ?? single ?? bare ?? '');
  }
  const charset = values.get('charset');
  if (charset !== undefined) return declaredLabel(charset);
  if (values.get('http-equiv')?.toLowerCase() !== 'content-type') return null;
  return declaredLabel(charsetOfContentType(values.get('content')));
}

/** The encoding that a style sheet's first bytes declare by `@charset "…";` (CSS Syntax 3, §3.2), or `null`. */
function prescanCss(bytes: Uint8Array): string | null {
  const match = /^@charset "([^"]*)";/.exec(ascii(bytes, DECLARED_WITHIN));
  return declaredLabel(match?.[1]);
}

/** The encoding that a page in XML declares (`<?xml … encoding="…"?>`, XML 1.0, §4.3.3), or `null`. */
function prescanXml(bytes: Uint8Array): string | null {
  const match = /^\s*<\?xml\s[^>]*?encoding\s*=\s*(?:"([^"]*)"|'([^']*)')/.exec(
    ascii(bytes, DECLARED_WITHIN),
  );
  return declaredLabel(match?.[1] ?? match?.[2]);
}

/** The languages in which a source can say itself how it is encoded. */
export type DeclaringLanguage = 'html' | 'xml' | 'css';

const DECLARED_BY: Readonly<Record<DeclaringLanguage, (bytes: Uint8Array) => string | null>> = {
  html: (bytes) => prescanHtml(bytes) ?? scanHead(bytes),
  xml: prescanXml,
  css: prescanCss,
};

/** The encoding that a source declares in its first {@link DECLARED_WITHIN} bytes or, if it is a page, its head; else `null`. */
export function declaredEncoding(bytes: Uint8Array, language: DeclaringLanguage): string | null {
  return DECLARED_BY[language](bytes);
}

/** How many of the first bytes are a byte order mark that decoding in this encoding takes away: 0, 2 or 3. */
export function byteOrderMarkLength(bytes: Uint8Array, encoding: string): number {
  if (encodingOfByteOrderMark(bytes) !== encoding) return 0;
  return encoding === 'utf-8' ? 3 : 2;
}

/** Whether a style sheet says itself, by a mark or a rule, how it is encoded. */
export function declaresEncoding(bytes: Uint8Array): boolean {
  return encodingOfByteOrderMark(bytes) !== null || prescanCss(bytes) !== null;
}
