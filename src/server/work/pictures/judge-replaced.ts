/** Files whose bytes became others under the same name: whether they still show what they did. */
import { showTheSame } from '@/core/picture/compare';
import type { Database } from '../../db/database';
import { hasDerived } from '../../store/store';
import { LOOKS_VERSION } from './read-looks';
import { storedPrint } from './stored-prints';

/**
 * Judges those that were not yet. Of one whose former looks are not kept, or were read by an older way, nothing can be
 * said: it counts as alike, or waits.
 */
export async function judgeReplaced({ pool }: Database, siteId: number): Promise<void> {
  const { rows } = await pool.query<{ id: number; now: string; before: string }>(
    `select f.id, f.sha256 as now, f.replaced_sha as before from files f
     join looks l on l.sha256 = f.sha256 and l.problem is null and l.version = $2
     join looks m on m.sha256 = f.replaced_sha and m.problem is null and m.version = $2
     where f.site_id = $1 and f.gone_in is null and f.replaced_sha is not null and f.replaced_alike is null`,
    [siteId, LOOKS_VERSION],
  );
  for (const { id, now, before } of rows) {
    const isKept = (await hasDerived(before, 'planes')) && (await hasDerived(before, 'landmarks'));
    const isAlike = !isKept || showTheSame(storedPrint(now), storedPrint(before));
    await pool.query('update files set replaced_alike = $2 where id = $1', [id, isAlike]);
  }
}
