import { Logger, runOnce } from 'graphile-worker';
import type { Database } from '../db/database';
import { handlers } from './handlers';

/**
 * Runs every job that is due, in this process and without a word, until none is left. One that fails stays in the queue with
 * its error. What its last job came to may be noted a moment after it ends.
 */
export async function runWaitingJobs(db: Database): Promise<void> {
  await runOnce({
    pgPool: db.pool,
    taskList: handlers(db),
    logger: new Logger(() => () => undefined),
    noHandleSignals: true,
  });
}
