import type { Placement } from '@/core/markup/placement';

/** A placement as a row of the database, by the names of its columns; what its survey decides is added there. */
export interface PlacementRecord {
  readonly page_path: string;
  readonly source_path: string;
  readonly file_path: string | null;
  readonly url: string | null;
  readonly kind: string;
  readonly ordinal: number;
  readonly raw: string;
  readonly start: number;
  readonly end: number;
  readonly line: number;
  readonly column: number;
  /** Where it stands in the structure of its page now. */
  readonly spot: string;
  /** The same, or the spot where an earlier survey first saw it. */
  readonly thread: string;
  readonly alt: string | null;
  readonly name: string;
  readonly caption: string | null;
  readonly link: Placement['link'];
  readonly decorative: boolean;
  readonly hidden: boolean;
  readonly dormant: boolean;
  readonly context: Placement['context'];
  readonly declared: Placement['declared'];
  readonly words: Placement['words'];
}

/** Addresses elsewhere that are longer are not kept whole: they are data written out. */
const MAX_URL = 4000;

/** @param ordinal order on its page, from 1 */
export function placementRecord(placement: Placement, ordinal: number): PlacementRecord {
  const { address, kind, raw, start, end, line, column, thread, alt, name, caption, link } = placement;
  const { decorative, hidden, dormant, context, declared, words } = placement;
  return {
    page_path: placement.page,
    source_path: placement.source,
    file_path: address.kind === 'site' ? address.path : null,
    url: address.kind === 'elsewhere' ? address.url.slice(0, MAX_URL) : null,
    ...{ kind, ordinal, raw: raw.slice(0, MAX_URL), start, end, line, column, spot: thread, thread },
    ...{ alt, name, caption, link, decorative, hidden, dormant, context, declared, words },
  };
}
