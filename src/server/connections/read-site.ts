/**
 * Reads a whole site through a connection: style sheets and manifests first, then page after page. Nothing is kept of
 * a page once it has been handed out, so that memory does not grow with the site.
 */
import type { SiteAddressing } from '@/core/address/resolve-address';
import { dormantPlacements } from '@/core/markup/place-styles';
import type { Placement } from '@/core/markup/placement';
import type { PageReading } from '@/core/markup/read-page';
import { jsonOf, readPageBytes, type PageBytes, type PageFound, type ReadAs } from '../reading/read-batch';
import { openReadingPool } from '../reading/reading-pool';
import { sourceShelf } from '../reading/source-shelf';
import type { ReadableConnection, SiteFile } from './connection';
import { pagesOf, readSources, readTextOrTell, type OnUnread } from './site-sources';

/** What was found on a batch of pages, or the dormant places of all sheets at the end. */
export type SiteReading =
  | { readonly kind: 'pages'; readonly pages: readonly PageFound[] }
  | { readonly kind: 'dormant'; readonly json: string };

/**
 * Reads a site in batches of pages; what no page met comes last.
 *
 * @param onUnread see `readTextOrTell`
 */
export async function* readSite(
  connection: ReadableConnection,
  site: SiteAddressing,
  as: ReadAs,
  onUnread?: OnUnread,
): AsyncGenerator<SiteReading> {
  const { files } = await connection.list();
  const pages = pagesOf(files);
  const pool = await openReadingPool(site, await readSources(connection, files, onUnread), pages.length);
  try {
    const met = new Set<string>();
    for await (const batch of pool.read(bytesOf(connection, pages, onUnread), as)) {
      for (const { met: keys } of batch) for (const key of keys) met.add(key);
      yield { kind: 'pages', pages: batch };
    }
    const dormant = pool.shelf.sheets().flatMap((sheet) => dormantPlacements(sheet, met, site));
    yield { kind: 'dormant', json: jsonOf(dormant, as, site) };
  } finally {
    await pool.close();
  }
}

/**
 * The pages of a site as they were read, then the dormant places of its sheets as a page without a path.
 *
 * @param onUnread see `readTextOrTell`
 */
export async function* readingsOf(
  connection: ReadableConnection,
  site: SiteAddressing,
  onUnread?: OnUnread,
): AsyncGenerator<Pick<PageReading, 'address' | 'title' | 'language' | 'placements'>> {
  const { files } = await connection.list();
  const pages = pagesOf(files);
  const shelf = sourceShelf(await readSources(connection, files, onUnread), site);
  const met = new Set<string>();
  for await (const page of bytesOf(connection, pages, onUnread)) {
    const reading = readPageBytes(page, { site, shelf });
    for (const key of reading.met) met.add(key);
    yield reading;
  }
  const dormant = shelf.sheets().flatMap((sheet) => dormantPlacements(sheet, met, site));
  yield { address: '', title: '', language: null, placements: dormant };
}

/** The placements of a site, page by page, then the dormant ones: for those who look at each. */
export async function* placementsOf(
  connection: ReadableConnection,
  site: SiteAddressing,
): AsyncGenerator<readonly Placement[]> {
  for await (const { placements } of readingsOf(connection, site)) yield placements;
}

/** The bytes of pages, one after another. @param onUnread see `readTextOrTell` */
export async function* bytesOf(
  connection: ReadableConnection,
  pages: readonly SiteFile[],
  onUnread?: OnUnread,
): AsyncGenerator<PageBytes> {
  for (const page of pages) {
    const { path, url, httpCharset, isXml } = page;
    const bytes = await readTextOrTell(connection, page, onUnread);
    if (bytes) yield { path, bytes, url, httpCharset, isXml };
  }
}
