import type { PlacementToCheck } from '@/core/errata/page-to-check';
import type { Database } from '../../db/database';

/** A place of a page as the database has it, with its number and its spot now. */
export type PlaceRow = Omit<PlacementToCheck, 'element' | 'bearsWords' | 'before'> & {
  readonly placementId: number;
  readonly spot: string;
};

/** The places that stand on some pages, by page, in their order. */
export async function placesOfPages(
  { pool }: Database,
  siteId: number,
  paths: readonly string[],
): Promise<Map<string, PlaceRow[]>> {
  const { rows } = await pool.query<PlaceRow & { page: string }>(
    `select page_path as page, id::float8 as "placementId", kind, source_path as source, line, "column", thread, spot, raw, file_path as "filePath",
       url, alt, name, caption, link, decorative, hidden, dormant, context, declared
     from placements where site_id = $1 and until_survey is null and page_path = any($2::text[]) order by page_path, ordinal`,
    [siteId, paths],
  );
  const byPage = new Map<string, PlaceRow[]>();
  for (const row of rows) {
    const known = byPage.get(row.page);
    if (known) known.push(row);
    else byPage.set(row.page, [row]);
  }
  return byPage;
}
