/**
 * A page's source made ready to be shown in a sandbox: each place's element carries its numbers, references lead to
 * where the site's files are served, and what would navigate or loosen the sandbox is taken out.
 */
import { resolveAddress, urlOfPath, type SiteAddressing } from '../address/resolve-address';
import { attributeValue } from '../edit/write-value';
import { attributeText, locateAttribute, type Element } from '../markup/attribute-value';
import { elementPath } from '../markup/element-path';
import { readTree, type PageTree } from '../markup/page-tree';
import type { Placement } from '../markup/placement';
import { baseOf } from '../markup/read-page';
import { tagsByPlace } from '../markup/tags-by-place';
import type { SourceText } from '../source/decode-source';

/** Attribute that carries the numbers of an element's places. */
export const MARK_ATTRIBUTE = 'data-ibidem-place';

interface Splice {
  readonly start: number;
  readonly end: number;
  readonly text: string;
}

export interface MarkedPage {
  /** HTML to be served as UTF-8. */
  readonly html: string;
  /** Numbers (from 1, in the order of `placements`) that could be marked on the page. */
  readonly marked: ReadonlySet<number>;
}

export interface MarkOptions {
  readonly address: string;
  readonly site: SiteAddressing;
  /** Where a file of the site is served, by its path. */
  readonly servedAt: (path: string) => string;
  /** HTML put before everything else in the page's body: the script that measures, and its styles. */
  readonly inserted: string;
}

/** @param placements those of the page as it stands in `source`; they are numbered from 1 in this order */
export function markPage(
  source: SourceText,
  placements: readonly Placement[],
  options: MarkOptions,
): MarkedPage {
  const tree = readTree(source);
  const { address, site, servedAt } = options;
  const splices: Splice[] = [];
  const marked = new Set<number>();
  const marks = new Map<Element, number[]>();
  const tags = tagsByPlace(tree);
  const byPath = elementsByPath(tree, placements);
  placements.forEach((placement, i) => {
    const isOwn = placement.source === address;
    const tag = isOwn ? tags(placement.start) : null;
    const element = isOwn ? (tag?.isInTag ? tag.element : null) : (byPath.get(placement.elementPath) ?? null);
    if (element && !placement.dormant) {
      marks.set(element, [...(marks.get(element) ?? []), i + 1]);
      marked.add(i + 1);
    }
    const isWritten = isOwn && placement.kind !== 'iframe-srcdoc' && placement.kind !== 'json-ld';
    if (isWritten && placement.address.kind === 'site') {
      splices.push({ start: placement.start, end: placement.end, text: servedAt(placement.address.path) });
    }
  });
  for (const [element, numbers] of marks) {
    const at = behindTagName(tree, element);
    if (at !== null) splices.push({ start: at, end: at, text: ` ${MARK_ATTRIBUTE}="${numbers.join(' ')}"` });
  }
  const base = baseOf(tree, urlOfPath(address, site));
  for (const element of tree.elements) splices.push(...tamed(tree, element, { base, site, servedAt }));
  const body = tree.body ? endOfTag(tree, tree.body) : null;
  splices.push({ start: body ?? 0, end: body ?? 0, text: options.inserted });
  return { html: spliced(source.text, splices), marked };
}

/** The elements that places of style sheets are seen on, by their paths. */
function elementsByPath(tree: PageTree, placements: readonly Placement[]): Map<string, Element> {
  const wanted = new Set(
    placements.filter(({ source, page }) => source !== page).map((place) => place.elementPath),
  );
  const found = new Map<string, Element>();
  if (wanted.size === 0) return found;
  for (const element of tree.elements) {
    const path = elementPath(element);
    if (wanted.has(path) && !found.has(path)) found.set(path, element);
  }
  return found;
}

function behindTagName(tree: PageTree, element: Element): number | null {
  const location = element.sourceCodeLocation;
  const start = location?.startTag?.startOffset ?? location?.startOffset;
  if (start === undefined) return null;
  const match = /^<[a-z][^\s/>]*/i.exec(tree.text.slice(start, start + 60));
  return match ? start + match[0].length : null;
}

function endOfTag(tree: PageTree, element: Element): number | null {
  const tag = element.sourceCodeLocation?.startTag;
  return tag ? tag.endOffset : null;
}

interface Taming {
  readonly base: string;
  readonly site: SiteAddressing;
  readonly servedAt: (path: string) => string;
}

/** What an element must not do in a proof: move the page elsewhere, set its base, bring rules of its own. */
function tamed(tree: PageTree, element: Element, { base, site, servedAt }: Taming): Splice[] {
  const replace = (name: string, text: string): Splice[] => {
    const place = locateAttribute(tree, element, name);
    return place ? [{ ...place.span, text: attributeValue(text, place.quote, 'utf-8') }] : [];
  };
  switch (element.tagName) {
    case 'base':
      return [...replace('href', ''), ...replace('target', '_self')];
    case 'meta':
      return attributeText(element, 'http-equiv') === null ? [] : replace('http-equiv', 'x-kept-out');
    case 'link': {
      const rels = (attributeText(element, 'rel') ?? '').toLowerCase().split(/\s+/);
      if (!rels.includes('stylesheet')) return [];
      const path = addressOf(attributeText(element, 'href'), base, site);
      return path === null ? [] : replace('href', servedAt(path));
    }
    default:
      return [];
  }
}

function addressOf(value: string | null, base: string, site: SiteAddressing): string | null {
  const address = resolveAddress(value ?? '', base, site);
  return address.kind === 'site' ? address.path : null;
}

function spliced(text: string, splices: readonly Splice[]): string {
  const ordered = [...splices].sort((a, b) => a.start - b.start || a.end - b.end);
  const parts: string[] = [];
  let copied = 0;
  for (const { start, end, text: added } of ordered) {
    // Two that overlap can only come from markup that repeats itself; the first one stands.
    if (start < copied) continue;
    parts.push(text.slice(copied, start), added);
    copied = end;
  }
  parts.push(text.slice(copied));
  return parts.join('');
}

/** A style sheet with the pictures of the site led to where they are served. */
export function markSheet(
  text: string,
  references: readonly {
    readonly value: string;
    readonly span: { readonly start: number; readonly end: number };
  }[],
  {
    sheetUrl,
    site,
    servedAt,
  }: { sheetUrl: string; site: SiteAddressing; servedAt: (path: string) => string },
): string {
  return spliced(
    text,
    references.flatMap(({ value, span }) => {
      const path = addressOf(value, sheetUrl, site);
      return path === null ? [] : [{ ...span, text: servedAt(path) }];
    }),
  );
}
