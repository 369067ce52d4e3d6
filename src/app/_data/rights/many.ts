import 'server-only';
import { database } from '@/server/db/database';

/** A folder, or somebody whom files name as their maker, with how many of its pictures nobody can say anything of. */
export interface UnknownLot {
  readonly name: string;
  readonly pictures: number;
}

const MOST_LOTS = 6;
/** Pictures of which source or licence is unknown, each by the file that stands for it. */
const UNKNOWN = `
  select distinct on (f.picture_id) f.picture_id, f.path, f.sha256 from files f
  where f.site_id = $1 and f.gone_in is null and f.is_master and exists (
    select 1 from files g join rights_answers a on a.site_id = g.site_id and a.file_path = g.path
    where g.site_id = f.site_id and g.picture_id = f.picture_id and g.gone_in is null
      and a.because ?| '{source-unknown,licence-unknown}')
  order by f.picture_id, f.id`;

/** Where one record may settle many: folders and makers with more than one picture of unknown origin, the largest first. */
export async function unknownLots(
  siteId: number,
): Promise<{ readonly folders: readonly UnknownLot[]; readonly makers: readonly UnknownLot[] }> {
  const { pool } = database();
  const [folders, makers] = await Promise.all([
    pool.query<UnknownLot>(
      `select regexp_replace(path, '/[^/]*$', '') as name, count(*)::int as pictures from (${UNKNOWN}) u
       where path like '%/%' group by 1 having count(*) > 1 order by 2 desc, 1 limit ${MOST_LOTS}`,
      [siteId],
    ),
    pool.query<UnknownLot>(
      `select l.metadata ->> 'creator' as name, count(*)::int as pictures from (${UNKNOWN}) u
       join looks l on l.sha256 = u.sha256 where l.metadata ->> 'creator' <> ''
       group by 1 having count(*) > 1 order by 2 desc, 1 limit ${MOST_LOTS}`,
      [siteId],
    ),
  ]);
  return { folders: folders.rows, makers: makers.rows };
}

/** Owners of sections, by number and name. */
export async function ownersOfSections(
  siteId: number,
): Promise<{ readonly id: string; readonly name: string }[]> {
  const { rows } = await database().pool.query<{ id: string; name: string }>(
    `select distinct u.id, u.name from sections s join "user" u on u.id = s.owner_id where s.site_id = $1 order by u.name`,
    [siteId],
  );
  return rows;
}
