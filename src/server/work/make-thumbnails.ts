import { eq } from 'drizzle-orm';
import type { Database } from '../db/database';
import { sites } from '../db/schema/sites';
import { makeThumbnail } from '../imaging/make-rendition';
import { hasDerived, storeDerived } from '../store/store';
import { openConnection } from './site-connection';

/** Makes the small pictures that lists show, for those files of a site that have none. One that fails is passed over. */
export async function makeThumbnails(db: Database, siteId: number): Promise<void> {
  const [site] = await db.orm.select().from(sites).where(eq(sites.id, siteId));
  if (!site) return;
  const connection = await openConnection(db, site);
  const { rows } = await db.pool.query<{ id: number; path: string; sha256: string }>(
    'select id, path, sha256 from files where site_id = $1 and gone_in is null and sha256 is not null and problem is null',
    [siteId],
  );
  for (const file of rows) {
    if (await hasDerived(file.sha256, 'thumbnail')) continue;
    try {
      await storeDerived(file.sha256, 'thumbnail', await makeThumbnail(await connection.read(file.path)));
    } catch (error) {
      const message = error instanceof Error ? error.message : String(error);
      await db.pool.query('update files set problem = $2 where id = $1', [
        file.id,
        `Its picture can’t be shown: ${message}`,
      ]);
    }
  }
}
