import { parseSrcset } from '../parse-srcset';
import type { ElementReader, FoundReference, KindReader, PlacementKind } from './kind';

/** Every candidate of a srcset-like attribute. */
export function candidates(kind: PlacementKind, attribute: string, page: ElementReader): FoundReference[] {
  const found = page.locate(attribute);
  if (!found) return [];
  return parseSrcset(found.value).map(({ url, start, end, descriptor }) => ({
    kind,
    attribute,
    value: url,
    span: found.spanOf(start, end),
    descriptor,
  }));
}

/** `img srcset`: a row a candidate. */
export const srcset: KindReader = {
  tags: ['img'],
  read: (_element, page) => candidates('srcset', 'srcset', page),
};
