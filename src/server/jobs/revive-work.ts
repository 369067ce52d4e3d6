/**
 * What is unfinished and has no living job gets one. A job dies with its last attempt, by an error or because processes
 * died under it; the row that it was for says all that is needed to go on.
 */
import type { Database } from '../db/database';
import { addJob, type JobName, type Jobs } from './queue';

interface Unfinished {
  readonly job: JobName;
  readonly key: string;
  readonly payload: Jobs[JobName];
}

/** Rows that are unfinished; those of the last seconds may be on their way. */
const UNFINISHED = `
  select 'run-publication' as job, 'publication-' || id as key, jsonb_build_object('publicationId', id) as payload
    from publications where state in ('waiting', 'running', 'undoing')
  union all
  select 'prepare-change', 'change-' || c.id, jsonb_build_object('changeId', c.id)
    from changes c join editions e on e.id = c.edition_id where c.state = 'preparing' and e.state = 'draft'
  union all
  select 'prepare-removal', 'removal-' || r.id, jsonb_build_object('removalId', r.id)
    from removals r join editions e on e.id = r.edition_id where r.state = 'preparing' and e.state = 'draft'
  union all
  select 'survey-site', 'survey-' || site_id || '-' || id, jsonb_build_object('surveyId', id)
    from surveys where state in ('waiting', 'running')
  union all
  select 'take-in', 'take-in-' || id, jsonb_build_object('uploadId', id)
    from uploads where state = 'arrived' and delivery_id is not null
  union all
  select distinct 'know-delivery', 'know-delivery-' || delivery_id, jsonb_build_object('deliveryId', delivery_id)
    from intake where delivery_id is not null and findings is null`;

const IS_ALIVE = `exists (select 1 from graphile_worker.jobs j
  where j.key = w.key and (j.locked_at is not null or j.attempts < j.max_attempts))`;

/** Gives a job to everything that is unfinished and has none, and tells how many that were. */
export async function reviveWork({ pool }: Database): Promise<number> {
  const { rows } = await pool.query<Unfinished>(`select w.* from (${UNFINISHED}) w where not ${IS_ALIVE}`);
  for (const { job, payload, key } of rows) await addJob(pool, job, payload, key);
  return rows.length;
}
