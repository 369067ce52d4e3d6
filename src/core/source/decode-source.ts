import { encodingOfByteOrderMark, encodingOfLabel, prescanCss, prescanHtml } from './sniff-encoding';
import { decodeWindows1252 } from './windows-1252';

/** A page or style sheet as text, with what is needed to write it back in the same bytes. */
export interface SourceText {
  /** The decoded text; a byte order mark stays in it as U+FEFF, so that offsets count it. */
  readonly text: string;
  /** WHATWG name, lower case: `utf-8`, `windows-1252`, `utf-16le` … */
  readonly encoding: string;
}

/** What was known about a source's encoding before its bytes were looked at. */
export interface EncodingHints {
  /** The charset of the HTTP header, if there was one. */
  readonly httpCharset?: string | null;
  /** For a style sheet: the encoding of the page that links it. */
  readonly environment?: string | null;
}

/** The text of bytes in a known encoding. Never throws; what can't be read becomes U+FFFD as in a browser. */
export function decodeBytes(bytes: Uint8Array, encoding: string): SourceText {
  if (encoding === 'windows-1252') return { text: decodeWindows1252(bytes), encoding };
  return { text: new TextDecoder(encoding, { ignoreBOM: true }).decode(bytes), encoding };
}

/** Decodes a page by the WHATWG rules; windows-1252 where nothing says otherwise. Any bytes give a result. */
export function decodeHtml(bytes: Uint8Array, hints: EncodingHints = {}): SourceText {
  const encoding =
    encodingOfByteOrderMark(bytes) ??
    encodingOfLabel(hints.httpCharset) ??
    prescanHtml(bytes) ??
    'windows-1252';
  return decodeBytes(bytes, encoding);
}

/** Decodes a style sheet by CSS Syntax 3, §3.2; UTF-8 where nothing says otherwise. Any bytes give a result. */
export function decodeCss(bytes: Uint8Array, hints: EncodingHints = {}): SourceText {
  const encoding =
    encodingOfByteOrderMark(bytes) ??
    encodingOfLabel(hints.httpCharset) ??
    prescanCss(bytes) ??
    encodingOfLabel(hints.environment) ??
    'utf-8';
  return decodeBytes(bytes, encoding);
}
