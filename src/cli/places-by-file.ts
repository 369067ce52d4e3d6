import { siteOfFiles } from '@/core/address/resolve-address';
import { placementsToCheck, type PlacementToCheck } from '@/core/errata/page-to-check';
import type { ReadableConnection } from '@/server/connections/connection';
import { readingsOf } from '@/server/connections/read-site';
import { sayUnread, showProgress } from './rows';

/** A page as it was read. */
export interface ReadPage {
  readonly path: string;
  readonly title: string;
  readonly language: string | null;
  readonly placements: readonly PlacementToCheck[];
}

export interface Place {
  readonly page: ReadPage;
  readonly placement: PlacementToCheck;
}

/** Reads all pages of a site, with a word on how far it is. */
export async function readPages(connection: ReadableConnection): Promise<ReadPage[]> {
  const pages: ReadPage[] = [];
  for await (const { address, title, language, placements } of readingsOf(
    connection,
    connection.site ?? siteOfFiles(),
    sayUnread,
  )) {
    pages.push({ path: address, title, language, placements: placementsToCheck(placements) });
    showProgress(`${pages.length} pages read`);
  }
  return pages;
}

/** The places of each file of the site, by its path. */
export function placesByFile(pages: readonly ReadPage[]): Map<string, Place[]> {
  const places = new Map<string, Place[]>();
  for (const page of pages) {
    for (const placement of page.placements) {
      const { filePath } = placement;
      if (filePath === null) continue;
      const known = places.get(filePath);
      if (known) known.push({ page, placement });
      else places.set(filePath, [{ page, placement }]);
    }
  }
  return places;
}
