/** Puts what is recorded of a picture's rights into the edition being gathered, to be written into its files. */
import { and, eq } from 'drizzle-orm';
import { EDITORS } from '@/core/edition/edition-state';
import { requireRole, type Actor } from '../../accounts/actor';
import type { Database } from '../../db/database';
import { asOne } from '../../db/in-transaction';
import { changes } from '../../db/schema/editions';
import { addJob } from '../../jobs/queue';
import { ProblemError } from '../../problem-error';
import { draftEdition } from '../editions/draft-edition';
import { logEvent } from '../log-event';

/**
 * @param fileId of any file of the picture: all its files are written
 * @returns the edition's number
 * @throws ProblemError `RIGHTS_FILE_MISSING` where there is no such file on the site
 */
export async function gatherRights(
  db: Database,
  actor: Actor,
  siteId: number,
  fileId: number,
): Promise<number> {
  requireRole(actor, EDITORS, 'write rights into files');
  return asOne(db, async (tx) => {
    const { rows } = await tx.pool.query<{ path: string }>(
      `select coalesce(m.path, f.path) as path from files f
       left join lateral (select path from files where picture_id = f.picture_id and is_master and gone_in is null
         order by id limit 1) m on true
       where f.site_id = $1 and f.id = $2 and f.gone_in is null`,
      [siteId, fileId],
    );
    const fromPath = rows[0]?.path;
    if (fromPath === undefined)
      throw new ProblemError({
        code: 'RIGHTS_FILE_MISSING',
        what: 'Nothing was gathered.',
        why: 'The picture is not on the site any more.',
        remedy: 'Load the list of pictures again.',
      });
    const edition = await draftEdition(tx, actor, siteId);
    const same = and(
      eq(changes.editionId, edition.id),
      eq(changes.writesRights, true),
      eq(changes.fromPath, fromPath),
    );
    const [known] = await tx.orm.update(changes).set({ state: 'preparing', problem: null }).where(same).returning({ id: changes.id }); // oxfmt-ignore
    const [made] = known
      ? [known]
      : await tx.orm
          .insert(changes)
          .values({
            ...{
              editionId: edition.id,
              fromPath,
              writesRights: true,
              placementIds: [],
              createdBy: actor.name,
            },
            words: { alt: null, caption: null },
          })
          .returning({ id: changes.id });
    if (made) await addJob(tx.pool, 'prepare-change', { changeId: made.id }, `change-${made.id}`);
    const details = `${fromPath}, edition ${edition.number}`;
    await logEvent(tx, actor, { siteId, verb: 'write rights into files', details });
    return edition.number;
  });
}
