/** What each job does: checks its payload and calls one verb of `work/`. */
import type { JobHelpers, TaskList } from 'graphile-worker';
import Joi from 'joi';
import type { Database } from '../db/database';
import { knowPictures } from '../work/pictures/know-pictures';
import { readTexts } from '../work/pictures/read-texts';
import { prepareChange } from '../work/editions/prepare-change';
import { prepareRemoval } from '../work/editions/prepare-removal';
import { runPublication } from '../work/editions/run-publication';
import { answerRights } from '../work/rights/answer-rights';
import { knowDelivery } from '../work/intake/know-delivery';
import { takeIn } from '../work/intake/take-in';
import { surveySite } from '../work/surveys/survey-site';
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
  const tasks: Record<JobName, Handler> = {
    'survey-site': (payload) => surveySite(db, numberFrom(payload, 'surveyId'), turn),
    'prepare-change': (payload) => prepareChange(db, numberFrom(payload, 'changeId')),
    'prepare-removal': (payload) => prepareRemoval(db, numberFrom(payload, 'removalId')),
    'run-publication': (payload) => runPublication(db, numberFrom(payload, 'publicationId'), turn),
    'know-pictures': (payload) => knowPictures(db, numberFrom(payload, 'siteId'), turn),
    'answer-rights': (payload) => answerRights(db, numberFrom(payload, 'siteId'), Date.now(), turn),
    'take-in': (payload) => takeIn(db, textFrom(payload, 'uploadId')),
    'know-delivery': (payload) => knowDelivery(db, numberFrom(payload, 'deliveryId'), turn),
    'read-texts': async (payload) => void (await readTexts(db, numberFrom(payload, 'siteId'), turn)),
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
