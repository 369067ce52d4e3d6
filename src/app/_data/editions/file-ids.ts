import 'server-only';
import { database } from '@/server/db/database';

/** Numbers of files of a site by their paths; of those that are there. */
export async function fileIds(siteId: number, paths: readonly string[]): Promise<Map<string, number>> {
  const { rows } = await database().pool.query<{ path: string; id: number }>(
    'select path, id from files where site_id = $1 and path = any($2::text[]) and gone_in is null',
    [siteId, [...new Set(paths)]],
  );
  return new Map(rows.map(({ path, id }) => [path, id]));
}
