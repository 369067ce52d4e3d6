import { addressText, type ResolvedAddress } from '@/core/address/resolve-address';
import type { Placement } from '@/core/markup/placement';

/** A placement as the command line prints it. */
export function placementRow(placement: Placement) {
  return {
    page: placement.page,
    source: placement.source,
    kind: placement.kind,
    raw: placement.raw,
    url: rowUrl(placement.address),
    line: placement.line,
    column: placement.column,
    start: placement.start,
    end: placement.end,
    alt: placement.alt,
    name: placement.name,
    caption: placement.caption,
    link: placement.link,
    decorative: placement.decorative,
    dormant: placement.dormant,
  };
}

/** The address of a file of the site is told without its query, which live servers may need to know it by. */
function rowUrl(address: ResolvedAddress): string | null {
  const text = addressText(address);
  return address.kind === 'site' && text !== null ? text.replace(/\?.*$/s, '') : text;
}
