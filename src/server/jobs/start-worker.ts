import { EventEmitter } from 'node:events';
import { Logger, run, type TaskList, type WorkerEvents } from 'graphile-worker';
import type { Database } from '../db/database';
import { queueDueAnswers } from '../work/rights/queue-due-answers';
import { queueDueSurveys } from '../work/surveys/start-survey';
import { settings } from '../settings';
import { announceWorker, freeOrphans } from './free-orphans';
import { handlers } from './handlers';
import { takes, type JobName } from './queue';
import { reviveWork } from './revive-work';
import type { Turn } from './turn';

/** How often a worker looks for jobs whose worker has died. */
const ORPHANS_EVERY_MS = 5000;
/** How often it looks whether a site's next survey is due. */
const DUE_EVERY_MS = 60_000;
/** Jobs side by side: one for each of two cores, and one for what only waits. Each holds a connection of the queue's. */
const HANDS = 3;

/** Those of all jobs that this worker takes. */
function taken(all: TaskList): TaskList {
  const { jobs } = settings();
  return Object.fromEntries(Object.entries(all).filter(([name]) => takes(jobs, name as JobName)));
}

/**
 * Starts a worker over a database. `stop` lets running jobs come to where they can go on another time.
 *
 * @param onLost called once where the session is cut by which others know that this worker lives: they take over its
 *   jobs, so that it must do no more
 */
export async function startWorker(
  db: Database,
  log: (line: string) => void,
  onLost: () => void = () => undefined,
): Promise<{ stop(): Promise<void> }> {
  const session = await db.pool.connect();
  session.once('error', onLost);
  const names: string[] = [];
  const events: WorkerEvents = new EventEmitter();
  // The queue writes the pool's own name into the jobs that it takes; it is known as soon as the pool is made.
  const announced: Promise<void>[] = [];
  events.on('pool:create', ({ workerPool }) => {
    names.push(workerPool.id);
    announced.push(announceWorker(session, workerPool.id));
  });
  const logger = new Logger(() => (level, message) => {
    if (level === 'error' || level === 'warning') log(message);
  });
  const turn: { -readonly [K in keyof Turn]: Turn[K] } = { isOver: false };
  const runner = await run({
    // The queue's connections are its own: jobs that use up those of the work can't keep it from its jobs.
    ...{ connectionString: settings().databaseUrl, maxPoolSize: HANDS + 2 },
    ...{ taskList: taken(handlers(db, turn)), logger, events },
    ...{ concurrency: HANDS, noHandleSignals: true, pollInterval: 1000 },
  });
  await Promise.all(announced);
  if (names.length === 0) throw new Error('the queue did not say what its worker is called');
  const sweep = async () => {
    const dead = await freeOrphans(db, names);
    if (dead > 0) log(`took over the jobs of ${dead} worker${dead === 1 ? '' : 's'} that had died`);
    const revived = await reviveWork(db);
    if (revived > 0)
      log(`took up ${revived} ${revived === 1 ? 'piece' : 'pieces'} of work that nobody was at`);
  };
  await sweep();
  const timer = setInterval(() => {
    sweep().catch((error: unknown) => log(`looking for jobs left behind: ${String(error)}`));
  }, ORPHANS_EVERY_MS);
  const schedule = setInterval(() => {
    queueDueSurveys(db, new Date()).catch((error: unknown) =>
      log(`looking for surveys due: ${String(error)}`),
    );
    queueDueAnswers(db, Date.now()).catch((error: unknown) =>
      log(`looking for rights to be asked about: ${String(error)}`),
    );
  }, DUE_EVERY_MS);
  return {
    async stop() {
      turn.isOver = true;
      clearInterval(timer);
      clearInterval(schedule);
      await runner.stop();
      session.release(true);
    },
  };
}
