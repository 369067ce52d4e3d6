import type { Actor } from '../../accounts/actor';
import type { Database } from '../../db/database';
import { removals } from '../../db/schema/editions';
import { addJob } from '../../jobs/queue';

export interface KnownFile {
  readonly sha256: string;
  /** Bytes. */
  readonly size: number;
}

interface Going {
  readonly editionId: number;
  readonly path: string;
  readonly siteId: number;
  readonly mustGo: boolean;
  readonly known?: KnownFile | undefined;
}

/**
 * Has an edition take a file off the site, once it was found that nothing shows it any more.
 *
 * @param tx a transaction, in which what shows it is changed
 * @param going.known what the file holds, for one that surveys do not write down (clips)
 */
export async function keepRemoval(
  tx: Database,
  actor: Actor,
  { editionId, path, siteId, mustGo, known }: Going,
): Promise<void> {
  const { rows } = await tx.pool.query<KnownFile>(
    `select sha256, size_bytes::int as size from files
     where site_id = $1 and path = $2 and gone_in is null and sha256 is not null`,
    [siteId, path],
  );
  const file = known ?? rows[0];
  // A file that is not there needs no taking off.
  if (!file) return;
  const [made] = await tx.orm
    .insert(removals)
    .values({ editionId, path, sha256: file.sha256, sizeBytes: file.size, mustGo, createdBy: actor.name })
    .onConflictDoUpdate({
      target: [removals.editionId, removals.path],
      set: { mustGo, state: 'preparing', problem: null },
    })
    .returning({ id: removals.id });
  if (made) await addJob(tx.pool, 'prepare-removal', { removalId: made.id }, `removal-${made.id}`);
}
