import type { PoolClient } from 'pg';
import type { Database } from '../../db/database';

/** First key of the advisory locks that Ibidem takes, so that they can't meet those of others. */
const LOCK_SPACE = 0x1b1d;

/**
 * Runs something while nothing else reads or changes the site. The lock belongs to one database session: it is gone
 * when the process dies, however it dies.
 */
export async function withSiteLock<T>(
  db: Database,
  siteId: number,
  run: (client: PoolClient) => Promise<T>,
): Promise<T> {
  const client = await db.pool.connect();
  try {
    await client.query('select pg_advisory_lock($1, $2)', [LOCK_SPACE, siteId]);
    return await run(client);
  } finally {
    // Closing the session, not only giving it back, frees the lock even where the query above was cut off.
    client.release(true);
  }
}
