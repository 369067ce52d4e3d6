/**
 * What a kind of placement is to the reader of pages: which elements to look at, and what they refer to. A new kind
 * is a file here and its line in `all-kinds.ts`.
 */
import type { Escape } from '../../source/escapes';
import type { Span } from '../../source/span';
import type { AttributeValue, Element } from '../attribute-value';
import type { Inside } from '../inside';
import type { Surroundings } from '../page-tree';

/** Every kind of placement that Ibidem reads. */
export type PlacementKind =
  | 'img'
  | 'srcset'
  | 'source'
  | 'input'
  | 'area'
  | 'drawn'
  | 'poster'
  | 'video'
  | 'audio'
  | 'svg-image'
  | 'object'
  | 'embed'
  | 'icon'
  | 'preload'
  | 'meta'
  | 'link'
  | 'attribute-background'
  | 'css'
  | 'lazy'
  | 'json-ld'
  | 'manifest'
  | 'iframe-srcdoc'
  | 'noscript';

/** One reference found in a page's markup, not yet resolved. */
export interface FoundReference {
  readonly kind: PlacementKind;
  /** The attribute it is written in, as in the source. */
  readonly attribute: string;
  /** The decoded reference; empty where it refers to no file. */
  readonly value: string;
  /** Where its characters stand. */
  readonly span: Span;
  /** The srcset descriptor (`480w`, `2x`); empty elsewhere. */
  readonly descriptor: string;
  /** How its characters are escaped, where that is not as usual for its kind. */
  readonly escapes?: readonly Escape[];
}

export interface KindReader {
  /** Tag names it wants to see. */
  readonly tags: readonly string[];
  read(element: Element, page: ElementReader): FoundReference[];
}

/** What a kind's reader may ask of the page about an element. */
export interface ElementReader {
  locate(name: string): AttributeValue | null;
  text(name: string): string | null;
  /** Where the name of its start tag stands; `null` where the parser made it up. */
  tagName(): Span | null;
  /** The characters between the element's tags, and where they stand in the source; `null` where it has no end. */
  inside(): Pick<Inside, 'text' | 'spanOf'> | null;
  readonly around: Surroundings;
}

/** The whole value of an attribute as one reference; none where it is absent or empty. */
export function wholeAttribute(
  kind: PlacementKind,
  attribute: string,
  page: ElementReader,
): FoundReference[] {
  const found = page.locate(attribute);
  if (!found || found.value.trim() === '') return [];
  const lead = found.value.length - found.value.trimStart().length;
  const tail = found.value.trimEnd().length;
  return [{ kind, attribute, value: found.value.trim(), span: found.spanOf(lead, tail), descriptor: '' }];
}
