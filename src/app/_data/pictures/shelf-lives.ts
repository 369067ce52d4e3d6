import 'server-only';
import type { SetLife } from '@/core/dating/shelf-life';
import { database } from '@/server/db/database';

/** The shelf lives that a site has set, for itself and for its sections. */
export async function shelfLivesOf(siteId: number): Promise<SetLife[]> {
  const { rows } = await database().pool.query<SetLife>(
    'select section, kind, life from shelf_lives where site_id = $1 order by section, kind',
    [siteId],
  );
  return rows;
}
