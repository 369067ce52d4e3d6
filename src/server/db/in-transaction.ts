import type { PoolClient } from 'pg';

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
