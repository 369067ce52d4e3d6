import type { PlacementToCheck } from '@/core/errata/page-to-check';
import type { Database } from '../../db/database';
import { TAKES_WORDS } from '../words/takes-words';

/** A place of a page as the database has it, with its number and its spot now. */
export type PlaceRow = Omit<PlacementToCheck, 'element' | 'bearsWords' | 'before'> & {
  readonly placementId: number;
  readonly spot: string;
  /** Whether it has words that can be written. */
  readonly takesWords: boolean;
};

/** The places that stand on some pages, by page, in their order. */
export async function placesOfPages(
  { pool }: Database,
  siteId: number,
  paths: readonly string[],
): Promise<Map<string, PlaceRow[]>> {
  const { rows } = await pool.query<PlaceRow & { page: string }>(
    `select x.page_path as page, x.id::float8 as "placementId", kind, source_path as source, line, "column", thread, spot, raw, x.file_path as "filePath",
       url, alt, name, caption, link, decorative, hidden, dormant, context, declared, ${TAKES_WORDS} as "takesWords",
       case when a.placement_id is null then null
         else jsonb_build_object('because', a.because, 'until', a.until, 'credit', a.credit, 'chain', a.chain) end as rights
     from placements x left join rights_answers a on a.placement_id = x.id
     where x.site_id = $1 and until_survey is null and x.page_path = any($2::text[]) order by x.page_path, ordinal`,
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
