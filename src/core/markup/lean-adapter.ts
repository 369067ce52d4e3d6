/**
 * parse5's own tree, built with less: end positions are kept only where somebody asks for them, and added in place
 * instead of copying the location; text nodes keep none. This is where the time for everything else comes from.
 * What a later `body` or `html` tag adds to the one element of that name is known by where that tag writes it.
 */
import { WRAPS } from './picture-wraps';
import {
  defaultTreeAdapter,
  Parser,
  type DefaultTreeAdapterTypes,
  type Token,
  type TreeAdapter,
} from 'parse5';

type Tree = DefaultTreeAdapterTypes.DefaultTreeAdapterMap;

/** Parses a page. Never throws, whatever the text. */
export function parsePage(text: string): DefaultTreeAdapterTypes.Document {
  const parser = new PageParser({ sourceCodeLocationInfo: true, treeAdapter: leanAdapter });
  parsing = parser;
  parser.tokenizer.write(text, true);
  parsing = null;
  return parser.document;
}

/** The parser at work: its adapter is not told of the tag that it is given attributes of. */
let parsing: PageParser | null = null;

class PageParser extends Parser<Tree> {
  /** Where the tag that is being read stands. */
  tagAtHand(): Token.LocationWithAttributes | null {
    return this.currentToken?.location ?? null;
  }
}

const leanAdapter: TreeAdapter<Tree> = {
  ...defaultTreeAdapter,
  setNodeSourceCodeLocation(node, location) {
    if ('tagName' in node) node.sourceCodeLocation = location;
  },
  updateNodeSourceCodeLocation(node, end) {
    if (!('tagName' in node) || !node.sourceCodeLocation) return;
    const location = node.sourceCodeLocation;
    // Of what wraps a picture only the place of its end is kept, and that only where the source writes one.
    if (WRAPS.has(node.tagName) && end.endTag) location.endOffset = end.endTag.endOffset;
    if (!endMatters(node)) return;
    if (end.endTag) location.endTag = end.endTag;
    if (end.endOffset !== undefined) location.endOffset = end.endOffset;
  },
  adoptAttributes(recipient, attrs) {
    const known = new Set(recipient.attrs.map(({ name }) => name));
    defaultTreeAdapter.adoptAttributes(recipient, attrs);
    const tag = parsing?.tagAtHand();
    if (!tag?.attrs) return;
    const own = (recipient.sourceCodeLocation ??= { ...tag, attrs: {} });
    own.attrs ??= Object.create(null) as Record<string, Token.Location>;
    for (const { name } of attrs) {
      const written = tag.attrs[name];
      if (written && !known.has(name)) own.attrs[name] = written;
    }
  },
};

/** Elements whose inside is read as a text of its own, or replaced as a whole. */
const WITH_INSIDE = new Set(['figcaption', 'style', 'noscript', 'script']);

/** Ends are asked of those and of captions by class, of nothing else. */
function endMatters(element: DefaultTreeAdapterTypes.Element): boolean {
  if (WITH_INSIDE.has(element.tagName)) return true;
  return element.attrs.some(({ name, value }) => name === 'class' && /caption|legend/i.test(value));
}
