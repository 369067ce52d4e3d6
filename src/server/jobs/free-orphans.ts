/**
 * Gives back the jobs of workers that died. Every worker holds an advisory lock named after it for as long as its
 * database session lives; a job whose worker's lock can be had belongs to nobody.
 */
import type { PoolClient } from 'pg';
import type { Database } from '../db/database';

const LOCK = 'select pg_advisory_lock(hashtextextended($1, 0))';
const TRY_LOCK = 'select pg_try_advisory_lock(hashtextextended($1, 0)) as free';
const UNLOCK = 'select pg_advisory_unlock(hashtextextended($1, 0))';

/** Says that a worker lives; the session must be kept until it stops. */
export async function announceWorker(client: PoolClient, workerId: string): Promise<void> {
  await client.query(LOCK, [`worker ${workerId}`]);
}

/** Frees the jobs of dead workers and tells how many workers that were. */
export async function freeOrphans({ pool }: Database, own: readonly string[]): Promise<number> {
  const client = await pool.connect();
  try {
    const { rows } = await client.query<{ locked_by: string }>(
      'select distinct locked_by from graphile_worker.jobs where locked_by is not null and not (locked_by = any($1::text[]))',
      [own],
    );
    const dead: string[] = [];
    for (const { locked_by: worker } of rows) {
      const answer = await client.query<{ free: boolean }>(TRY_LOCK, [`worker ${worker}`]);
      if (!answer.rows[0]?.free) continue;
      dead.push(worker);
      await client.query(UNLOCK, [`worker ${worker}`]);
    }
    if (dead.length > 0) {
      // A death is no attempt: the job did not fail, its process did.
      await client.query(
        'update graphile_worker._private_jobs set attempts = greatest(0, attempts - 1) where locked_by = any($1::text[])',
        [dead],
      );
      await client.query('select graphile_worker.force_unlock_workers($1::text[])', [dead]);
    }
    return dead.length;
  } finally {
    client.release();
  }
}
