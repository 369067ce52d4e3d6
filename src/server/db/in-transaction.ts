import { drizzle } from 'drizzle-orm/node-postgres';
import type { Pool, PoolClient } from 'pg';
import type { Database } from './database';

/** Runs statements as one transaction of a session. */
export async function inTransaction(client: PoolClient, run: () => Promise<void>): Promise<void> {
  await client.query('begin');
  try {
    await run();
    await client.query('commit');
  } catch (error) {
    await client.query('rollback');
    throw error;
  }
}

/**
 * Runs verbs as one transaction: what they write, and the jobs that they add, is there as a whole or not at all,
 * whenever the process dies.
 *
 * @param run gets the database as the one session; it must not wait for anything but the database
 */
export async function asOne<T>(db: Database, run: (tx: Database) => Promise<T>): Promise<T> {
  const client = await db.pool.connect();
  try {
    let result: T | undefined;
    await inTransaction(client, async () => {
      // Verbs ask a pool for nothing but queries, which a session answers as well.
      result = await run({ pool: client as unknown as Pool, orm: drizzle(client) });
    });
    return result as T;
  } finally {
    client.release();
  }
}

/** Lets nobody else gather, publish or survey for a site until the transaction ends. */
export async function lockSite({ pool }: Database, siteId: number): Promise<void> {
  await pool.query('select id from sites where id = $1 for no key update', [siteId]);
}
