/**
 * Reads a page: every placement on it, written in its markup, in its own styles and in the style sheets it links.
 * Any text gives a result; comments, templates and scripts are not placements.
 */
import {
  resolveAddress,
  urlOfPath,
  type ResolvedAddress,
  type SiteAddressing,
} from '../address/resolve-address';
import type { SourceText } from '../source/decode-source';
import { lineStarts, positionAt } from '../source/line-index';
import { readStyleAttribute } from '../styles/read-sheet';
import { areaPart } from './area-part';
import { blockAnchor } from './block-anchor';
import { accessibleName, isDecorative, linkName, textBesideIn } from './accessible-name';
import { attributeText, locateAttribute, writtenAttribute, type Element } from './attribute-value';
import { captionElement, readCaption } from './caption';
import { declaredSlot } from './declared-slot';
import { elementPath } from './element-path';
import { groupAround } from './group-around';
import { kindsFor } from './kinds/all-kinds';
import type { ElementReader, FoundReference } from './kinds/kind';
import { drawnReference, isPictureByRole } from './kinds/drawn';
import { LAZY_ATTRIBUTES, lazyReferences } from './kinds/lazy';
import { carryOut, insideOf, MAX_NESTING, nestedPart } from './nested-part';
import { isElement, readersWords, textBeside } from './node-text';
import { pageLinks } from './page-links';
import { headingsOver, readTree, type PageTree, type Surroundings } from './page-tree';
import { placeManifests, type ManifestSource } from './place-manifests';
import { placeStyles, type SheetSource } from './place-styles';
import { storedWords } from './stored-words';
import type { LinkAround, Placement, PlacementSurroundings, WordAnchors } from './placement';

export interface PageInput {
  /** Relative to the site's root, percent-decoded: `news/2019/index.html`. */
  readonly address: string;
  readonly source: SourceText;
  readonly site: SiteAddressing;
  readonly sheetOf: SheetSource;
  /** Gives a web app manifest of the site by its path. */
  readonly manifestOf?: ManifestSource;
  /** Where the page was read, when that is not its address on the site: the URL after redirects. */
  readonly url?: string;
  /** Whether the page's words are wanted, for searching. */
  readonly isForSearch?: boolean;
  /** Attributes (lower case) in which pictures wait for scripts, where the site uses others than the common ones. */
  readonly lazyAttributes?: readonly string[];
}

export interface PageReading {
  readonly address: string;
  readonly title: string;
  readonly language: string | null;
  readonly encoding: string;
  readonly placements: readonly Placement[];
  /** Absolute URLs of where the page leads, in page order. */
  readonly links: readonly string[];
  /** The words readers meet, at most 20,000 characters; empty where they were not asked for. */
  readonly words: string;
  /** Paths of the site's style sheets that the page uses, imports included, found or not. */
  readonly sheets: readonly string[];
  /** Paths of the web app manifests that the page links, found or not. */
  readonly manifests: readonly string[];
  /** For each style sheet, which of its references meet something on this page: `path#start`. */
  readonly met: ReadonlySet<string>;
}

/** To be raised whenever the same bytes are read otherwise: pages that did not change are then read again. */
export const READER_VERSION = 4;

/** Reads one page. Never throws, and takes time in proportion to the page's length. */
export function readPage(input: PageInput): PageReading {
  const tree = readTree(input.source);
  const base = baseOf(tree, input.url ?? urlOfPath(input.address, input.site));
  const lazy = input.lazyAttributes ? new Set([...LAZY_ATTRIBUTES, ...input.lazyAttributes]) : COMMON_LAZY;
  const starts = lineStarts(tree.text);
  const part = readPart({
    ...input,
    tree,
    base,
    starts,
    lazy,
    seen: new Set(),
    resolved: new Map(),
    nesting: 0,
  });
  return {
    address: input.address,
    title: tree.title,
    language: tree.language,
    encoding: input.source.encoding,
    links: pageLinks(tree, base),
    words: input.isForSearch ? readersWords(tree.body) : '',
    ...part,
  };
}

type PartReading = Pick<PageReading, 'placements' | 'sheets' | 'manifests' | 'met'>;

/** Reads a page, or a page within a page. */
function readPart(reader: PageReader): PartReading {
  const { tree, base, address: page, site, sheetOf } = reader;
  const placements: Placement[] = [];
  const nested: PartReading[] = [];
  for (let at = 0; at < tree.elements.length; at++) {
    const element = tree.elements[at] as Element;
    const around = tree.surroundings[at] as Surroundings;
    for (const found of referencesOf(reader, element, around)) {
      const placement = place(reader, at, found);
      if (placement) placements.push(placement);
    }
    if (element.tagName === 'noscript' || element.tagName === 'iframe') {
      const inner = readNested(reader, at);
      if (!inner) continue;
      nested.push(inner);
      for (const placement of inner.placements) placements.push(placement);
    }
  }
  const styles = placeStyles({ tree, base, page, site, sheetOf }, (element) =>
    describe(reader, element.at, element.found),
  );
  const { manifestOf = () => undefined } = reader;
  const manifests = placeManifests({ tree, base, page, site, manifestOf });
  const all = [styles, ...nested];
  return {
    placements: [...placements, ...unseen(reader, [...styles.placements, ...manifests.placements])],
    sheets: [...new Set(all.flatMap(({ sheets }) => sheets))],
    manifests: [...new Set([manifests, ...nested].flatMap((part) => part.manifests))],
    met: nested.length === 0 ? styles.met : new Set(all.flatMap(({ met }) => [...met])),
  };
}

/** Reads the page within an element at a place of `elements`, its places carried out to this one. */
function readNested(reader: PageReader, at: number): PartReading | null {
  const element = reader.tree.elements[at] as Element;
  const part = reader.nesting < MAX_NESTING ? nestedPart(reader.tree, element) : null;
  if (!part) return null;
  const tree = readTree({ text: part.text, encoding: reader.source.encoding });
  const inner = readPart({
    ...reader,
    tree,
    base: baseOf(tree, reader.base),
    starts: lineStarts(tree.text),
    seen: new Set(),
    resolved: new Map(),
    nesting: reader.nesting + 1,
  });
  if (inner.placements.length === 0) return inner;
  const span = { start: 0, end: 0 };
  const around = describe(reader, at, { kind: part.kind, attribute: '', value: '', span, descriptor: '' });
  const carried = inner.placements.map((placement) => {
    const out = carryOut(placement, part, { element, around });
    if (out.source !== reader.address) return out;
    const raw = reader.tree.text.slice(out.start, out.end);
    return { ...out, raw, ...positionAt(reader.starts, out.start) };
  });
  return { ...inner, placements: unseen(reader, carried) };
}

/** Leaves out what is listed already: the same characters of the same source, shown for the same reason. */
function unseen({ seen }: PageReader, placements: readonly Placement[]): Placement[] {
  return placements.filter(({ kind, source, start }) => {
    const key = `${kind}:${start}:${source}`;
    return !seen.has(key) && seen.add(key);
  });
}

interface PageReader extends PageInput {
  readonly tree: PageTree;
  readonly base: string;
  readonly starts: readonly number[];
  /** What is listed already: an element that the parser cloned is still one in the source. */
  readonly seen: Set<string>;
  readonly lazy: ReadonlySet<string>;
  /** Addresses by how they are written: a page says the same one many times. */
  readonly resolved: Map<string, ResolvedAddress>;
  /** How many pages stand around this one: 0 for the page itself. */
  readonly nesting: number;
}

function baseOf(tree: PageTree, pageUrl: string): string {
  if (tree.baseHref === null || !URL.canParse(tree.baseHref.trim(), pageUrl)) return pageUrl;
  const base = new URL(tree.baseHref.trim(), pageUrl);
  return base.protocol === 'data:' || base.protocol === 'javascript:' ? pageUrl : base.href;
}

/** What an element refers to, in its attributes and in its style. */
function referencesOf({ tree, lazy }: PageReader, element: Element, around: Surroundings): FoundReference[] {
  const readers = kindsFor(element.tagName);
  let style: string | null = null;
  let waits = false;
  let isDrawn = element.tagName === 'img';
  for (const { name, value } of element.attrs) {
    if (name === 'style') style = value;
    else if (name === 'role') isDrawn ||= isPictureByRole(element);
    else if (name.startsWith('data-') && lazy.has(name)) waits = true;
  }
  if (readers.length === 0 && style === null && !waits && !isDrawn) return NOTHING;
  const page = new ReaderOfElement(tree, element, around);
  const found = readers.flatMap((kind) => kind.read(element, page));
  if (waits) found.push(...lazyReferences(element, page, lazy));
  if (isDrawn) found.push(...drawnReference(element, page, found));
  if (style === null) return found;
  for (const reference of readStyleAttribute(style)) {
    const place = page.locate('style');
    if (!place) continue;
    found.push({
      kind: 'css',
      attribute: reference.property,
      value: reference.value,
      span: place.spanOf(reference.span.start, reference.span.end),
      descriptor: '',
    });
  }
  return found;
}

/** A class, not an object of closures: one is made for most elements of every page. */
class ReaderOfElement implements ElementReader {
  constructor(
    private readonly tree: PageTree,
    private readonly element: Element,
    readonly around: Surroundings,
  ) {}

  locate(name: string) {
    return locateAttribute(this.tree, this.element, name);
  }

  text(name: string) {
    return attributeText(this.element, name);
  }

  tagName() {
    const { sourceCodeLocation: location, tagName } = this.element;
    if (!location) return null;
    const start = (location.startTag ?? location).startOffset + 1;
    return { start, end: start + tagName.length };
  }

  inside() {
    return insideOf(this.tree, this.element);
  }
}

const NOTHING: FoundReference[] = [];
const COMMON_LAZY: ReadonlySet<string> = new Set(LAZY_ATTRIBUTES);

function place(reader: PageReader, at: number, found: FoundReference): Placement | null {
  const key = `${found.kind}:${found.span.start}:${reader.address}`;
  if (reader.seen.has(key)) return null;
  reader.seen.add(key);
  const { tree } = reader;
  const { start, end } = found.span;
  const { line, column } = positionAt(reader.starts, start);
  const around = describe(reader, at, found);
  // Written out: spreading four objects into one takes as long as all the rest of it.
  return {
    kind: found.kind,
    page: reader.address,
    source: reader.address,
    raw: tree.text.slice(start, end),
    start,
    end,
    line,
    column,
    elementPath: around.elementPath,
    thread: around.thread,
    alt: around.alt,
    name: around.name,
    caption: around.caption,
    link: around.link,
    decorative: around.decorative,
    hidden: around.hidden,
    context: around.context,
    declared: around.declared,
    words: around.words,
    address: REFERS_TO_NONE.has(found.kind)
      ? NO_ADDRESS
      : resolve(reader, found.value, tree.elements[at] as Element),
    dormant: false,
  };
}

/** Kinds that show no file by their reference. */
const REFERS_TO_NONE = new Set<FoundReference['kind']>(['area', 'drawn']);
const NO_ADDRESS: ResolvedAddress = { kind: 'none' };

/** The path within the site that an address leads to. */
function pathOf(reader: PageReader, value: string, element: Element): string | null {
  const address = resolve(reader, value, element);
  return address.kind === 'site' ? address.path : null;
}

function resolve(reader: PageReader, value: string, element: Element): ResolvedAddress {
  if (reader.tree.isXml) return resolveAddress(value, xmlBase(reader.base, element), reader.site);
  let address = reader.resolved.get(value);
  if (!address) {
    address = resolveAddress(value, reader.base, reader.site);
    reader.resolved.set(value, address);
  }
  return address;
}

/** The base that holds at an element of an XML page: `xml:base` of those around it, outermost first (XML Base, §4.2). */
function xmlBase(base: string, element: Element): string {
  const around: string[] = [];
  for (let at: Element['parentNode'] = element; at && isElement(at); at = at.parentNode) {
    const own = attributeText(at, 'xml:base');
    if (own !== null) around.unshift(own.trim());
  }
  return around.reduce((outer, own) => (URL.canParse(own, outer) ? new URL(own, outer).href : outer), base);
}

/** Whether an element is kept from those who listen by its own attribute. */
const isAriaHidden = (element: Element): boolean =>
  attributeText(element, 'aria-hidden')?.trim().toLowerCase() === 'true';

/** Whether an element is kept from all readers, or from those who listen, by its own attributes. */
function isHiddenItself(element: Element): boolean {
  return (
    attributeText(element, 'hidden') !== null ||
    isAriaHidden(element) ||
    /(?:^|[;\s])(?:display\s*:\s*none|visibility\s*:\s*hidden)/iu.test(attributeText(element, 'style') ?? '')
  );
}

const WITH_ALT = new Set(['img', 'srcset', 'source', 'input', 'area']);

/** The attribute in which an element holds the text alternative of its picture. */
function wordsAttribute({ kind }: FoundReference, { tagName }: Element): 'alt' | 'aria-label' | null {
  if (kind === 'lazy' || kind === 'drawn') {
    if (WITH_ALT.has(tagName)) return 'alt';
    return kind === 'drawn' ? 'aria-label' : null;
  }
  return WITH_ALT.has(kind) ? 'alt' : kind === 'object' ? 'aria-label' : null;
}

function describe(reader: PageReader, at: number, found: FoundReference): PlacementSurroundings {
  const { tree } = reader;
  const element = tree.elements[at] as Element;
  const around = tree.surroundings[at] as Surroundings;
  const shown = element.tagName === 'source' ? (imageOf(around.picture) ?? element) : element;
  const attribute = wordsAttribute(found, element);
  const isUncaptioned = HEAD_KINDS.has(found.kind) || found.kind === 'area';
  const caption = isUncaptioned ? null : captionElement(tree, shown, around.figure);
  const words = caption ? readCaption(tree, caption) : null;
  const path = elementPath(element);
  const partOf = found.kind === 'area' ? areaPart(tree, element, (to) => pathOf(reader, to, element)) : null;
  const stored = attribute === 'alt' ? storedWords(shown, around.link) : [];
  return {
    elementPath: path,
    thread: `${path}|${found.kind === 'css' ? `style:${found.attribute}` : found.attribute}|${found.descriptor}`,
    alt: attribute ? attributeText(shown, attribute) : null,
    name: nameOf(tree, found, { element, shown }),
    caption: words?.text ?? null,
    link: linkAround(tree, found, { shown, link: around.link }),
    decorative:
      found.kind === 'css' ||
      (attribute !== null && (isDecorative(shown) || around.ariaHidden || isAriaHidden(shown))),
    hidden: around.hidden || around.ariaHidden || isHiddenItself(shown),
    context: {
      headings: headingsOver(tree, at),
      before: HEAD_KINDS.has(found.kind) ? '' : textBeside(tree, shown, -1),
      after: HEAD_KINDS.has(found.kind) ? '' : textBeside(tree, shown, 1),
      inFigure: around.figure !== null,
      group: HEAD_KINDS.has(found.kind) ? null : groupAround(tree, shown),
      meets: 1,
      ...(partOf ? { partOf } : {}),
      ...(around.button ? { button: textBesideIn(tree, around.button, shown, { pictures: true }) } : {}),
      ...(stored.length > 0 ? { stored } : {}),
    },
    declared: declaredSlot(element, shown, found),
    words: {
      ...wordAnchors(tree, attribute && { element: shown, attribute }, words?.span ?? null),
      block: attribute === 'alt' && found.kind !== 'area' ? blockAnchor(tree, shown) : null,
    },
  };
}

function nameOf(
  tree: PageTree,
  { kind }: FoundReference,
  { element, shown }: { element: Element; shown: Element },
): string {
  if (kind === 'link') return linkName(tree, element);
  return NAMELESS.has(kind) && !(kind === 'css' && isPictureByRole(shown)) ? '' : accessibleName(tree, shown);
}

function linkAround(
  tree: PageTree,
  { kind, value }: FoundReference,
  { shown, link }: { shown: Element; link: Element | null },
): LinkAround | null {
  if (kind === 'area') return { href: value, text: '' };
  if (kind === 'link' || !link) return null;
  return { href: attributeText(link, 'href') ?? '', text: textBesideIn(tree, link, shown) };
}

const NAMELESS = new Set(['css', 'icon', 'meta', 'preload', 'attribute-background', 'json-ld']);
const HEAD_KINDS = new Set(['icon', 'meta', 'preload', 'json-ld']);

function imageOf(picture: Element | null): Element | null {
  return (
    picture?.childNodes.find((child): child is Element => isElement(child) && child.tagName === 'img') ?? null
  );
}

/** Where text alternative and caption of a picture can be written. */
function wordAnchors(
  tree: PageTree,
  words: { readonly element: Element; readonly attribute: 'alt' | 'aria-label' } | null,
  caption: WordAnchors['caption'],
): WordAnchors {
  if (!words) return { alt: null, addAttribute: null, caption };
  const { element, attribute } = words;
  const alt = locateAttribute(tree, element, attribute);
  const bare = alt ? null : writtenAttribute(tree.text, element, attribute);
  const tagStart =
    element.sourceCodeLocation?.startTag?.startOffset ?? element.sourceCodeLocation?.startOffset;
  return {
    ...(attribute === 'alt' ? {} : { attribute }),
    alt: alt ? { span: alt.span, quote: alt.quote } : bare ? bareAnchor(bare.nameEnd) : null,
    addAttribute: alt || bare || tagStart === undefined ? null : tagStart + 1 + element.tagName.length,
    caption,
  };
}

/** An attribute without a value is there and empty; words for it are written behind its name. */
function bareAnchor(at: number): WordAnchors['alt'] {
  return { span: { start: at, end: at }, quote: 'bare' };
}
