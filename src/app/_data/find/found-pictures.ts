import 'server-only';
import { database } from '@/server/db/database';
import { havePictureRows } from '@/server/work/pictures/picture-rows';
import { tsQuery } from '../query';
import { ASKED } from './asked-words';

/** Where a word was found, the weightiest first; `parts`: some of the words here, the others there. */
const FOUND_IN = ['title', 'subject', 'words', 'name', 'picture', 'parts', 'page'] as const;
export type FoundIn = (typeof FOUND_IN)[number];

export interface FoundPicture {
  /** Number of the file that stands for the picture. */
  readonly id: number;
  readonly path: string;
  readonly sha256: string | null;
  readonly title: string | null;
  /** The alt text that most places give it. */
  readonly words: string | null;
  readonly places: number;
  readonly pages: number;
  readonly found_in: FoundIn;
  /** What stands there: the title, the subject, what is written in the picture, its path; of its words those of one place. */
  readonly text: string | null;
  /** The page of that place, or one that it stands on. */
  readonly page: { readonly id: number; readonly title: string; readonly path: string } | null;
}

export interface FoundPictures {
  readonly all: number;
  readonly rows: readonly FoundPicture[];
}

const SHOWN = 12;
/** What stands on so large a share of the pages is furniture: whoever looks for a word does not mean it. */
const FURNITURE = 0.25;

/**
 * Pictures of a site that something speaks of in some words, the weightiest place first; furniture last.
 *
 * @param query each word as the beginning of one, all of them wanted
 */
export async function findPictures(siteId: number, query: string): Promise<FoundPictures> {
  const words = tsQuery(query);
  if (words === '') return { all: 0, rows: [] };
  await havePictureRows(database(), siteId);
  const { rows } = await database().pool.query<FoundPicture & { readonly of_all: number }>(
    `with ${ASKED},
     hits as (
       select p.id as key, 'title' as found_in, p.title as text from pictures p, asked
         where p.site_id = $1 and p.title is not null and to_tsvector('simple', p.title) @@ q
       union all select f.picture_id, 'subject', s.name from subjects s join picture_subjects ps on ps.site_id = s.site_id and ps.subject_id = s.id
         join files f on f.site_id = s.site_id and f.sha256 = ps.sha256 and f.gone_in is null, asked
         where s.site_id = $1 and f.picture_id is not null and to_tsvector('simple', s.name) @@ q
       union all select coalesce(f.picture_id, -f.id), case when f.search @@ in_a then 'words' when f.search @@ in_b then 'name'
           when f.search @@ in_d then 'page' else 'parts' end, f.path from files f, asked
         where f.id in (select files_with($1, to_tsquery('simple', $2)))
       union all select coalesce(f.picture_id, -f.id), 'name', f.path from files f where f.site_id = $1 and f.gone_in is null and f.path ilike '%' || $3 || '%'
       union all select f.picture_id, 'picture', t.text from files f join readings t on t.sha256 = f.sha256, asked
         where f.site_id = $1 and f.gone_in is null and f.picture_id is not null and to_tsvector('simple', t.text) @@ q
     ), best as (
       select distinct on (key) key, found_in, text, array_position($4::text[], found_in) as place from hits order by key, place, text
     ), size as (select greatest(1, count(*)) as pages from pages where site_id = $1 and gone_in is null),
     listed as (
       select m.id, m.path, m.sha256, p.title, coalesce(p.words, m.words) as words, g.places, coalesce(p.pages, m.pages) as pages,
         b.found_in, b.text, m.picture_id, count(*) over ()::int as of_all,
         row_number() over (order by (coalesce(p.pages, m.pages) > 2 and coalesce(p.pages, m.pages) > ${FURNITURE} * size.pages and b.found_in <> 'title'), b.place, g.places desc, m.path) as standing
       from best b join picture_rows g on g.site_id = $1 and g.key = b.key join files m on m.id = g.file_id left join pictures p on p.id = m.picture_id, size
       order by standing limit ${SHOWN}
     )
     select l.id, l.path, l.sha256, l.title, l.words, l.places, l.pages, l.found_in, l.of_all,
       case when l.found_in = 'words' then x.said else l.text end as text, x.page
     from listed l left join lateral (
       select s.said, s.page from files f cross join lateral (
         select concat_ws(' · ', nullif(x.alt, ''), nullif(x.caption, '')) as said, x.page_path, x.ordinal,
           jsonb_build_object('id', g.id, 'title', g.title, 'path', g.path) as page
         from placements x join pages g on g.site_id = x.site_id and g.path = x.page_path and g.gone_in is null, asked
         where x.site_id = $1 and x.file_path = f.path and x.until_survey is null and not x.dormant
           and case l.found_in when 'words' then to_tsvector('simple', concat_ws(' ', x.alt, x.caption)) @@ q
             when 'page' then to_tsvector('simple', translate(x.page_path, '/-_.?=&', '       ')) @@ q else true end
         order by x.page_path, x.ordinal limit 1) s
       where f.gone_in is null and (f.picture_id = l.picture_id or f.id = l.id) order by s.page_path, s.ordinal limit 1) x on true
     order by l.standing`,
    [siteId, words, query.replace(/[\\%_]/g, '\\$&'), FOUND_IN],
  );
  return { all: rows[0]?.of_all ?? 0, rows };
}
