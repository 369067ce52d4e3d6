import type { Database } from '../../db/database';
import type { sites } from '../../db/schema/sites';
import { storedBytes } from '../../store/store';
import { openConnection } from './site-connection';

/**
 * The bytes of a picture: from the store, or from the site where the store never had them.
 *
 * @param picture.path of the file on the site; `null` for one that is not there
 * @throws ProblemError where neither has them
 */
export async function bytesOfPicture(
  db: Database,
  site: Pick<typeof sites.$inferSelect, 'id' | 'connection'>,
  { sha256, path }: { readonly sha256: string; readonly path: string | null },
): Promise<Uint8Array> {
  try {
    return await storedBytes(sha256);
  } catch (error) {
    if (path === null) throw error;
  }
  const connection = await openConnection(db, site);
  try {
    return await connection.read(path);
  } finally {
    await connection.close();
  }
}
