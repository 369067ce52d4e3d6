/** Puts what is told of pictures into the edition being gathered: statements for search engines, or a page of credits. */
import { and, eq } from 'drizzle-orm';
import { EDITORS } from '@/core/edition/edition-state';
import { requireRole, type Actor } from '../../accounts/actor';
import type { Database } from '../../db/database';
import { asOne } from '../../db/in-transaction';
import { changes, type Telling } from '../../db/schema/editions';
import { addJob } from '../../jobs/queue';
import { draftEdition } from '../editions/draft-edition';
import { logEvent } from '../log-event';

const VERB: Readonly<Record<Telling, string>> = {
  statements: 'write rights into pages',
  credits: 'keep a page of picture credits',
};

/** @returns the edition's number; where the edition has such a change already, that one is made anew */
export async function gatherTelling(
  db: Database,
  actor: Actor,
  siteId: number,
  tells: Telling,
): Promise<number> {
  requireRole(actor, EDITORS, VERB[tells]);
  return asOne(db, async (tx) => {
    const edition = await draftEdition(tx, actor, siteId);
    const [known] = await tx.orm
      .update(changes)
      .set({ state: 'preparing', problem: null })
      .where(and(eq(changes.editionId, edition.id), eq(changes.tells, tells)))
      .returning({ id: changes.id });
    const [made] = known
      ? [known]
      : await tx.orm
          .insert(changes)
          .values({
            ...{ editionId: edition.id, fromPath: '', tells, placementIds: [], createdBy: actor.name },
            words: { alt: null, caption: null },
          })
          .returning({ id: changes.id });
    if (made) await addJob(tx.pool, 'prepare-change', { changeId: made.id }, `change-${made.id}`);
    await logEvent(tx, actor, { siteId, verb: VERB[tells], details: `edition ${edition.number}` });
    return edition.number;
  });
}
