import 'server-only';
import { database } from '@/server/db/database';

/** How far the worker is with checking the pages of a site. */
export interface CheckedSoFar {
  readonly pages: number;
  readonly checked: number;
}

export async function checkedSoFar(siteId: number): Promise<CheckedSoFar> {
  const { rows } = await database().pool.query<CheckedSoFar>(
    `select count(*)::int as pages, count(*) filter (where checked_in is not distinct from changed_in)::int as checked
     from pages where site_id = $1 and gone_in is null`,
    [siteId],
  );
  return rows[0] ?? { pages: 0, checked: 0 };
}
