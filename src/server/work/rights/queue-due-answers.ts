import { dayOfMs } from '@/core/dating/day';
import type { Database } from '../../db/database';
import { asOne } from '../../db/in-transaction';
import { askAnew } from './ask-anew';

/** Puts those sites into the queue whose rights were not asked about today: what ends, ends overnight. */
export async function queueDueAnswers(db: Database, now: number): Promise<number> {
  const { rows } = await db.pool.query<{ id: number }>(
    `select distinct r.site_id as id from rights_records r left join rights_states s on s.site_id = r.site_id
     where s.asked_on is distinct from $1`,
    [dayOfMs(now)],
  );
  for (const { id } of rows) await asOne(db, (tx) => askAnew(tx, id, 'all'));
  return rows.length;
}
