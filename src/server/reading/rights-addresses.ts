/** Which file a placement shows, and which page a link leads to, as rights name them. */
import { resolveAddress, type SiteAddressing } from '@/core/address/resolve-address';
import { pageName, pagePathOf } from '@/core/crawl/crawl-scope';
import type { Placement } from '@/core/markup/placement';
import { hostOf, type RecordIndex } from '@/core/rights/record-index';

/** Gives the file that a placement shows, as records name it; addresses on the site's own host are files of the site. */
export function fileFinder(
  site: SiteAddressing,
  records: RecordIndex,
): (placement: Placement) => string | null {
  return ({ address }) => {
    if (address.kind === 'none') return null;
    if (address.kind === 'site') return address.path;
    if (records.host === null || hostOf(address.url) !== records.host) return address.url;
    const own = resolveAddress(address.url, address.url, { ...site, hosts: [...site.hosts, records.host] });
    return own.kind === 'site' ? own.path : address.url;
  };
}

/** Gives the page of the site that an address leads to, however a folder's own page is asked for. */
export function pageFinder(
  pages: readonly { readonly address: string }[],
  site: SiteAddressing,
): (url: string) => string | null {
  const byName = new Map(pages.map(({ address }) => [pageName(address, site), address]));
  return (url) => {
    const resolved = resolveAddress(url, url, site);
    return resolved.kind === 'site' ? (byName.get(pagePathOf(url, site)) ?? null) : null;
  };
}
