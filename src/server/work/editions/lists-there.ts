import { listsOfPage, type ListsOfPage } from '@/core/swap/width-list';
import type { Database } from '../../db/database';
import type { placements } from '../../db/schema/content';

/** How the pages of some places list widths at their pictures, by their paths; none for a page that does not. */
export async function listsThere(
  { pool }: Database,
  siteId: number,
  placementIds: readonly number[],
): Promise<Map<string, ListsOfPage>> {
  type Listed = Pick<typeof placements.$inferSelect, 'kind' | 'spot' | 'declared'> & {
    readonly page: string;
  };
  const { rows } = await pool.query<Listed>(
    `select page_path as page, kind, spot, declared from placements
     where site_id = $1 and kind = 'srcset' and until_survey is null
       and page_path in (select page_path from placements where id = any($2::bigint[]))`,
    [siteId, placementIds],
  );
  const pages = new Map<string, Listed[]>();
  for (const row of rows) pages.set(row.page, [...(pages.get(row.page) ?? []), row]);
  return new Map([...pages].map(([page, listed]) => [page, listsOfPage(listed)]));
}
