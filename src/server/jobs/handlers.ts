/** What each job does: checks its payload and calls one verb of `work/`. */
import type { Task, TaskList } from 'graphile-worker';
import Joi from 'joi';
import type { Database } from '../db/database';
import { knowPictures } from '../work/pictures/know-pictures';
import { readTexts } from '../work/pictures/read-texts';
import { prepareChange } from '../work/editions/prepare-change';
import { prepareRemoval } from '../work/editions/prepare-removal';
import { runPublication } from '../work/editions/run-publication';
import { surveySite } from '../work/surveys/survey-site';
import type { JobName } from './queue';

function numberFrom(payload: unknown, key: string): number {
  const schema = Joi.object({ [key]: Joi.number().integer().required() }).required();
  const value = Joi.attempt(payload, schema) as Record<string, number>;
  return value[key] as number;
}

/** The handlers of all jobs over one database. */
export function handlers(db: Database): TaskList {
  const tasks: Record<JobName, Task> = {
    'survey-site': (payload) => surveySite(db, numberFrom(payload, 'surveyId')),
    'prepare-change': (payload) => prepareChange(db, numberFrom(payload, 'changeId')),
    'prepare-removal': (payload) => prepareRemoval(db, numberFrom(payload, 'removalId')),
    'run-publication': (payload) => runPublication(db, numberFrom(payload, 'publicationId')),
    'know-pictures': (payload) => knowPictures(db, numberFrom(payload, 'siteId')),
    'read-texts': async (payload) => void (await readTexts(db, numberFrom(payload, 'siteId'))),
  };
  return tasks;
}
