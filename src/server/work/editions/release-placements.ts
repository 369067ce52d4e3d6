/** Takes places out of changes of an edition that has something else in mind for them. */
import { and, eq, isNotNull, or } from 'drizzle-orm';
import type { Database } from '../../db/database';
import { changes } from '../../db/schema/editions';
import { addJob } from '../../jobs/queue';
import { prepareRemovalsOf } from './prepare-removals-of';

/**
 * A change that keeps other places is prepared anew; one that keeps none goes.
 *
 * @param tx a transaction (`asOne`)
 * @param from which changes give them up
 */
export async function releasePlacements(
  tx: Database,
  editionId: number,
  placementIds: readonly number[],
  from: 'swaps' | 'take-off' | 'both',
): Promise<void> {
  const chosen = new Set(placementIds);
  const isSwap = isNotNull(changes.intakeId);
  const isTakeOff = eq(changes.takesOff, true);
  const those = from === 'both' ? or(isSwap, isTakeOff) : from === 'swaps' ? isSwap : isTakeOff;
  const others = await tx.orm
    .select()
    .from(changes)
    .where(and(eq(changes.editionId, editionId), those));
  for (const other of others) {
    const kept = other.placementIds.filter((id) => !chosen.has(id));
    if (kept.length === other.placementIds.length) continue;
    if (kept.length > 0) {
      await tx.orm
        .update(changes)
        .set({ placementIds: kept, state: 'preparing' })
        .where(eq(changes.id, other.id));
      await addJob(tx.pool, 'prepare-change', { changeId: other.id }, `change-${other.id}`);
      continue;
    }
    await tx.orm.delete(changes).where(eq(changes.id, other.id));
    await prepareRemovalsOf(tx, editionId);
  }
}
