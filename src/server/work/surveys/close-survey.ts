/** The end of a survey: what is gone, what has moved, and how it differs from the one before. */
import type { PoolClient } from 'pg';
import type { SurveyCounts } from '../../db/schema/sites';

interface At {
  readonly siteId: number;
  readonly survey: number;
}

/** Marks pages that are no longer there and ends their placements; a new page with their very bytes is them, moved. */
export async function closeGonePages(
  client: PoolClient,
  { siteId, survey }: At,
  paths: readonly string[],
): Promise<void> {
  const { rows } = await client.query<{ path: string }>(
    `update pages set gone_in = $2 where site_id = $1 and gone_in is null and not (path = any($3::text[])) returning path`,
    [siteId, survey, paths],
  );
  if (rows.length === 0) return;
  await client.query(
    'update placements set until_survey = $2 where site_id = $1 and until_survey is null and page_path = any($3::text[])',
    [siteId, survey, rows.map(({ path }) => path)],
  );
  await client.query(
    `update pages now set moved_from = old.path
     from (select distinct on (sha256) sha256, path from pages where site_id = $1 and gone_in = $2 order by sha256, path) old
     where now.site_id = $1 and now.since_in = $2 and now.gone_in is null and now.sha256 = old.sha256`,
    [siteId, survey],
  );
}

/** Ends what style sheets that are no longer there say of no page: rules that met nothing stand under their sheet's own path. */
export async function closeGoneSheets(
  client: PoolClient,
  { siteId, survey }: At,
  sheets: readonly string[],
): Promise<void> {
  await client.query(
    `update placements x set until_survey = $2
     where x.site_id = $1 and x.until_survey is null and x.dormant and not (x.page_path = any($3::text[]))
       and not exists (select 1 from pages p where p.site_id = x.site_id and p.path = x.page_path and p.gone_in is null)`,
    [siteId, survey, sheets],
  );
}

type Difference = Required<
  Pick<
    SurveyCounts,
    'newPages' | 'gonePages' | 'newPlacements' | 'gonePlacements' | 'changedPlacements' | 'movedPlacements'
  >
>;

/** Counts what a survey found new, gone, changed and moved. Placements of pages that moved count with their page. */
export async function countDifference(client: PoolClient, { siteId, survey }: At): Promise<Difference> {
  const { rows } = await client.query<Difference>(
    `with moved as (
       select path, moved_from from pages where site_id = $1 and since_in = $2 and moved_from is not null
     ), now as (
       select page_path, thread, coalesce(file_path, url, raw) as shows, alt, caption from placements
       where site_id = $1 and since_survey = $2 and until_survey is null
         and page_path not in (select path from moved)
     ), old as (
       select page_path, thread, coalesce(file_path, url, raw) as shows, alt, caption from placements
       where site_id = $1 and until_survey = $2 and page_path not in (select moved_from from moved)
     ), joined as (
       select n.thread as n, o.thread as o,
         (n.shows, n.alt, n.caption) is distinct from (o.shows, o.alt, o.caption) as differs
       from now n full join old o on o.page_path = n.page_path and o.thread = n.thread
     )
     select
       (select count(*)::int from pages where site_id = $1 and since_in = $2 and moved_from is null) as "newPages",
       (select count(*)::int from pages where site_id = $1 and gone_in = $2
          and path not in (select moved_from from moved)) as "gonePages",
       (select count(*)::int from joined where o is null) as "newPlacements",
       (select count(*)::int from joined where n is null) as "gonePlacements",
       (select count(*)::int from joined where n is not null and o is not null and differs) as "changedPlacements",
       (select count(*)::int from joined where n is not null and o is not null and not differs) as "movedPlacements"`,
    [siteId, survey],
  );
  return rows[0] as Difference;
}
