/** Finds which pictures of a page's style sheets (its own, the linked ones and their imports) the page shows. */
import { resolveAddress, type SiteAddressing } from '../address/resolve-address';
import type { SourceText } from '../source/decode-source';
import { lineStarts, positionAt } from '../source/line-index';
import { matchSheet } from '../styles/match-elements';
import { readSheet, type StyleReading, type StyleReference } from '../styles/read-sheet';
import { attributeText, type Element } from './attribute-value';
import type { FoundReference } from './kinds/kind';
import { insideOf, type Inside } from './inside';
import { nestedPart } from './nested-part';
import { readTree, type PageTree } from './page-tree';
import { NOWHERE } from './nowhere';
import type { Placement, PlacementSurroundings } from './placement';

/** A style sheet of the site, read once for all pages. */
export interface SheetText {
  readonly path: string;
  /** Absolute URL against which its references resolve. */
  readonly url: string;
  readonly source: SourceText;
  readonly reading: StyleReading;
  readonly starts: readonly number[];
}

/**
 * Gives a style sheet of the site by its path, `undefined` where it is missing or not of the site.
 * `environment` is the encoding of what links it: it holds for a sheet that declares none (CSS Syntax 3, §3.2).
 */
export type SheetSource = (path: string, environment: string) => SheetText | undefined;

/** Reads a style sheet once, for all the pages that link it. */
export function sheetText(path: string, url: string, source: SourceText): SheetText {
  return { path, url, source, reading: readSheet(source.text), starts: lineStarts(source.text) };
}

/** A page whose style sheets are asked for, and where they are found. */
export interface StyledPage {
  readonly tree: PageTree;
  /** Absolute URL against which the page's addresses resolve. */
  readonly base: string;
  readonly site: SiteAddressing;
  readonly sheetOf: SheetSource;
}

interface StylesInput extends StyledPage {
  readonly page: string;
}

/** What stands in a `style` element. */
interface OwnStyle {
  readonly inside: Inside;
  readonly reading: StyleReading;
}

/** Every style sheet of a page. */
export interface PageStyles {
  /** What stands in its `style` elements, in page order. */
  readonly own: readonly OwnStyle[];
  /** Those of the site that it links, imports included. */
  readonly linked: readonly SheetText[];
  /** Paths of the latter, found or not. */
  readonly paths: readonly string[];
  /** Whether these are all: none is of another host, none is missing. */
  readonly isWhole: boolean;
}

/** The style sheets that apply to a page: its own, the linked ones and their imports. */
export function stylesOfPage({ tree, base, site, sheetOf }: StyledPage): PageStyles {
  const own: OwnStyle[] = [];
  const linked: SheetText[] = [];
  const paths: string[] = [];
  let isWhole = true;
  const queue: { value: string; base: string; environment: string }[] = [];
  const environment = tree.source.encoding;
  for (const element of tree.elements) {
    if (element.tagName === 'link' && isStyleLink(element)) {
      queue.push({ value: attributeText(element, 'href') ?? '', base, environment });
    } else if (element.tagName === 'style' && isCss(element)) {
      const inside = insideOf(tree, element);
      if (!inside) continue;
      const reading = readSheet(inside.text);
      own.push({ inside, reading });
      for (const { value } of reading.imports) queue.push({ value, base, environment });
    } else if (element.tagName === 'noscript') {
      for (const value of sheetsWithoutScripts(tree, element)) queue.push({ value, base, environment });
    }
  }
  const visited = new Set<string>();
  for (let at = 0; at < queue.length; at++) {
    const link = queue[at] as (typeof queue)[number];
    const address = resolveAddress(link.value, link.base, site);
    if (address.kind !== 'site') isWhole = false;
    if (address.kind !== 'site' || visited.has(address.path)) continue;
    visited.add(address.path);
    paths.push(address.path);
    const sheet = sheetOf(address.path, link.environment);
    if (!sheet) isWhole = false;
    if (!sheet) continue;
    linked.push(sheet);
    const { encoding } = sheet.source;
    queue.push(
      ...sheet.reading.imports.map(({ value }) => ({ value, base: sheet.url, environment: encoding })),
    );
  }
  return { own, linked, paths, isWhole };
}

/** Addresses of the sheets that readers without scripts get by a `noscript`: they dress the page around it. */
function sheetsWithoutScripts(tree: PageTree, element: Element): string[] {
  const part = nestedPart(tree, element);
  if (!part || !/stylesheet/iu.test(part.text)) return [];
  return readTree({ text: part.text, encoding: tree.source.encoding })
    .elements.filter((inner) => inner.tagName === 'link' && isStyleLink(inner))
    .map((link) => attributeText(link, 'href') ?? '');
}

type Describe = (element: { readonly at: number; readonly found: FoundReference }) => PlacementSurroundings;

interface PlacedStyles {
  readonly placements: Placement[];
  readonly sheets: readonly string[];
  readonly met: ReadonlySet<string>;
}

/** The name under which a sheet's reference is counted as met. */
function referenceKey(path: string, reference: StyleReference): string {
  return `${path}#${reference.span.start}`;
}

/** Places the pictures of every style that applies to a page; `describe` tells what stands around an element. */
export function placeStyles(input: StylesInput, describe: Describe): PlacedStyles {
  const { tree, page } = input;
  const placements: Placement[] = [];
  const met = new Set<string>();
  const { own, linked, paths } = stylesOfPage(input);
  for (const { reading, inside } of own) {
    if (reading.references.length === 0) continue;
    const sheet = { path: page, url: input.base, source: tree.source, reading, spanOf: inside.spanOf };
    for (const { placement } of placeSheet(
      input,
      { ...sheet, starts: lineStarts(tree.text) },
      describe,
      true,
    ))
      placements.push(placement);
  }
  for (const sheet of linked) {
    for (const { placement, reference } of placeSheet(
      input,
      { ...sheet, spanOf: asItStands },
      describe,
      false,
    )) {
      met.add(referenceKey(sheet.path, reference));
      placements.push({ ...placement, page });
    }
  }
  return { placements, sheets: paths, met };
}

function isStyleLink(element: Element): boolean {
  const rels = (attributeText(element, 'rel') ?? '').toLowerCase().split(/\s+/);
  if (rels.includes('alternate') || !(rels.includes('stylesheet') || isSheetOnceLoaded(element, rels)))
    return false;
  const [type] = (attributeText(element, 'type') ?? '').split(';');
  return !type?.trim() || type.trim().toLowerCase() === 'text/css';
}

/** Loaded ahead, it makes itself a style sheet: so that the page is shown before its sheets have come. */
function isSheetOnceLoaded(element: Element, rels: readonly string[]): boolean {
  const isStyle = rels.includes('preload') && attributeText(element, 'as')?.trim().toLowerCase() === 'style';
  return isStyle && /stylesheet/iu.test(attributeText(element, 'onload') ?? '');
}

/** A `style` element of another type is no style sheet (HTML standard, §4.2.6, "update a style block"). */
function isCss(element: Element): boolean {
  const type = attributeText(element, 'type');
  return !type || type.toLowerCase() === 'text/css';
}

type PlacedSheet = SheetText & Pick<Inside, 'spanOf'>;

const asItStands: Inside['spanOf'] = (start, end) => ({ start, end });

/** The placements of one sheet on the page; those that meet nothing are left out unless `withDormant`. */
function placeSheet(
  input: StylesInput,
  sheet: PlacedSheet,
  describe: Describe,
  withDormant: boolean,
): PlacedReference[] {
  const matches = matchSheet(sheet.reading, input.tree);
  const references = withDormant ? sheet.reading.references : matches.keys();
  return Array.from(references, (reference) => {
    const met = matches.get(reference);
    const surroundings = met ? describe({ at: met.at, found: asFound(reference) }) : NOWHERE;
    const placement: Placement = {
      ...surroundings,
      ...located(sheet, reference, input.site),
      thread: `${sheet.path}|${reference.rule}`,
      kind: 'css',
      page: input.page,
      dormant: !met,
      context: { ...surroundings.context, meets: met?.count ?? 0 },
      declared: {
        ...surroundings.declared,
        classes: reference.selectors.join(', '),
        ...(withDormant
          ? { escapes: input.tree.isXml ? (['html', 'css'] as const) : (['css'] as const) }
          : {}),
      },
    };
    return { placement, reference };
  });
}

interface PlacedReference {
  readonly placement: Placement;
  readonly reference: StyleReference;
}

function asFound({ property, value, span }: StyleReference): FoundReference {
  return { kind: 'css', attribute: property, value, span, descriptor: '' };
}

function located(sheet: PlacedSheet, reference: StyleReference, site: SiteAddressing) {
  const { start, end } = sheet.spanOf(reference.span.start, reference.span.end);
  return {
    source: sheet.path,
    raw: sheet.source.text.slice(start, end),
    start,
    end,
    ...positionAt(sheet.starts, start),
    address: resolveAddress(reference.value, sheet.url, site),
  };
}

/** The references of a sheet that met nothing on any page, as placements that belong to the sheet alone. */
export function dormantPlacements(
  sheet: SheetText,
  met: ReadonlySet<string>,
  site: SiteAddressing,
): Placement[] {
  return sheet.reading.references
    .filter((reference) => !met.has(referenceKey(sheet.path, reference)))
    .map((reference) => ({
      ...NOWHERE,
      ...located({ ...sheet, spanOf: asItStands }, reference, site),
      thread: `${sheet.path}|${reference.rule}`,
      kind: 'css' as const,
      page: sheet.path,
      dormant: true,
      declared: {
        ...NOWHERE.declared,
        classes: reference.selectors.join(', '),
        writtenIn: reference.property,
      },
    }));
}
