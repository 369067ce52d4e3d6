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
    `select p.page_path as page, p.id::float8 as "placementId", kind, source_path as source, line, "column", thread, spot, raw, p.file_path as "filePath",
       url, alt, name, caption, link, decorative, hidden, dormant, context, declared,
       case when a.placement_id is null then null
         else jsonb_build_object('because', a.because, 'until', a.until, 'credit', a.credit, 'chain', a.chain) end as rights
     from placements p left join rights_answers a on a.placement_id = p.id
     where p.site_id = $1 and until_survey is null and p.page_path = any($2::text[]) order by p.page_path, ordinal`,
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
