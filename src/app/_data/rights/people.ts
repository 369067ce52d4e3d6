import 'server-only';
import { dayOfMs, isoDay, partsOf, schoolYearSpan, type Day } from '@/core/dating/day';
import { database } from '@/server/db/database';

/** First and last day of the school year that a day is in. */
export async function schoolYearOf(siteId: number, day: Day): Promise<{ from: string; until: string }> {
  const { rows } = await database().pool.query<{ month: number }>(
    'select school_year_month as month from sites where id = $1',
    [siteId],
  );
  const month = rows[0]?.month ?? 9;
  const parts = partsOf(day);
  const { from, until } = schoolYearSpan(parts.month >= month ? parts.year : parts.year - 1, month);
  return { from: isoDay(from as Day), until: isoDay(until as Day) };
}

export const today = (): Day => dayOfMs(Date.now());

/** How many places show files, and the file of each picture among them that is best looked at. */
export async function picturesOf(siteId: number, files: readonly string[]) {
  const { rows } = await database().pool.query<{
    id: number;
    sha256: string;
    path: string;
    title: string | null;
    places: number;
    pages: number;
  }>(
    `select distinct on (coalesce(f.picture_id, -f.id)) f.id, f.sha256, f.path, p.title,
       (select count(*)::int from placements x join files o on o.site_id = f.site_id and o.path = x.file_path and o.path = any($2::text[])
         where x.site_id = $1 and x.until_survey is null and coalesce(o.picture_id, -o.id) = coalesce(f.picture_id, -f.id)) as places,
       (select count(distinct x.page_path)::int from placements x join files o on o.site_id = f.site_id and o.path = x.file_path and o.path = any($2::text[])
         where x.site_id = $1 and x.until_survey is null and coalesce(o.picture_id, -o.id) = coalesce(f.picture_id, -f.id)) as pages
     from files f left join pictures p on p.id = f.picture_id
     where f.site_id = $1 and f.path = any($2::text[]) and f.gone_in is null
     order by coalesce(f.picture_id, -f.id), f.is_master desc, f.id`,
    [siteId, files],
  );
  return rows;
}

/** How many placements show each of some files. */
export async function placesByFile(siteId: number): Promise<Map<string, number>> {
  const { rows } = await database().pool.query<{ path: string; places: number }>(
    `select file_path as path, count(*)::int as places from placements
     where site_id = $1 and until_survey is null and file_path is not null group by file_path`,
    [siteId],
  );
  return new Map(rows.map(({ path, places }) => [path, places]));
}

/** Ids of everybody who is recorded, to choose from. */
export async function peopleKnown(siteId: number): Promise<string[]> {
  const { rows } = await database().pool.query<{ id: string }>(
    `select distinct id from (
       select body ->> 'id' as id from rights_records where site_id = $1 and kind = 'person'
       union select jsonb_array_elements_text(body -> 'people') from rights_records
         where site_id = $1 and kind = 'shows' and jsonb_typeof(body -> 'people') = 'array') known order by id`,
    [siteId],
  );
  return rows.map(({ id }) => id);
}
