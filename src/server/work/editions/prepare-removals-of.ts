import type { Database } from '../../db/database';
import { addJob } from '../../jobs/queue';

/**
 * Has the files that an edition takes off looked at anew: what it does to pages decides whether they are used.
 *
 * @param tx a transaction, in which that was changed
 */
export async function prepareRemovalsOf(tx: Database, editionId: number): Promise<void> {
  const { rows } = await tx.pool.query<{ id: number }>(
    `update removals r set state = 'preparing', problem = null from editions e
     where e.id = r.edition_id and e.id = $1 and e.state = 'draft' returning r.id`,
    [editionId],
  );
  for (const { id } of rows) await addJob(tx.pool, 'prepare-removal', { removalId: id }, `removal-${id}`);
}
