/** The long form of the random faults: how many of 300 left something half, stuck, lost, or wrongly called proven. */
import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { connect } from '@/server/db/database';
import { migrateDatabase } from '@/server/db/migrate';
import { settings } from '@/server/settings';
import { runRandomFaults } from '../fixtures/random-faults';
import { report } from './measure';

const COUNT = 300;

export async function benchFaults(): Promise<void> {
  const db = connect(settings().databaseUrl);
  await migrateDatabase(db);
  const folder = await mkdtemp(join(tmpdir(), 'ibidem-faults-'));
  try {
    const seed = Number(process.env['SEED'] ?? 1);
    const { broken, counts } = await runRandomFaults(db, { count: COUNT, seed, folder });
    for (const what of broken) process.stderr.write(`${what}\n`);
    for (const [fault, n] of counts) process.stderr.write(`${n} × ${fault}\n`);
    report(
      'random faults that left something wrong',
      { ours: broken.length, bare: COUNT, unit: 'faults' },
      { atMost: 0 },
    );
  } finally {
    await db.pool.end();
    await rm(folder, { recursive: true, force: true });
  }
}
