/** Ways on for a publication that is being undone and can't be: the site refuses to take its old files back. */
import { and, eq, inArray } from 'drizzle-orm';
import { mayMove } from '@/core/edition/edition-state';
import type { Problem } from '@/core/problem';
import { requireRole, type Actor } from '../../accounts/actor';
import type { Database } from '../../db/database';
import { asOne } from '../../db/in-transaction';
import { editions, publications, steps } from '../../db/schema/editions';
import { addJob } from '../../jobs/queue';
import { ProblemError } from '../../problem-error';
import { logEvent } from '../log-event';

/** Has the undoing tried again at once. */
export async function tryUndoingAgain(db: Database, actor: Actor, editionId: number): Promise<void> {
  await settling(db, actor, editionId, async (tx, publication) => {
    await addJob(
      tx.pool,
      'run-publication',
      { publicationId: publication.id },
      `publication-${publication.id}`,
    );
    return 'try undoing again';
  });
}

/**
 * Takes a person's word that what could not be undone is settled by hand. The files in question are named as left alone,
 * and the edition is what it was before.
 */
export async function settleByHand(db: Database, actor: Actor, editionId: number): Promise<void> {
  await settling(db, actor, editionId, async (tx, { id, direction }) => {
    const left = await tx.orm
      .select()
      .from(steps)
      .where(and(eq(steps.publicationId, id), inArray(steps.state, ['done', 'planned'])));
    for (const { id: stepId, path } of left)
      await tx.orm
        .update(steps)
        .set({ state: 'left alone', problem: leftProblem(path, actor) })
        .where(eq(steps.id, stepId));
    await tx.orm
      .update(publications)
      .set({ state: 'rolled back', finishedAt: new Date() })
      .where(eq(publications.id, id));
    const state = direction === 'publish' ? 'draft' : 'published';
    await tx.orm.update(editions).set({ state }).where(eq(editions.id, editionId));
    return `settle by hand: ${left.length} files`;
  });
}

function leftProblem(path: string, actor: Actor): Problem {
  return {
    code: 'SETTLED_BY_HAND',
    what: `${path} was not taken back by Ibidem.`,
    why: `The site refused it, and ${actor.name} settled it by hand.`,
    remedy: 'See that it is as you want it; the next survey tells what stands there.',
  };
}

async function settling(
  db: Database,
  actor: Actor,
  editionId: number,
  deed: (tx: Database, publication: typeof publications.$inferSelect) => Promise<string>,
): Promise<void> {
  if (!mayMove(actor.role, 'publish')) requireRole(actor, ['maintainer', 'approver'], 'settle an edition');
  await asOne(db, async (tx) => {
    const [found] = await tx.orm
      .select({ publication: publications, siteId: editions.siteId, number: editions.number })
      .from(publications)
      .innerJoin(editions, eq(editions.id, publications.editionId))
      .where(and(eq(publications.editionId, editionId), eq(publications.state, 'undoing')))
      .for('update');
    if (!found) {
      throw new ProblemError({
        code: 'NOTHING_TO_SETTLE',
        what: 'Nothing was settled.',
        why: 'The edition is not being undone any more.',
        remedy: 'Look at it again.',
      });
    }
    const verb = await deed(tx, found.publication);
    await logEvent(tx, actor, { siteId: found.siteId, verb, details: `edition ${found.number}` });
  });
}
