import {
  addressText,
  plainPath,
  type ResolvedAddress,
  type SiteAddressing,
} from '@/core/address/resolve-address';
import type { Placement } from '@/core/markup/placement';

/** A placement as the command line prints it. */
export function placementRow(placement: Placement, site: SiteAddressing) {
  return {
    page: placement.page,
    source: placement.source,
    kind: placement.kind,
    raw: placement.raw,
    url: rowUrl(placement.address, site),
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

function rowUrl(address: ResolvedAddress, site: SiteAddressing): string | null {
  return address.kind === 'site' ? plainPath(addressText(address) ?? '', site) : addressText(address);
}
