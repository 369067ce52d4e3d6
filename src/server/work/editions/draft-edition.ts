import type { Actor } from '../../accounts/actor';
import type { Database } from '../../db/database';
import { lockSite } from '../../db/in-transaction';

/**
 * The edition being gathered for a site; begun where there is none. It stays a draft until the transaction ends: whoever
 * publishes it waits for that.
 *
 * @param tx a transaction (`asOne`)
 */
export async function draftEdition(
  tx: Database,
  actor: Actor,
  siteId: number,
): Promise<{ id: number; number: number }> {
  await lockSite(tx, siteId);
  const open = await tx.pool.query<{ id: number; number: number }>(
    `select id, number from editions where site_id = $1 and state = 'draft' for update`,
    [siteId],
  );
  if (open.rows[0]) return open.rows[0];
  const { rows } = await tx.pool.query<{ id: number; number: number }>(
    `insert into editions (site_id, number, created_by)
     select $1, coalesce(max(number), 0) + 1, $2 from editions where site_id = $1 returning id, number`,
    [siteId, actor.name],
  );
  const made = rows[0];
  if (!made) throw new Error('the new edition was not returned');
  return made;
}
