import { eq, sql } from 'drizzle-orm';
import { requireRole, type Actor } from '../../accounts/actor';
import type { Database } from '../../db/database';
import { sites, surveys, type SurveyEvery } from '../../db/schema/sites';
import { asOne, lockSite } from '../../db/in-transaction';
import { addJob } from '../../jobs/queue';
import { logEvent } from '../log-event';

/** Asks for a survey. One that waits already serves this request too. */
export async function startSurvey(db: Database, actor: Actor, siteId: number): Promise<void> {
  requireRole(actor, ['maintainer', 'owner', 'approver'], 'start a survey');
  await asOne(db, (tx) => queueSurvey(tx, siteId, 'asked'));
}

/**
 * Puts a survey into the queue, for whatever reason.
 *
 * @param db a transaction (`asOne`): the row and its job are there together
 */
export async function queueSurvey(db: Database, siteId: number, reason: string): Promise<void> {
  await lockSite(db, siteId);
  const waiting = await db.orm
    .select({ id: surveys.id })
    .from(surveys)
    .where(sql`${eq(surveys.siteId, siteId)} and ${eq(surveys.state, 'waiting')}`);
  if (waiting.length > 0) return;
  const { rows } = await db.pool.query<{ id: number }>(
    `insert into surveys (site_id, number, reason)
     select $1, coalesce(max(number), 0) + 1, $2 from surveys where site_id = $1
     returning id`,
    [siteId, reason],
  );
  const surveyId = rows[0]?.id;
  if (surveyId !== undefined)
    await addJob(db.pool, 'survey-site', { surveyId }, `survey-${siteId}-${surveyId}`);
}

/** Asks a running survey to stop; what it has read stays. */
export async function stopSurvey(db: Database, actor: Actor, siteId: number, number: number): Promise<void> {
  requireRole(actor, ['maintainer', 'owner', 'approver'], 'stop a survey');
  await db.pool.query(
    `update surveys s set stop_wanted = true, state = case
       when s.state = 'waiting' or not exists (select 1 from graphile_worker.jobs j
         where j.key = 'survey-' || s.site_id || '-' || s.id and (j.locked_at is not null or j.attempts < j.max_attempts))
       then 'stopped' else s.state end
     where s.site_id = $1 and s.number = $2 and s.state in ('waiting', 'running')`,
    [siteId, number],
  );
}

/** Lets a survey that was stopped, or that failed, go on where it was. Only the newest one can. */
export async function resumeSurvey(
  db: Database,
  actor: Actor,
  siteId: number,
  number: number,
): Promise<void> {
  requireRole(actor, ['maintainer', 'owner', 'approver'], 'go on with a survey');
  await asOne(db, (tx) => resumed(tx, siteId, number));
}

async function resumed(db: Database, siteId: number, number: number): Promise<void> {
  const { rows } = await db.pool.query<{ id: number }>(
    `update surveys set state = 'waiting', stop_wanted = false, problem = null
     where site_id = $1 and number = $2 and state in ('stopped', 'failed')
       and number = (select max(number) from surveys where site_id = $1) returning id`,
    [siteId, number],
  );
  const surveyId = rows[0]?.id;
  if (surveyId !== undefined)
    await addJob(db.pool, 'survey-site', { surveyId }, `survey-${siteId}-${surveyId}`);
}

/** How often a site is surveyed of itself; `null` for never. */
export async function scheduleSurveys(
  db: Database,
  actor: Actor,
  siteId: number,
  every: SurveyEvery | null,
): Promise<void> {
  requireRole(actor, ['maintainer'], 'set when a site is surveyed');
  await db.orm.update(sites).set({ surveyEvery: every }).where(eq(sites.id, siteId));
  await logEvent(db, actor, { siteId, verb: 'schedule surveys', details: every ?? 'never' });
}

/** Queues the surveys that are due: the last one began longer ago than the site's interval. */
export async function queueDueSurveys(db: Database, now: Date): Promise<number> {
  const { rows } = await db.pool.query<{ id: number }>(
    `select s.id from sites s where s.survey_every is not null
       and not exists (select 1 from surveys v where v.site_id = s.id and v.state in ('waiting', 'running'))
       and coalesce((select max(v.started_at) from surveys v where v.site_id = s.id), 'epoch')
         <= $1::timestamptz - ('1 ' || s.survey_every)::interval`,
    [now],
  );
  for (const { id } of rows) await asOne(db, (tx) => queueSurvey(tx, id, 'as scheduled'));
  return rows.length;
}
