/** Reads a batch of pages into what is printed or stored of them. The same code runs in this process and in threads. */
import { resolveAddress, type SiteAddressing } from '@/core/address/resolve-address';
import { mayBePage, pagePathOf } from '@/core/crawl/crawl-scope';
import type { Placement } from '@/core/markup/placement';
import { readPage, type PageInput, type PageReading } from '@/core/markup/read-page';
import { decodePage } from '@/core/source/decode-source';
import { storableJson } from '../db/storable';
import { placementRecord } from './placement-record';
import { placementRow } from './placement-row';
import type { SourceShelf } from './source-shelf';

/** A page as its connection gave it. */
export interface PageBytes {
  readonly path: string;
  readonly bytes: Uint8Array;
  /** Where it came from, for a page whose address is not its path. */
  readonly url?: string | undefined;
  readonly httpCharset?: string | null | undefined;
  /** Whether its server called it XML; without a server its name tells. */
  readonly isXml?: boolean | undefined;
}

/** Rows for the command line, or records for the database: JSON either way, made where the page is read. */
export type ReadAs = 'rows' | 'records';

/** What was found on one page. */
export interface PageFound {
  readonly path: string;
  readonly title: string;
  readonly language: string | null;
  readonly encoding: string;
  readonly words: string;
  /** Paths of the site's pages that it leads to. */
  readonly leadsTo: readonly string[];
  /** Style sheets and manifests it uses. */
  readonly dressing: readonly string[];
  readonly met: readonly string[];
  readonly placements: number;
  /** JSON lines (`rows`), or the inside of a JSON array (`records`). */
  readonly json: string;
  /** Why the page could not be read; absent where it was. */
  readonly problem?: string;
}

/** What a site says of itself that reading depends on. */
export interface ReadingRules extends SiteAddressing {
  /** Attributes in which its pictures wait for scripts, besides the common ones. */
  readonly lazyAttributes?: readonly string[];
}

interface Site {
  readonly site: ReadingRules;
  readonly shelf: SourceShelf;
}

/** Reads the bytes of one page against the site's sheets and manifests. */
export const readPageBytes = (page: PageBytes, from: Site, isForSearch = false): PageReading =>
  readPage(pageInput(page, from, isForSearch));

/** What the reader of pages is given of one page. */
export function pageInput(page: PageBytes, { site, shelf }: Site, isForSearch = false): PageInput {
  const { path, url, bytes, httpCharset = null, isXml } = page;
  return {
    address: path,
    source: decodePage(path, bytes, { httpCharset, ...(isXml === undefined ? {} : { isXml }) }),
    site,
    sheetOf: shelf.sheetOf,
    manifestOf: shelf.manifestOf,
    isForSearch,
    ...(site.lazyAttributes ? { lazyAttributes: site.lazyAttributes } : {}),
    ...(url === undefined ? {} : { url }),
  };
}

/** Reads a batch of pages into JSON. */
export function readBatch(pages: readonly PageBytes[], as: ReadAs, from: Site): PageFound[] {
  return pages.map((page) => {
    try {
      return readOne(page, as, from);
    } catch (error) {
      // Whatever a page does to its reader: the others are read, and this one is told.
      return unread(page.path, error);
    }
  });
}

function unread(path: string, error: unknown): PageFound {
  const said = error instanceof Error ? error.message : String(error);
  return {
    ...{ path, title: '', language: null, encoding: 'utf-8', words: '', leadsTo: [], dressing: [], met: [] },
    ...{ placements: 0, json: '', problem: `The page could not be read (${said}).` },
  };
}

function readOne(page: PageBytes, as: ReadAs, from: Site): PageFound {
  const reading = readPageBytes(page, from, as === 'records');
  const { title, language, encoding, words, placements } = reading;
  return {
    ...{ path: page.path, title, language, encoding, words },
    leadsTo: as === 'records' ? leadsTo(reading, from.site) : [],
    dressing: [...reading.sheets, ...reading.manifests],
    met: [...reading.met],
    placements: placements.length,
    json: jsonOf(placements, as, from.site),
  };
}

/** Placements as they are printed or stored. */
export function jsonOf(placements: readonly Placement[], as: ReadAs, site: SiteAddressing): string {
  if (as === 'rows')
    return placements.map((placement) => `${JSON.stringify(placementRow(placement, site))}\n`).join('');
  const spots = new Map<string, number>();
  return placements
    .map((placement, i) => {
      const record = placementRecord(placement, i + 1);
      const key = `${record.page_path}\n${record.spot}`;
      const nth = (spots.get(key) ?? 0) + 1;
      spots.set(key, nth);
      // Spots are told apart where the structure does not: two candidates of one srcset without a descriptor.
      const spot = nth === 1 ? record.spot : `${record.spot}#${nth}`;
      return storableJson({ ...record, spot, thread: spot });
    })
    .join(',');
}

/** The site's own pages that a page leads to, by their paths; not itself. */
function leadsTo({ address, links }: PageReading, site: SiteAddressing): string[] {
  const paths = new Set<string>();
  for (const link of links) {
    if (resolveAddress(link, link, site).kind !== 'site' || !mayBePage(link)) continue;
    paths.add(pagePathOf(site.keepsQueries ? link : link.replace(/\?.*$/s, ''), site));
  }
  paths.delete(address);
  return [...paths];
}
