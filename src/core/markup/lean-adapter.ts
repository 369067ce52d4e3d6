/**
 * parse5's own tree, built with less. Of positions only those of tags are kept while parsing, and of ends only those
 * that somebody asks for; where an attribute stands is looked up in its tag when it is wanted. This is where the time for
 * everything else comes from. What a later `body` or `html` tag adds to the one element of that name is known by where
 * that tag writes it.
 */
import {
  defaultTreeAdapter,
  type Parser,
  Token,
  type DefaultTreeAdapterTypes,
  type TreeAdapter,
} from 'parse5';
import { WRAPS } from './picture-wraps';
import { ParserOfSelects } from './select-content';
import { findAttribute } from './start-tag';
import { placeFrom, TagTokenizer } from './tag-tokenizer';

type Tree = DefaultTreeAdapterTypes.DefaultTreeAdapterMap;
type Element = DefaultTreeAdapterTypes.Element;
type Node = DefaultTreeAdapterTypes.ParentNode;

/** Parses a page. Never throws, whatever the text. */
export function parsePage(text: string): DefaultTreeAdapterTypes.Document {
  kept ??= sample();
  const parser = new PageParser(text);
  parsing = parser;
  parser.tokenizer.write(text, true);
  parsing = null;
  parser.endAll();
  return parser.document;
}

/**
 * A parser that stays. The engine forgets the layout of objects of which none is left, and with it all that it has
 * optimised for them: each full collection of garbage between two pages would begin from nothing.
 */
let kept: PageParser | null = null;

/** The parser at work: its adapter is not told of the tag that it is given attributes of. */
let parsing: PageParser | null = null;

const leanAdapter: TreeAdapter<Tree> = {
  ...defaultTreeAdapter,
  adoptAttributes(recipient, attrs) {
    const known = new Set(recipient.attrs.map(({ name }) => name));
    defaultTreeAdapter.adoptAttributes(recipient, attrs);
    for (const { name } of attrs) if (!known.has(name)) parsing?.noteAdopted(recipient, name);
  },
};

class PageParser extends ParserOfSelects {
  constructor(private readonly text: string) {
    super({ treeAdapter: leanAdapter });
    this.tokenizer = new TagTokenizer(this.options, this);
  }

  override _attachElementToTree(
    element: Element,
    tag: Token.LocationWithAttributes | null,
    where: Parameters<Parser<Tree>['_attachElementToTree']>[2],
  ): void {
    if (tag) {
      const place = placeFrom(tag.startOffset, tag.endOffset) as Token.ElementLocation;
      place.startTag = tag;
      element.sourceCodeLocation = place;
    }
    super._attachElementToTree(element, tag, where);
  }

  override onItemPop(node: Node, isTop: boolean): void {
    super.onItemPop(node, isTop);
    if (!('tagName' in node) || !node.sourceCodeLocation) return;
    const token = this.currentToken;
    const isOwnEnd = token?.type === Token.TokenType.END_TAG && token.tagName === node.tagName;
    // Of what wraps a picture only the place of its end is kept, and that only where the source writes one.
    if (isOwnEnd && token.location && WRAPS.has(node.tagName))
      node.sourceCodeLocation.endOffset = token.location.endOffset;
    if (!endMatters(node)) return;
    if (isOwnEnd && token.location) {
      node.sourceCodeLocation.endTag = token.location;
      node.sourceCodeLocation.endOffset = token.location.endOffset;
    } else node.sourceCodeLocation.endOffset = token?.location?.startOffset ?? this.text.length;
  }

  /** What the page leaves open ends with it. */
  endAll(): void {
    const { items, stackTop } = this.openElements;
    for (const node of items.slice(0, stackTop + 1)) {
      if ('tagName' in node && node.sourceCodeLocation && endMatters(node))
        node.sourceCodeLocation.endOffset = this.text.length;
    }
  }

  /** Remembers where an attribute is written that an element has from a later tag. */
  noteAdopted(element: Element, name: string): void {
    const tag = this.currentToken?.location;
    const written = tag ? findAttribute(this.text, tag.startOffset, name) : null;
    if (!tag || !written) return;
    const own: Token.ElementLocation = (element.sourceCodeLocation ??= placeFrom(
      tag.startOffset,
      tag.endOffset,
    ));
    own.startTag ??= tag;
    own.attrs ??= Object.create(null) as Record<string, Token.Location>;
    own.attrs[name] = placeFrom(written.nameStart);
  }
}

/** Elements whose inside is read as a text of its own, or replaced as a whole. */
const WITH_INSIDE = new Set(['figcaption', 'td', 'style', 'noscript', 'script']);

/** Ends are asked of those and of captions by class, of nothing else. */
function endMatters(element: Element): boolean {
  if (WITH_INSIDE.has(element.tagName)) return true;
  for (const { name, value } of element.attrs) if (name === 'class') return /caption|legend/i.test(value);
  return false;
}
function sample(): PageParser {
  const parser = new PageParser('<!doctype html><p class=a id=b>x<img src=a>y</p>');
  parser.tokenizer.write('<!doctype html><title>t</title><p class=a id=b>x<img src=a>y<br></p>', true);
  return parser;
}
