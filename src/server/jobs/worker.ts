/** The worker process: surveys, renditions and publications, away from every request. */
import { database } from '../db/database';
import { startWorker } from './start-worker';

const log = (line: string) => console.log(`worker: ${line}`);
const db = database();
const worker = await startWorker(db, log);
log('ready');

let isStopping = false;
for (const signal of ['SIGINT', 'SIGTERM'] as const) {
  process.on(signal, () => {
    if (isStopping) return;
    isStopping = true;
    worker
      .stop()
      .then(() => db.pool.end())
      .then(() => process.exit(0))
      .catch((error: unknown) => {
        console.error(`worker: ${String(error)}`);
        process.exit(1);
      });
  });
}
