import { fileURLToPath } from 'node:url';
import { migrate } from 'drizzle-orm/node-postgres/migrator';
import { runMigrations } from 'graphile-worker';
import type { Database } from './database';

/** Brings a database to the newest schema: Ibidem's tables and the queue's. */
export async function migrateDatabase({ orm, pool }: Database): Promise<void> {
  await migrate(orm, { migrationsFolder: fileURLToPath(new URL('./migrations', import.meta.url)) });
  await runMigrations({ pgPool: pool });
}
