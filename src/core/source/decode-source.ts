import {
  declaredEncoding,
  encodingOfByteOrderMark,
  encodingOfLabel,
  type DeclaringLanguage,
} from './sniff-encoding';
import { isManifestPath, isSheetPath, isXmlPath } from './role-of-name';
import { decodeWindows1252 } from './windows-1252';

/** A page or style sheet as text, with what is needed to write it back in the same bytes. */
export interface SourceText {
  /** The decoded text, without a byte order mark: offsets never count it. */
  readonly text: string;
  /** WHATWG name, lower case: `utf-8`, `windows-1252`, `utf-16le` … */
  readonly encoding: string;
  /** Whether a page is to be read as XML (XHTML), as browsers do where it is named or served so. */
  readonly isXml?: boolean;
  /**
   * Where the source's own first bytes decide how it is read: how they would say it, and what holds where they don't.
   * A mark or a server's header decides before them.
   */
  readonly declaration?: { readonly language: DeclaringLanguage; readonly unsaid: string };
}

/** What was known about a source before its bytes were looked at. */
export interface SourceHints {
  /** The charset of the HTTP header, if there was one. */
  readonly httpCharset?: string | null;
  /** For a style sheet: the encoding of the page that links it. */
  readonly environment?: string | null;
  /** For a page: whether a server said that it is XML. Without a server its name tells. */
  readonly isXml?: boolean;
}

/** The text of bytes in a known encoding. Never throws; what can't be read becomes U+FFFD as in a browser. */
export function decodeBytes(bytes: Uint8Array, encoding: string): SourceText {
  if (encoding === 'windows-1252') return { text: decodeWindows1252(bytes), encoding };
  return { text: new TextDecoder(encoding).decode(bytes), encoding };
}

/** Decodes bytes by a mark, by what a server said, or else by what they declare themselves. */
function decodeDeclared(
  bytes: Uint8Array,
  { httpCharset }: SourceHints,
  declaration: NonNullable<SourceText['declaration']>,
): SourceText {
  const known = encodingOfByteOrderMark(bytes) ?? encodingOfLabel(httpCharset);
  if (known) return decodeBytes(bytes, known);
  const { language, unsaid } = declaration;
  return { ...decodeBytes(bytes, declaredEncoding(bytes, language) ?? unsaid), declaration };
}

/** Decodes a page by the WHATWG rules; windows-1252 where nothing says otherwise. Any bytes give a result. */
export function decodeHtml(bytes: Uint8Array, hints: SourceHints = {}): SourceText {
  return decodeDeclared(bytes, hints, { language: 'html', unsaid: 'windows-1252' });
}

/** Decodes a page written in XML (XML 1.0, appendix F); UTF-8 where nothing says otherwise. Any bytes give a result. */
function decodeXml(bytes: Uint8Array, hints: SourceHints): SourceText {
  return { ...decodeDeclared(bytes, hints, { language: 'xml', unsaid: 'utf-8' }), isXml: true };
}

/**
 * Decodes a style sheet by CSS Syntax 3, §3.2, but for one that declares nothing and is written in UTF-8: it is read so whichever
 * page links it. In a page of another encoding browsers take its letters for others; what is edited is one text all the same.
 * Any bytes give a result.
 */
export function decodeCss(bytes: Uint8Array, hints: SourceHints = {}): SourceText {
  const environment = encodingOfLabel(hints.environment);
  const letters = bytes.some((byte) => byte > 127) ? lettersInUtf8(bytes) : null;
  const unsaid = !letters
    ? (environment ?? 'utf-8')
    : letters.read > letters.lost
      ? 'utf-8'
      : (environment ?? 'windows-1252');
  return decodeDeclared(bytes, hints, { language: 'css', unsaid });
}

/** How many letters beyond ASCII bytes hold if they are UTF-8, and how many bytes are none: a stray one may be among many. */
function lettersInUtf8(bytes: Uint8Array): { readonly read: number; readonly lost: number } {
  let [read, lost] = [0, 0];
  for (const letter of new TextDecoder().decode(bytes)) {
    if (letter === '\ufffd') lost++;
    else if (letter > '\u007f') read++;
  }
  return { read, lost };
}

/** Decodes a page, as XML where its server, or else its name, says so. Any bytes give a result. */
export function decodePage(path: string, bytes: Uint8Array, hints: SourceHints = {}): SourceText {
  return (hints.isXml ?? isXmlPath(path)) ? decodeXml(bytes, hints) : decodeHtml(bytes, hints);
}

/** Decodes a source by what its name says it is: a style sheet, a page in XML, or a page in HTML. */
export function decodeSource(path: string, bytes: Uint8Array, hints: SourceHints = {}): SourceText {
  if (isSheetPath(path)) return decodeCss(bytes, hints);
  return isManifestPath(path) ? decodeBytes(bytes, 'utf-8') : decodePage(path, bytes, hints);
}
