import 'server-only';
import { database } from '@/server/db/database';
import { havePictureRows } from '@/server/work/pictures/picture-rows';
import { tsQuery } from '../query';

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

/** SQL: the words of parameter 2 as a text search in one part of what is known of a file, by its weight. */
const inPart = (weight: 'A' | 'B' | 'D') => `to_tsquery('simple', replace($2, ':*', ':*${weight}'))`;

/** SQL: numbers of rows of the list of pictures whose files say the words there, of the files that say them anywhere. */
const saidIn = (part: FoundIn) => `select unnest(keys) from saying where found_in = '${part}'`;

/** SQL: numbers of rows of the list of pictures that have the words of parameter 2 there. */
const KEYS: Readonly<Record<FoundIn, string>> = {
  title: `select p.id from pictures p where p.site_id = $1 and p.title is not null and to_tsvector('simple', p.title) @@ to_tsquery('simple', $2)`,
  subject: `select f.picture_id from subjects s join picture_subjects ps on ps.site_id = s.site_id and ps.subject_id = s.id
    join files f on f.site_id = s.site_id and f.sha256 = ps.sha256 and f.gone_in is null
    where s.site_id = $1 and f.picture_id is not null and to_tsvector('simple', s.name) @@ to_tsquery('simple', $2)`,
  words: saidIn('words'),
  name: `${saidIn('name')} union all
    select coalesce(f.picture_id, -f.id) from files f where f.site_id = $1 and f.gone_in is null and f.called like '%' || lower($3) || '%'`,
  picture: `select f.picture_id from files f join readings t on t.sha256 = f.sha256
    where f.site_id = $1 and f.gone_in is null and f.picture_id is not null and to_tsvector('simple', t.text) @@ to_tsquery('simple', $2)`,
  parts: saidIn('parts'),
  page: saidIn('page'),
};

/** SQL: the pages that show a picture that was found. Asked only of those that have as many places. */
const PAGES = `(select coalesce(p.pages, m.pages) from files m left join pictures p on p.id = m.picture_id where m.id = found.file_id)`;

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
    `with asked as (select to_tsquery('simple', $2) as q),
     saying as materialized (
       select keys, found_in from files_saying($1, to_tsquery('simple', $2), ${inPart('A')}, ${inPart('B')}, ${inPart('D')})
     ), looked_at as materialized (
       select g.key, g.file_id, g.picture_id, g.path, g.title, g.places,
         case ${FOUND_IN.map((part, place) => `when g.key in (${KEYS[part]}) then ${place + 1}`).join(' ')} end as place
       from picture_rows g where g.site_id = $1
     ), found as (
       select * from looked_at where place is not null
     ), size as materialized (
       select greatest(2, ${FURNITURE} * count(*))::float8 as furniture from pages where site_id = $1 and gone_in is null
     ), listed as (
       select found.*, row_number() over () as standing from (
         select found.* from found, size
         order by place > 1 and places > furniture and ${PAGES} > furniture, place, places desc, path collate "C" limit ${SHOWN}) found
     )
     select m.id, m.path, m.sha256, l.title, coalesce(p.words, m.words) as words, l.places, coalesce(p.pages, m.pages) as pages,
       ($4::text[])[l.place] as found_in, (select count(*)::int from found) as of_all, x.page,
       case ($4::text[])[l.place] when 'title' then l.title when 'words' then x.said
         when 'subject' then (select min(s.name) from picture_subjects ps join subjects s on s.id = ps.subject_id and s.site_id = $1
           where ps.site_id = $1 and ps.sha256 = any(o.shas) and to_tsvector('simple', s.name) @@ q)
         when 'picture' then (select min(t.text) from readings t where t.sha256 = any(o.shas) and to_tsvector('simple', t.text) @@ q)
         when 'name' then coalesce(o.named, m.path) else coalesce(o.having, m.path) end as text
     from asked, listed l join files m on m.id = l.file_id left join pictures p on p.id = l.picture_id
     cross join lateral (
       select array_agg(f.sha256) as shas, min(f.path) filter (where f.search @@ q) as having,
         min(f.path) filter (where f.called like '%' || lower($3) || '%' or f.search @@ ${inPart('B')}) as named
       from files f where f.gone_in is null and (f.picture_id = l.picture_id or f.id = l.file_id)) o
     left join lateral (
       select s.said, s.page from files f cross join lateral (
         select concat_ws(' · ', nullif(x.alt, ''), nullif(x.caption, '')) as said, x.page_path, x.ordinal,
           jsonb_build_object('id', g.id, 'title', g.title, 'path', g.path) as page
         from placements x join pages g on g.site_id = x.site_id and g.path = x.page_path and g.gone_in is null
         where x.site_id = $1 and x.file_path = f.path and x.until_survey is null and not x.dormant
           and case ($4::text[])[l.place] when 'words' then to_tsvector('simple', concat_ws(' ', x.alt, x.caption)) @@ q
             when 'page' then to_tsvector('simple', translate(x.page_path, '/-_.?=&', '       ')) @@ q else true end
         order by x.page_path, x.ordinal limit 1) s
       where f.gone_in is null and (f.picture_id = l.picture_id or f.id = l.file_id) order by s.page_path, s.ordinal limit 1) x on true
     order by l.standing`,
    [siteId, words, query.replace(/[\\%_]/g, '\\$&'), FOUND_IN],
  );
  return { all: rows[0]?.of_all ?? 0, rows };
}
