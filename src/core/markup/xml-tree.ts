/**
 * Parses a page written in XML (XHTML, HTML standard §14) into the tree that parse5 makes of HTML, with the same
 * positions: names count by their namespace whatever prefix they carry, in their own case; every element ends where it
 * says. Entities that a DTD would define are HTML's own. It does not read DTDs.
 */
import { decodeHTMLStrict } from 'entities/decode';
import { defaultTreeAdapter, html, type DefaultTreeAdapterTypes, type Token } from 'parse5';
import { SaxesParser, type SaxesTagNS } from 'saxes';
import { replaceEscapes, type Decoded } from '../source/escapes';

type Element = DefaultTreeAdapterTypes.Element;
type Parent = DefaultTreeAdapterTypes.ParentNode;

const { NS } = html;
const XML_NS = 'http://www.w3.org/XML/1998/namespace';
const KNOWN = new Set<string>(Object.values(NS));

/**
 * The document, or `null` where its root is no element of HTML. What is not well-formed is read on as well as may be:
 * browsers show such a page up to its first error, and what stands behind it is the maintainer's all the same.
 */
export function parseXmlPage(text: string): DefaultTreeAdapterTypes.Document | null {
  const document = defaultTreeAdapter.createDocument();
  defaultTreeAdapter.setDocumentMode(document, html.DOCUMENT_MODE.NO_QUIRKS);
  const open: { parent: Parent; element: Element | null }[] = [{ parent: document, element: null }];
  /** How many elements are open within a `noscript`, whose inside is read as a page of its own. */
  let unread = 0;
  const parser = new SaxesParser({ xmlns: true, position: true });
  parser.ENTITIES = HTML_ENTITIES;
  // Without a handler the parser throws at the first error instead of reading on.
  parser.on('error', () => undefined);
  const addText = (value: string) => {
    const { parent } = open.at(-1) ?? { parent: document };
    if (unread === 0 && parent !== document) defaultTreeAdapter.insertText(parent, value);
  };
  parser.on('text', addText);
  parser.on('cdata', addText);
  parser.on('opentag', (tag) => {
    if (unread > 0) {
      unread++;
      return;
    }
    const end = parser.position;
    const start = text.lastIndexOf('<', end - 2);
    const element = elementOf(tag, { text, start, end });
    defaultTreeAdapter.appendChild(open.at(-1)?.parent ?? document, element);
    open.push({ parent: insideOf(element), element });
    if (element.tagName === 'noscript') unread = 1;
  });
  parser.on('closetag', (tag) => {
    if (unread > 1) {
      unread--;
      return;
    }
    unread = 0;
    const location = open.pop()?.element?.sourceCodeLocation;
    if (!location || tag.isSelfClosing) return;
    const endOffset = parser.position;
    const startOffset = text.lastIndexOf('</', endOffset - 1);
    // One that the parser had to end has no end tag of its own.
    if (!text.startsWith(tag.name, startOffset + 2)) return;
    location.endTag = { ...location.startTag, startOffset, endOffset } as Token.Location;
    location.endOffset = endOffset;
  });
  // Half a character stops this parser; a mark in its place keeps every offset.
  parser.write(text.replace(LONE_SURROGATE, '\ufffd')).close();
  const isHtml = document.childNodes.some((node) => 'tagName' in node && node.namespaceURI === NS.HTML);
  return isHtml ? document : null;
}

const LONE_SURROGATE = /[\ud800-\udbff](?![\udc00-\udfff])|(?<![\ud800-\udbff])[\udc00-\udfff]/g;

/** Where an element's children belong: those of a template stand apart. */
function insideOf(element: Element): Parent {
  if (element.tagName !== 'template' || element.namespaceURI !== NS.HTML) return element;
  const content = defaultTreeAdapter.createDocumentFragment();
  defaultTreeAdapter.setTemplateContent(element as DefaultTreeAdapterTypes.Template, content);
  return content;
}

/** Any name of an entity as HTML knows it; `undefined` for one that it does not. */
const HTML_ENTITIES = new Proxy<Record<string, string>>(
  {},
  {
    get(_none, name) {
      const reference = `&${String(name)};`;
      const decoded = decodeHTMLStrict(reference);
      return decoded === reference ? undefined : decoded;
    },
  },
);

/** Elements that mean something only in HTML; `a`, `image`, `style` and `script` are SVG's as well. */
const OF_HTML_ALONE = new Set([
  'area', 'audio', 'base', 'body', 'button', 'embed', 'figcaption', 'figure', 'frame', 'iframe', 'img', 'input', 'link',
  'meta', 'noscript', 'object', 'picture', 'source', 'table', 'tbody', 'td', 'template', 'tfoot', 'th', 'thead', 'tr',
  'video',
]); // oxfmt-ignore

function elementOf(
  tag: SaxesTagNS,
  { text, start, end }: { text: string; start: number; end: number },
): Element {
  // What is of no namespace that pages know, or of another with a name of HTML, must not be taken for an element of HTML.
  const isOther = !KNOWN.has(tag.uri) || (tag.uri !== NS.HTML && OF_HTML_ALONE.has(tag.local));
  const name = isOther ? `${tag.prefix}:${tag.local}` : tag.local;
  const attrs: Token.Attribute[] = [];
  const places: Record<string, Token.Location> = Object.create(null);
  const written = attributePlaces(text.slice(start, end), start);
  for (const [rawName, { uri, local, value }] of Object.entries(tag.attributes)) {
    const isXlink = uri === NS.XLINK;
    const own = isXlink ? local : uri === XML_NS ? `xml:${local}` : rawName;
    attrs.push({ name: own, value, ...(isXlink ? { prefix: 'xlink', namespace: NS.XLINK } : {}) });
    const place = written.get(rawName);
    if (place) places[isXlink ? `xlink:${local}` : own] = place;
  }
  const element = defaultTreeAdapter.createElement(name, tag.uri as html.NS, attrs);
  const location = { startLine: 1, startCol: 1, endLine: 1, endCol: 1, startOffset: start, endOffset: end };
  element.sourceCodeLocation = { ...location, startTag: { ...location }, attrs: places };
  return element;
}

/** Where each attribute of a start tag is written, name and quotes included. */
function attributePlaces(tag: string, start: number): Map<string, Token.Location> {
  const places = new Map<string, Token.Location>();
  for (const match of tag.matchAll(/([^\s=/<>"']+)\s*=\s*(?:"[^"]*"|'[^']*'|[^\s"'>]+)/gu)) {
    const startOffset = start + match.index;
    const at = { startLine: 1, startCol: 1, endLine: 1, endCol: 1 };
    places.set(match[1] ?? '', { ...at, startOffset, endOffset: startOffset + match[0].length });
  }
  return places;
}

/** The inside of an element of an XML page, as CSS or JSON: comments and CDATA marks as blanks, character references decoded. */
export function plainInside(source: string): Decoded {
  return replaceEscapes(source, OF_XML, ([written, inside]) => {
    if (inside !== undefined) return ' '.repeat(9) + inside + ' '.repeat(3);
    return written.startsWith('&') ? decodeHTMLStrict(written) : ' '.repeat(written.length);
  });
}

const OF_XML = /<!\[CDATA\[([\s\S]*?)\]\]>|<!--[\s\S]*?-->|<\?[\s\S]*?\?>|&(?:#\w+|\w+);/gu;
