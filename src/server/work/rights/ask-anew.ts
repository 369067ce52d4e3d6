import type { Database } from '../../db/database';
import { addJob } from '../../jobs/queue';

/**
 * Has a site answered anew: for the pictures of some files whose records have changed, or as a whole.
 *
 * @param tx a transaction (`asOne`), in which what changes the answers is written
 * @param files by their addresses; those of one picture stand for all its files
 */
export async function askAnew(
  { pool }: Pick<Database, 'pool'>,
  siteId: number,
  files: readonly string[] | 'all',
): Promise<void> {
  await pool.query(
    `insert into rights_states (site_id, touched, touches) values ($1, null, 1)
     on conflict (site_id) do update set touches = rights_states.touches + 1,
       touched = case when $2::text[] is null or rights_states.touched is null then null
         else rights_states.touched || $2::text[] end`,
    [siteId, files === 'all' ? null : files],
  );
  await addJob(pool, 'answer-rights', { siteId }, `rights-${siteId}`);
}
