/** Asks for an edition to go live, or to be taken back. The work itself is in `run-publication.ts`. */
import { and, eq } from 'drizzle-orm';
import { mayMove, stateAfter, type EditionMove } from '@/core/edition/edition-state';
import { requireRole, type Actor } from '../../accounts/actor';
import type { Database } from '../../db/database';
import { changes, editions, publications, removals } from '../../db/schema/editions';
import { asOne } from '../../db/in-transaction';
import { addJob } from '../../jobs/queue';
import { ProblemError } from '../../problem-error';
import { logEvent } from '../log-event';

/** Publishes a draft edition. @throws ProblemError where it is empty, unfinished, or not a draft */
export async function publishEdition(db: Database, actor: Actor, editionId: number): Promise<void> {
  if (!mayMove(actor.role, 'publish')) requireRole(actor, ['maintainer', 'approver'], 'publish an edition');
  await move(db, actor, { editionId, move: 'publish', direction: 'publish' });
}

/** Takes a published edition back. */
export async function withdrawEdition(db: Database, actor: Actor, editionId: number): Promise<void> {
  if (!mayMove(actor.role, 'withdraw')) requireRole(actor, ['maintainer', 'approver'], 'withdraw an edition');
  await move(db, actor, { editionId, move: 'withdraw', direction: 'withdraw' });
}

/** @throws ProblemError `EDITION_UNREADY` */
async function refuseUnready(db: Database, editionId: number): Promise<void> {
  const swaps = await db.orm
    .select({ state: changes.state })
    .from(changes)
    .where(eq(changes.editionId, editionId));
  const taken = await db.orm
    .select({ state: removals.state })
    .from(removals)
    .where(eq(removals.editionId, editionId));
  const gathered = [...swaps, ...taken];
  const unready = gathered.filter(({ state }) => state !== 'ready').length;
  if (gathered.length === 0 || unready > 0) {
    throw new ProblemError({
      code: 'EDITION_UNREADY',
      what: 'The edition was not published.',
      why: gathered.length === 0 ? 'It holds no changes.' : `${unready} of its changes are not ready.`,
      remedy:
        gathered.length === 0 ? 'Swap a picture first.' : 'Wait until they are prepared, or take them out.',
    });
  }
}

async function move(
  db: Database,
  actor: Actor,
  asked: { editionId: number; move: EditionMove; direction: 'publish' | 'withdraw' },
): Promise<void> {
  await asOne(db, async (tx) => {
    // The row is held until the end: whoever gathers into the edition has done so before, or finds it no longer a draft.
    const [edition] = await tx.orm
      .select()
      .from(editions)
      .where(eq(editions.id, asked.editionId))
      .for('update');
    const next = edition ? stateAfter(asked.move, edition.state) : null;
    if (!edition || !next) throw wrongState(asked.direction, edition?.state);
    if (asked.direction === 'publish') await refuseUnready(tx, edition.id);
    await tx.orm.update(editions).set({ state: next }).where(eq(editions.id, edition.id));
    const { rows } = await tx.pool.query<{ id: number }>(
      'insert into publications (edition_id, direction, started_by) values ($1, $2, $3) returning id',
      [edition.id, asked.direction, actor.name],
    );
    const publicationId = rows[0]?.id;
    if (publicationId === undefined) throw new Error('the new publication was not returned');
    await addJob(tx.pool, 'run-publication', { publicationId }, `publication-${publicationId}`);
    await logEvent(tx, actor, {
      siteId: edition.siteId,
      verb: `${asked.direction} edition`,
      details: `edition ${edition.number}`,
    });
  });
}

function wrongState(direction: string, state: string | undefined): ProblemError {
  return new ProblemError({
    code: 'EDITION_STATE',
    what: `The edition was not ${direction === 'publish' ? 'published' : 'withdrawn'}.`,
    why: state ? `It is ${state} now; somebody may have been quicker.` : 'It is gone.',
    remedy: 'Look at it again.',
  });
}

/** The publication of an edition that last went in a direction and was finished, or `undefined`. */
export async function lastPublication(
  { orm }: Database,
  editionId: number,
  direction: 'publish' | 'withdraw',
) {
  const done = await orm
    .select()
    .from(publications)
    .where(
      and(
        eq(publications.editionId, editionId),
        eq(publications.direction, direction),
        eq(publications.state, 'done'),
      ),
    );
  return done.at(-1);
}
