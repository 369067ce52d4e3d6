import { and, eq } from 'drizzle-orm';
import type { Actor } from '../../accounts/actor';
import type { Database } from '../../db/database';
import { editions } from '../../db/schema/editions';

/** The edition being gathered for a site; begun where there is none. */
export async function draftEdition(
  db: Database,
  actor: Actor,
  siteId: number,
): Promise<{ id: number; number: number }> {
  const open = await db.orm
    .select({ id: editions.id, number: editions.number })
    .from(editions)
    .where(and(eq(editions.siteId, siteId), eq(editions.state, 'draft')));
  if (open[0]) return open[0];
  const { rows } = await db.pool.query<{ id: number; number: number }>(
    `insert into editions (site_id, number, created_by)
     select $1, coalesce(max(number), 0) + 1, $2 from editions where site_id = $1 returning id, number`,
    [siteId, actor.name],
  );
  const made = rows[0];
  if (!made) throw new Error('the new edition was not returned');
  return made;
}
