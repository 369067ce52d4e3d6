import type { ClientBase } from 'pg';

/** SQL: whether the placement `x` shows a picture that nobody described, though it is no decoration. */
export const UNDESCRIBED = `x.kind in ('img', 'input', 'area', 'drawn', 'object') and x.alt is null and x.name = '' and not x.decorative`;

/** SQL: kinds that a reader's browser does not load for the page itself, or loads one of many for. */
export const NOT_LOADED = `'link', 'meta', 'json-ld', 'manifest', 'icon', 'srcset', 'source', 'noscript', 'video', 'audio'`;

/** SQL: what parts words in names and addresses, and the spaces that are put in its place. */
const BREAKS = `'/-_.?=&', '       '`;

/**
 * Adds up, after a survey, what lists ask of every page and every picture, so that no list has to go through all the
 * places of a site.
 */
export async function updateTallies(client: Pick<ClientBase, 'query'>, siteId: number): Promise<void> {
  await client.query(
    `with standing as (
       select x.page_path, x.file_path, x.kind, x.dormant, (${UNDESCRIBED}) as undescribed, f.id, f.sha256, f.problem, f.size_bytes
       from placements x left join files f on f.site_id = x.site_id and f.path = x.file_path and f.gone_in is null
       where x.site_id = $1 and x.until_survey is null
     ), counted as (
       select page_path, count(*)::int as places, count(*) filter (where undescribed)::int as undescribed,
         count(*) filter (where id is not null and sha256 is null and problem is null)::int as missing
       from standing group by page_path
     ), weighed as (
       select page_path, sum(size_bytes)::bigint as bytes, count(*)::int as files,
         (array_agg(id order by size_bytes desc))[1] as heaviest
       from (select distinct page_path, id, size_bytes from standing
         where id is not null and sha256 is not null and not dormant and kind not in (${NOT_LOADED})) once
       group by page_path
     ), t as (
       select p.id, coalesce(c.places, 0) as places, coalesce(c.undescribed, 0) as undescribed,
         coalesce(c.missing, 0) as missing, coalesce(w.bytes, 0) as bytes, coalesce(w.files, 0) as files, w.heaviest
       from pages p left join counted c on c.page_path = p.path left join weighed w on w.page_path = p.path
       where p.site_id = $1
     )
     update pages p set places = t.places, undescribed = t.undescribed, missing = t.missing, picture_bytes = t.bytes,
       picture_files = t.files, heaviest_id = t.heaviest
     from t where t.id = p.id and (p.places, p.undescribed, p.missing, p.picture_bytes, p.picture_files, p.heaviest_id)
       is distinct from (t.places, t.undescribed, t.missing, t.bytes, t.files, t.heaviest)`,
    [siteId],
  );
  await client.query(
    `with used as (
       select x.file_path, count(*)::int as uses, count(*) filter (where not x.dormant)::int as places,
         count(*) filter (where ${UNDESCRIBED})::int as undescribed,
         count(distinct x.page_path) filter (where not x.dormant)::int as pages,
         to_jsonb((array_agg(distinct x.page_path) filter (where not x.dormant))[1:5]) as first_pages,
         mode() within group (order by x.alt) filter (where x.alt <> '') as words,
         left(string_agg(distinct concat_ws(' ', x.alt, x.caption), ' '), 20000) as said,
         left(string_agg(distinct x.page_path, ' '), 20000) as on_pages
       from placements x where x.site_id = $1 and x.until_survey is null and x.file_path is not null group by x.file_path
     ), t as (
       select f.id, coalesce(u.uses, 0) as uses, coalesce(u.places, 0) as places, coalesce(u.undescribed, 0) as undescribed,
         coalesce(u.pages, 0) as pages, coalesce(u.first_pages, '[]') as first_pages, u.words,
         setweight(to_tsvector('simple', translate(coalesce(u.said, ''), ${BREAKS})), 'A') || setweight(to_tsvector('simple', translate(f.path, ${BREAKS})), 'B')
           || setweight(to_tsvector('simple', translate(coalesce(u.on_pages, ''), ${BREAKS})), 'D') as search
       from files f left join used u on u.file_path = f.path where f.site_id = $1
     )
     update files f set uses = t.uses, places = t.places, undescribed = t.undescribed, words = t.words, search = t.search,
       pages = t.pages, first_pages = t.first_pages
     from t where t.id = f.id and (f.uses, f.places, f.undescribed, f.words, f.search, f.first_pages, f.pages)
       is distinct from (t.uses, t.places, t.undescribed, t.words, t.search, t.first_pages, t.pages)`,
    [siteId],
  );
}
