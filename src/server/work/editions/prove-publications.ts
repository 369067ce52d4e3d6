/** After a survey: whether what was published is what the site shows. */
import { and, eq, isNull } from 'drizzle-orm';
import type { ReadableConnection } from '../../connections/connection';
import type { Database } from '../../db/database';
import { editions, publications, steps } from '../../db/schema/editions';
import { sites } from '../../db/schema/sites';
import { sha256 } from '../../hash';
import { fileBehind, FILE_KEPT } from './plan-steps';
import { openConnection } from '../sites/site-connection';

/**
 * Looks at every file that the unproven publications of a site have touched, as it stands there now. Proven means:
 * each is byte for byte as planned, and none was left alone.
 */
export async function provePublications(db: Database, site: typeof sites.$inferSelect): Promise<void> {
  const open = await db.orm
    .select({ id: publications.id })
    .from(publications)
    .innerJoin(editions, eq(editions.id, publications.editionId))
    .where(and(eq(editions.siteId, site.id), eq(publications.state, 'done'), isNull(publications.proven)));
  if (open.length === 0) return;
  const connection = await openConnection(db, site);
  for (const { id } of open) {
    const touched = await db.orm.select().from(steps).where(eq(steps.publicationId, id));
    let proven = touched.length > 0 && (await isWholeEditionIn(db, connection, id));
    for (const step of touched) {
      // A file that something uses by now stays on purpose.
      if (step.state === 'left alone' && step.problem?.code === FILE_KEPT) continue;
      const bytes = await connection.read(step.path).catch(() => null);
      if (step.state !== 'done' || (bytes ? sha256(bytes) : null) !== step.becomesSha) proven = false;
    }
    await db.orm.update(publications).set({ proven }).where(eq(publications.id, id));
  }
}

/** Whether the journal of a publication names every source and every file that its edition is to change. */
async function isWholeEditionIn(
  { pool }: Database,
  connection: ReadableConnection,
  publicationId: number,
): Promise<boolean> {
  const { rows: missing } = await pool.query<{ path: string }>(
    `select wanted.path from publications b
       join changes c on c.edition_id = b.edition_id
       cross join lateral (
         select source_path as path from edits where change_id = c.id
         union select path from new_files where change_id = c.id) wanted
     where b.id = $1 and b.direction = 'publish' and not exists (
       select 1 from steps s where s.publication_id = b.id and s.path = wanted.path)`,
    [publicationId],
  );
  for (const { path } of missing) {
    const file = await fileBehind(connection, path);
    if (file === path) return false;
    const { rowCount } = await pool.query('select 1 from steps where publication_id = $1 and path = $2', [
      publicationId,
      file,
    ]);
    if (rowCount === 0) return false;
  }
  return true;
}
