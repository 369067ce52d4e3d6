import type { Database } from '../../db/database';
import type { sites } from '../../db/schema/sites';
import { storedBytes } from '../../store/store';
import { openConnection } from './site-connection';

/** Which clip: a file of the site by its path, or one that was brought in by its hash. */
export interface WhichClip {
  readonly path?: string | undefined;
  readonly sha?: string | undefined;
}

/**
 * The bytes of a clip that pages of the site play, or that an edition puts in.
 *
 * @returns with the ending of its name, in lower case; `null` where no page plays such a file
 * @throws ProblemError where the site does not give it
 */
export async function clipBytes(
  db: Database,
  site: Pick<typeof sites.$inferSelect, 'id' | 'connection'>,
  { path = '', sha = '' }: WhichClip,
): Promise<{ readonly bytes: Uint8Array; readonly ending: string } | null> {
  if (sha) {
    const { rows } = await db.pool.query<{ format: string }>(
      'select format from intake where site_id = $1 and sha256 = $2 and width_px = 0 limit 1',
      [site.id, sha],
    );
    return rows[0] ? { bytes: await storedBytes(sha), ending: rows[0].format } : null;
  }
  const { rowCount } = await db.pool.query(
    `select 1 from placements where site_id = $1 and file_path = $2 and kind in ('video', 'audio') limit 1`,
    [site.id, path],
  );
  if (!rowCount) return null;
  const connection = await openConnection(db, site);
  try {
    return { bytes: await connection.read(path), ending: /\.(\w+)$/u.exec(path)?.[1]?.toLowerCase() ?? '' };
  } finally {
    await connection.close();
  }
}
