/** The worker process: surveys, renditions and publications, away from every request. */
import { constants, setPriority } from 'node:os';
import { closeDatabase, database } from '../db/database';
import { settings } from '../settings';
import { startWorker } from './start-worker';

// Whoever waits goes first, also for a processor.
if (settings().jobs === 'background') setPriority(constants.priority.PRIORITY_BELOW_NORMAL);

const log = (line: string) => console.log(`worker: ${line}`);
const db = database();
const worker = await startWorker(db, log, () => {
  console.error('worker: the database ended its session; whoever started this worker starts it again');
  process.exit(1);
});
log(settings().jobs === 'all' ? 'ready' : `ready for ${settings().jobs} jobs`);

let isStopping = false;
for (const signal of ['SIGINT', 'SIGTERM'] as const) {
  process.on(signal, () => {
    if (isStopping) {
      log('ended at once; what it was at goes on where it was when a worker runs again');
      process.exit(1);
    }
    isStopping = true;
    log('finishing what it is at; once more to end at once');
    worker
      .stop()
      .then(closeDatabase)
      .then(() => process.exit(0))
      .catch((error: unknown) => {
        console.error(`worker: ${String(error)}`);
        process.exit(1);
      });
  });
}
