import { eq, sql } from 'drizzle-orm';
import { requireRole, type Actor } from '../accounts/actor';
import type { Database } from '../db/database';
import { surveys } from '../db/schema/sites';
import { addJob } from '../jobs/queue';

/** Asks for a survey. One that waits already serves this request too. */
export async function startSurvey(db: Database, actor: Actor, siteId: number): Promise<void> {
  requireRole(actor, ['maintainer', 'owner', 'approver'], 'start a survey');
  await queueSurvey(db, siteId, 'asked');
}

/** Puts a survey into the queue, for whatever reason. */
export async function queueSurvey(db: Database, siteId: number, reason: string): Promise<void> {
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
