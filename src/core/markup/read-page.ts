/**
 * Reads a page: every placement on it, written in its markup, in its own styles and in the style sheets it links.
 * Any text gives a result; comments, templates and scripts are not placements.
 */
import { parseUrl } from '../address/parse-url';
import {
  resolveAddress,
  urlOfPath,
  type ResolvedAddress,
  type SiteAddressing,
} from '../address/resolve-address';
import type { SourceText } from '../source/decode-source';
import { lineStarts, positionAt } from '../source/line-index';
import { attributeText, type Element } from './attribute-value';
import { describeBeside, describePlace } from './describe-place';
import { referencesOf } from './element-references';
import type { FoundReference } from './kinds/kind';
import { LAZY_ATTRIBUTES } from './kinds/lazy';
import { carryOut, MAX_NESTING, nestedPart } from './nested-part';
import { isElement, readersWords } from './node-text';
import { pageLinks } from './page-links';
import { readTree, type PageTree, type Surroundings } from './page-tree';
import { placeManifests, type ManifestSource } from './place-manifests';
import { placeStyles, type SheetSource } from './place-styles';
import type { Placement, PlacementSurroundings } from './placement';

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
export const READER_VERSION = 9;

/** Reads one page. Never throws, and takes time in proportion to the page's length. */
export const readPage = (input: PageInput): PageReading => readPageTree(input, readTree(input.source));

/** Reads a page that is parsed already. @param tree of `input.source` */
export function readPageTree(input: PageInput, tree: PageTree): PageReading {
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
    described: { last: null },
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
    described: { last: null },
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
  /** What was said of the place before. */
  readonly described: {
    last: {
      readonly at: number;
      readonly kind: FoundReference['kind'];
      readonly around: PlacementSurroundings;
    } | null;
  };
  /** How many pages stand around this one: 0 for the page itself. */
  readonly nesting: number;
}

/** The address against which what a page refers to resolves. @param pageUrl where the page was read */
export function baseOf(tree: PageTree, pageUrl: string): string {
  const base = tree.baseHref === null ? null : parseUrl(tree.baseHref.trim(), pageUrl);
  return !base || base.protocol === 'data:' || base.protocol === 'javascript:' ? pageUrl : base.href;
}

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

function describe(reader: PageReader, at: number, found: FoundReference): PlacementSurroundings {
  const { tree, described } = reader;
  const { last } = described;
  if (last?.at === at && last.kind === found.kind && found.kind !== 'area')
    return describeBeside(last.around, found);
  const element = tree.elements[at] as Element;
  const around = describePlace(tree, at, found, (to) => pathOf(reader, to, element));
  described.last = { at, kind: found.kind, around };
  return around;
}

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
  return around.reduce((outer, own) => parseUrl(own, outer)?.href ?? outer, base);
}
