/** After a survey: whether what was published is what the site shows. */
import { and, eq, isNull } from 'drizzle-orm';
import type { Database } from '../../db/database';
import { editions, publications, steps } from '../../db/schema/editions';
import { sites } from '../../db/schema/sites';
import { sha256 } from '../../hash';
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
    let proven = touched.length > 0;
    for (const step of touched) {
      const bytes = await connection.read(step.path).catch(() => null);
      if (step.state !== 'done' || (bytes ? sha256(bytes) : null) !== step.becomesSha) proven = false;
    }
    await db.orm.update(publications).set({ proven }).where(eq(publications.id, id));
  }
}
