import type { PlaceBefore } from '@/core/errata/page-to-check';
import type { Database } from '../../db/database';

/**
 * What stood at places of some pages when they last showed another picture, by the number of the placement now. Another
 * file of the same picture is no other picture, and neither is the same file under another name.
 */
export async function placesBefore(
  db: Database,
  siteId: number,
  paths: readonly string[],
): Promise<Map<number, PlaceBefore>> {
  const underNewNames = await swapped(db, siteId, paths);
  const underSameNames = await overwritten(db, siteId, paths);
  const all = [...underNewNames, ...underSameNames].sort((a, b) => a.survey - b.survey);
  return new Map(all.map(({ id, ...before }) => [Number(id), before]));
}

type Row = PlaceBefore & { readonly id: string };

/** Places that show another file than before. */
async function swapped({ pool }: Database, siteId: number, paths: readonly string[]): Promise<Row[]> {
  const { rows } = await pool.query<Row>(
    `select distinct on (x.id) x.id, o.until_survey as survey, o.file_path as path, o.alt, o.caption
     from placements o join placements x on x.site_id = o.site_id and x.page_path = o.page_path and x.thread = o.thread and x.until_survey is null
     left join files f on f.site_id = o.site_id and f.path = o.file_path
     left join files g on g.site_id = x.site_id and g.path = x.file_path
     where o.site_id = $1 and o.page_path = any($2::text[]) and o.until_survey is not null and not o.dormant
       and o.file_path is not null and x.file_path is not null and o.file_path <> x.file_path
       and f.sha256 is distinct from g.sha256 and (f.picture_id is null or f.picture_id is distinct from g.picture_id)
     order by x.id, o.until_survey desc`,
    [siteId, paths],
  );
  return rows;
}

/** Places whose file got other bytes under its name, with the words that stood there then. */
async function overwritten({ pool }: Database, siteId: number, paths: readonly string[]): Promise<Row[]> {
  // Asked first, since there are mostly none: the places of a whole site are not gone through for nothing.
  const { rows: others } = await pool.query<{ path: string }>(
    'select path from files where site_id = $1 and gone_in is null and replaced_alike = false',
    [siteId],
  );
  if (others.length === 0) return [];
  const { rows } = await pool.query<Row>(
    `select distinct on (x.id) x.id, f.replaced_in as survey, f.path, o.alt, o.caption
     from files f join placements x on x.site_id = f.site_id and x.file_path = f.path and x.until_survey is null and not x.dormant
     join placements o on o.site_id = x.site_id and o.page_path = x.page_path and o.thread = x.thread and o.file_path = x.file_path
       and o.since_survey < f.replaced_in and (o.until_survey is null or o.until_survey >= f.replaced_in)
     where f.site_id = $1 and f.path = any($3::text[]) and x.page_path = any($2::text[])
     order by x.id, o.since_survey desc`,
    [siteId, paths, others.map(({ path }) => path)],
  );
  return rows;
}
