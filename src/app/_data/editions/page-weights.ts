import 'server-only';
import { database } from '@/server/db/database';
import { NOT_LOADED } from '@/server/work/surveys/update-tallies';

/** What a reader's browser loads in pictures on a page, each file counted once. */
export interface PageWeight {
  readonly id: number;
  readonly path: string;
  readonly title: string;
  /** Bytes as the site is now, and once the edition is live. */
  readonly before: number;
  readonly after: number;
}

export interface PageWeights {
  /** Pages whose weight changes, how many and the first few: those that change most. */
  readonly pages: number;
  readonly rows: readonly PageWeight[];
  /** Over all of these pages. */
  readonly before: number;
  readonly after: number;
}

const SHOWN = 8;

/** By how much the pages that a draft touches become lighter or heavier. */
export async function pageWeights(siteId: number, editionId: number): Promise<PageWeights> {
  const { rows } = await database().pool.query<
    PageWeight & { pages: number; all_before: number; all_after: number }
  >(
    `with planned as (
       -- A place of a style sheet is planned for each page that it is met on: it is one.
       select distinct one -> 'place' ->> 'source' as source, (one -> 'place' ->> 'start')::int as start, one -> 'rendition' ->> 'path' as path
       from changes c, jsonb_array_elements(c.places) one where c.edition_id = $2
     ), off as (
       select jsonb_array_elements_text(c.placement_ids)::bigint as id from changes c where c.edition_id = $2 and c.takes_off
     ), touched as (
       select x.page_path from placements x join planned n on n.source = x.source_path and n.start = x.start
         where x.site_id = $1 and x.until_survey is null
       union select x.page_path from placements x join off on off.id = x.id
     ), loaded as (
       select x.page_path, f.path as old_path, f.size_bytes as old_bytes, off.id is not null as is_off,
         coalesce(n.path, f.path) as new_path, coalesce(made.size_bytes, there.size_bytes, f.size_bytes) as new_bytes
       from placements x join files f on f.site_id = x.site_id and f.path = x.file_path and f.gone_in is null and f.sha256 is not null
       left join planned n on n.source = x.source_path and n.start = x.start
       left join (select n.path, max(n.size_bytes) as size_bytes from new_files n join changes c on c.id = n.change_id
         where c.edition_id = $2 group by n.path) made on made.path = n.path
       left join files there on there.site_id = $1 and there.path = n.path and there.gone_in is null
       left join off on off.id = x.id
       where x.site_id = $1 and x.until_survey is null and not x.dormant and x.kind not in (${NOT_LOADED})
         and x.page_path in (select page_path from touched)
     ), olds as (
       select page_path, sum(bytes)::float8 as bytes from (select distinct page_path, old_path, old_bytes as bytes from loaded) o group by 1
     ), news as (
       select page_path, sum(bytes)::float8 as bytes from (select distinct page_path, new_path, new_bytes as bytes from loaded where not is_off) o group by 1
     ), changed as (
       select p.id, p.path, p.title, o.bytes as before, coalesce(n.bytes, 0) as after from olds o
       join pages p on p.site_id = $1 and p.path = o.page_path and p.gone_in is null left join news n on n.page_path = o.page_path
       where o.bytes <> coalesce(n.bytes, 0)
     )
     select *, count(*) over ()::int as pages, sum(before) over () as all_before, sum(after) over () as all_after
     from changed order by abs(before - after) desc, path limit ${SHOWN}`,
    [siteId, editionId],
  );
  const [first] = rows;
  return {
    pages: first?.pages ?? 0,
    before: first?.all_before ?? 0,
    after: first?.all_after ?? 0,
    rows: rows.map(({ id, path, title, before, after }) => ({ id, path, title, before, after })),
  };
}
