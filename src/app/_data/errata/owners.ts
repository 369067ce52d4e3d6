import 'server-only';
import { database } from '@/server/db/database';

/** The people who own a section of a site, by name. */
export async function ownersOf(siteId: number) {
  const { rows } = await database().pool.query<{ id: string; name: string }>(
    `select distinct u.id, u.name from sections s join "user" u on u.id = s.owner_id where s.site_id = $1 order by u.name`,
    [siteId],
  );
  return rows;
}
