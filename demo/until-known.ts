/**
 * Prepares the demo and does all that its workers would do, without a screen: what several of the tests begin from, each with
 * a copy. The festival is left out: it can only be read while its host answers.
 */
import { connect } from '@/server/db/database';
import { runWaitingJobs } from '@/server/jobs/run-waiting-jobs';
import { settings } from '@/server/settings';
import { prepareSchool } from './prepare';

const home = process.env['IBIDEM_VAR'] ?? 'var';
process.env['IBIDEM_SITE_ROOTS'] ??= '/';
const db = connect(settings().databaseUrl);
await prepareSchool(db, { home, liveUrl: 'http://127.0.0.1:4181' });
let failed: readonly string[];
do {
  await runWaitingJobs(db);
  failed = await told('last_error is not null');
  // A job that gives way to others is due again a little later.
  await new Promise((resolve) => setTimeout(resolve, 500));
} while (failed.length === 0 && (await told('last_error is null')).length > 0);
for (const job of failed) console.error(job);
await db.pool.end();
// Threads that wait for work keep the process.
process.exit(failed.length > 0 ? 1 : 0);

/** The jobs of the queue of which something is so. */
async function told(what: string): Promise<readonly string[]> {
  const { rows } = await db.pool.query<{ job: string }>(
    `select concat_ws(': ', task_identifier, last_error) as job from graphile_worker.jobs where ${what}`,
  );
  return rows.map(({ job }) => job);
}
