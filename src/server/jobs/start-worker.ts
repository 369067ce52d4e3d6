import { randomUUID } from 'node:crypto';
import { Logger, run } from 'graphile-worker';
import type { Database } from '../db/database';
import { queueDueSurveys } from '../work/start-survey';
import { announceWorker, freeOrphans } from './free-orphans';
import { handlers } from './handlers';

/** How often a worker looks for jobs whose worker has died. */
const ORPHANS_EVERY_MS = 5000;
/** How often it looks whether a site's next survey is due. */
const DUE_EVERY_MS = 60_000;
/** Jobs side by side: one for each of two cores, and one for what only waits. */
const HANDS = 3;

/** Starts a worker over a database. `stop` lets running jobs finish. */
export async function startWorker(
  db: Database,
  log: (line: string) => void,
): Promise<{ stop(): Promise<void> }> {
  // Each hand is a runner of its own, since the queue wants a name for every job that runs at a time.
  const names = Array.from({ length: HANDS }, () => randomUUID());
  const session = await db.pool.connect();
  for (const name of names) await announceWorker(session, name);
  const sweep = async () => {
    const dead = await freeOrphans(db, names);
    if (dead > 0) log(`took over the jobs of ${dead} worker${dead === 1 ? '' : 's'} that had died`);
  };
  await sweep();
  const timer = setInterval(() => {
    sweep().catch((error: unknown) => log(`looking for jobs left behind: ${String(error)}`));
  }, ORPHANS_EVERY_MS);
  const schedule = setInterval(() => {
    queueDueSurveys(db, new Date()).catch((error: unknown) =>
      log(`looking for surveys due: ${String(error)}`),
    );
  }, DUE_EVERY_MS);
  const logger = new Logger(() => (level, message) => {
    if (level === 'error' || level === 'warning') log(message);
  });
  const shared = { pgPool: db.pool, taskList: handlers(db), concurrency: 1, noHandleSignals: true, logger };
  const runners = await Promise.all(
    names.map((workerId) => {
      // The queue takes the worker's name from its options, though its type for `run` does not list it.
      const options = { ...shared, pollInterval: 1000, workerId };
      return run(options);
    }),
  );
  return {
    async stop() {
      clearInterval(timer);
      clearInterval(schedule);
      await Promise.all(runners.map((runner) => runner.stop()));
      session.release(true);
    },
  };
}
