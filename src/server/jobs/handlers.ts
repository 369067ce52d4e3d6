/** What each job does: checks its payload and calls one verb of `work/`. */
import type { JobHelpers, TaskList } from 'graphile-worker';
import Joi from 'joi';
import type { Database } from '../db/database';
import { addJob, type JobName, type Jobs } from './queue';
import { TurnOver, UNENDING, type Turn } from './turn';

function numberFrom(payload: unknown, key: string): number {
  const schema = Joi.object({ [key]: Joi.number().integer().required() }).required();
  const value = Joi.attempt(payload, schema) as Record<string, number>;
  return value[key] as number;
}

function textFrom(payload: unknown, key: string): string {
  const schema = Joi.object({ [key]: Joi.string().required() }).required();
  const value = Joi.attempt(payload, schema) as Record<string, string>;
  return value[key] as string;
}

type Handler = (payload: unknown) => Promise<void>;

/** The handlers of all jobs over one database. A job that its worker's end cuts short is put back into the queue. */
export function handlers(db: Database, turn: Turn = UNENDING): TaskList {
  // Each is loaded when its first job comes: a worker that was started again is ready in half the time.
  const tasks: Record<JobName, Handler> = {
    'survey-site': async (payload) => {
      const { surveySite } = await import('../work/surveys/survey-site');
      await surveySite(db, numberFrom(payload, 'surveyId'), turn);
    },
    'prepare-change': async (payload) => {
      const { prepareChange } = await import('../work/editions/prepare-change');
      await prepareChange(db, numberFrom(payload, 'changeId'));
    },
    'prepare-removal': async (payload) => {
      const { prepareRemoval } = await import('../work/editions/prepare-removal');
      await prepareRemoval(db, numberFrom(payload, 'removalId'));
    },
    'run-publication': async (payload) => {
      const { runPublication } = await import('../work/editions/run-publication');
      await runPublication(db, numberFrom(payload, 'publicationId'), turn);
    },
    'know-pictures': async (payload) => {
      const { knowPictures } = await import('../work/pictures/know-pictures');
      await knowPictures(db, numberFrom(payload, 'siteId'), turn);
    },
    'answer-rights': async (payload) => {
      const { answerRights } = await import('../work/rights/answer-rights');
      await answerRights(db, numberFrom(payload, 'siteId'), Date.now(), turn);
    },
    'take-in': async (payload) => {
      const { takeIn } = await import('../work/intake/take-in');
      await takeIn(db, textFrom(payload, 'uploadId'));
    },
    'know-delivery': async (payload) => {
      const { knowDelivery } = await import('../work/intake/know-delivery');
      await knowDelivery(db, numberFrom(payload, 'deliveryId'), turn);
    },
    'read-texts': async (payload) => {
      const { readTexts } = await import('../work/pictures/read-texts');
      await readTexts(db, numberFrom(payload, 'siteId'), turn);
    },
  };
  return Object.fromEntries(
    Object.entries(tasks).map(([name, task]) => [name, goingOn(db, name as JobName, task)]),
  );
}

function goingOn(db: Database, name: JobName, task: Handler) {
  return async (payload: unknown, { job }: JobHelpers): Promise<void> => {
    try {
      await task(payload);
    } catch (error) {
      if (!(error instanceof TurnOver)) throw error;
      // Leaving off is no attempt: the job that goes on has all of them.
      await addJob(db.pool, name, payload as Jobs[JobName], job.key ?? `${name}-${job.id}`);
    }
  };
}
