/**
 * Carries out a publication by its journal. Every step is idempotent: it looks at what stands there before it writes,
 * so that a process that dies at any moment is followed by one that goes on where it was. Each file changes at one
 * stroke. Where the site can't be written, what was done is undone.
 */
import { asc, desc, eq, sql } from 'drizzle-orm';
import { stateAfter, type EditionMove, type EditionState } from '@/core/edition/edition-state';
import type { Problem } from '@/core/problem';
import type { WritableConnection } from '../../connections/connection';
import type { Database } from '../../db/database';
import { asOne } from '../../db/in-transaction';
import { editions, publications, steps } from '../../db/schema/editions';
import { sites } from '../../db/schema/sites';
import { sha256 } from '../../hash';
import { goOn, UNENDING, type Turn } from '../../jobs/turn';
import { problemOf } from '../../problem-error';
import { storedBytes } from '../../store/store';
import { planPublishing, planWithdrawal } from './plan-steps';
import { openConnection } from '../sites/site-connection';
import { withSiteLock } from '../sites/site-lock';
import { queueSurvey } from '../surveys/start-survey';

type Step = typeof steps.$inferSelect;

/** Runs or resumes a publication. @throws TurnOver between two steps, where the worker is to end */
export async function runPublication(
  db: Database,
  publicationId: number,
  turn: Turn = UNENDING,
): Promise<void> {
  const found = await find(db, publicationId);
  if (!found) return;
  await withSiteLock(db, found.site.id, async () => {
    // Read again under the lock: another worker may have finished it meanwhile.
    const now = await find(db, publicationId);
    if (!now || isFinished(now.publication)) return;
    const { publication, site } = now;
    const connection = await openConnection(db, site);
    if (publication.state === 'waiting') await writeJournal(db, connection, publication);
    // One that was being undone goes on being undone, whatever the site would take by now.
    const isUndoing = publication.state === 'undoing';
    const failure = isUndoing ? publication.problem : await carryOut(db, connection, publicationId, turn);
    if (failure === null && !isUndoing) return finish(db, now);
    if (!isUndoing) await beginUndoing(db, publicationId, failure as Problem);
    await undo(db, connection, publicationId, turn);
    await giveUp(db, now);
  });
}

type Found = NonNullable<Awaited<ReturnType<typeof find>>>;

const isFinished = ({ state }: Found['publication']): boolean => state === 'done' || state === 'rolled back';

/** Everything is written: the publication, its edition and the survey that will prove it, in one transaction. */
async function finish(db: Database, { publication, edition, site }: Found): Promise<void> {
  const isPublishing = publication.direction === 'publish';
  await asOne(db, async (tx) => {
    await close(tx, publication.id, 'done');
    await setState(tx, edition, isPublishing ? 'finish' : 'finish withdrawal');
    const when = isPublishing ? 'after' : 'after withdrawing';
    await queueSurvey(tx, site.id, `${when} edition ${edition.number}`);
  });
}

/** Everything is undone: the edition is what it was before. */
async function giveUp(db: Database, { publication, edition }: Found): Promise<void> {
  await asOne(db, async (tx) => {
    await close(tx, publication.id, 'rolled back');
    await setState(tx, edition, publication.direction === 'publish' ? 'give up' : 'keep live');
  });
}

/** Says that a publication is being undone, and why, before the first step is: whoever resumes it goes on so. */
async function beginUndoing({ orm }: Database, publicationId: number, problem: Problem): Promise<void> {
  await orm.update(publications).set({ state: 'undoing', problem }).where(eq(publications.id, publicationId));
}

async function find({ orm }: Database, publicationId: number) {
  const [row] = await orm
    .select({ publication: publications, edition: editions, site: sites })
    .from(publications)
    .innerJoin(editions, eq(editions.id, publications.editionId))
    .innerJoin(sites, eq(sites.id, editions.siteId))
    .where(eq(publications.id, publicationId));
  return row;
}

/** Plans every step and writes the journal in one transaction: it is there whole, or nothing has begun. */
async function writeJournal(
  db: Database,
  connection: WritableConnection,
  publication: typeof publications.$inferSelect,
): Promise<void> {
  const plan = publication.direction === 'publish' ? planPublishing : planWithdrawal;
  const planned = await plan(db, connection, publication.editionId);
  await db.orm.transaction(async (tx) => {
    if (planned.length > 0) {
      await tx
        .insert(steps)
        .values(planned.map((step, i) => ({ ...step, publicationId: publication.id, ordinal: i + 1 })));
    }
    await tx.update(publications).set({ state: 'running' }).where(eq(publications.id, publication.id));
  });
}

/** Does the steps that are still planned; gives the problem of the first that the site refused. */
async function carryOut(
  db: Database,
  connection: WritableConnection,
  publicationId: number,
  turn: Turn,
): Promise<Problem | null> {
  const planned = await db.orm
    .select()
    .from(steps)
    .where(sql`${eq(steps.publicationId, publicationId)} and ${eq(steps.state, 'planned')}`)
    .orderBy(asc(steps.ordinal));
  for (const step of planned) {
    goOn(turn);
    let outcome: Problem | null;
    try {
      outcome = await doStep(connection, step);
    } catch (error) {
      return problemOf(error);
    }
    const state = outcome ? 'left alone' : 'done';
    await db.orm.update(steps).set({ state, problem: outcome }).where(eq(steps.id, step.id));
  }
  return null;
}

/** Puts a file into the state that a step wants; a problem where it is in neither of the states the step knows. */
async function doStep(
  connection: WritableConnection,
  step: Pick<Step, 'path' | 'wasSha' | 'becomesSha'>,
): Promise<Problem | null> {
  const there = await connection.read(step.path).catch(() => null);
  const sha = there ? sha256(there) : null;
  if (sha === step.becomesSha) return null;
  if (sha !== step.wasSha) {
    return {
      code: 'SOURCE_CONFLICT',
      what: `${step.path} was left alone.`,
      why: 'It changed while the edition was being published.',
      remedy: 'Survey the site and make this change anew.',
    };
  }
  if (step.becomesSha === null) await connection.remove(step.path);
  else await connection.write(step.path, await storedBytes(step.becomesSha));
  return null;
}

/**
 * Undoes what was done, last first. A file that somebody has changed since is left to them.
 *
 * @throws the problem of a step that can't be undone now; those before it stay as they are until it is tried again
 */
async function undo(
  db: Database,
  connection: WritableConnection,
  publicationId: number,
  turn: Turn,
): Promise<void> {
  const done = await db.orm
    .select()
    .from(steps)
    .where(sql`${eq(steps.publicationId, publicationId)} and ${steps.state} in ('done', 'planned')`)
    .orderBy(desc(steps.ordinal));
  for (const step of done) {
    goOn(turn);
    const problem = await doStep(connection, {
      path: step.path,
      wasSha: step.becomesSha,
      becomesSha: step.wasSha,
    });
    await db.orm.update(steps).set({ state: 'undone', problem }).where(eq(steps.id, step.id));
  }
}

async function close({ orm }: Database, publicationId: number, state: 'done' | 'rolled back'): Promise<void> {
  await orm
    .update(publications)
    .set({ state, finishedAt: new Date() })
    .where(eq(publications.id, publicationId));
}

async function setState(
  { orm }: Database,
  edition: { id: number; state: EditionState },
  move: EditionMove,
): Promise<void> {
  const state = stateAfter(move, edition.state);
  if (!state) throw new Error(`edition ${edition.id} can’t ${move} from ${edition.state}`);
  const when =
    state === 'published' && move === 'finish'
      ? { publishedAt: new Date() }
      : state === 'withdrawn'
        ? { withdrawnAt: new Date() }
        : {};
  await orm
    .update(editions)
    .set({ state, ...when })
    .where(eq(editions.id, edition.id));
}
