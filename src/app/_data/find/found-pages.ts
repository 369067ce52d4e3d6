import 'server-only';
import { database } from '@/server/db/database';
import { tsQuery } from '../query';

export interface FoundPage {
  readonly id: number;
  readonly path: string;
  readonly title: string;
  readonly places: number;
  readonly reach: number;
  /** `text`: all of the words there, or some there and the others in its title or address. */
  readonly found_in: 'title' | 'address' | 'text';
  /** Of the page’s text the lines around the words. */
  readonly text: string | null;
}

export interface FoundPages {
  /** Pages that have the words; where nearly all have them, those that say them where others don't, or more often. */
  readonly all: number;
  /** There may be more: not all pages of a large site were looked through for saying them more often. */
  readonly isAtLeast: boolean;
  readonly isEverywhere: boolean;
  /** Pages that have the words, as the list of pages counts them. */
  readonly inList: number;
  readonly rows: readonly FoundPage[];
}

const SHOWN = 12;

/** Words that so large a share of the pages have stand in what all pages have, as a list of links. */
const EVERYWHERE = 0.6;
/** From so many pages it is told how often most pages say such words. */
const SAMPLED = 200;
/** So many pages, those with most readers, are looked through for saying them more often: what is searched lies beside its row. */
const LOOKED_THROUGH = 1000;

/** How often a page's text says the words of a query, as a number to compare. Its title and address count for nothing. */
const OFTEN = `(select ts_rank('{0, 1, 0, 0}', p.search, to_tsquery('simple', $2)) from pages p where p.id = found.id)`;

const NOTHING: FoundPages = { all: 0, isAtLeast: false, isEverywhere: false, inList: 0, rows: [] };

/**
 * Pages of a site that have some words in their title, their address or their text, in this order; then by reach. Where
 * nearly all pages have them, those are left out that say them no more often than most pages do.
 */
export async function findPages(siteId: number, query: string): Promise<FoundPages> {
  const words = tsQuery(query);
  if (words === '') return NOTHING;
  const { rows } = await database().pool.query<FoundPages>(
    `with looked_at as materialized (
       select p.id, p.path, p.reach, case when p.id in (select unnest(pages_titled($1, to_tsquery('simple', $2)))) then 'title'
         when p.id in (select unnest(pages_called($1, to_tsquery('simple', $2)))) or p.id in (select id from pages where site_id = $1 and gone_in is null and called like '%' || lower($3) || '%') then 'address'
         when p.id in (select unnest(pages_with($1, to_tsquery('simple', $2)))) then 'text' end as found_in
       from pages p where p.site_id = $1 and p.gone_in is null
     ), found as (
       select * from looked_at where found_in is not null
     ), counted as materialized (
       select count(*)::int as of_all, count(*) filter (where found_in = 'text')::int as in_text,
         count(*) filter (where found_in = 'text') >= ${EVERYWHERE} * (select count(*) from looked_at) as is_everywhere
       from found
     ), usual as materialized (
       select mode() within group (order by often) as often from (
         select ${OFTEN} as often from (select id from found where found_in = 'text' order by hashint4(id) limit ${SAMPLED}) found) sampled
     ), by_reach as (
       select * from found where found_in = 'text' order by reach desc, path collate "C" limit ${LOOKED_THROUGH}
     ), telling as materialized (
       select found.* from by_reach found, counted, usual where is_everywhere and ${OFTEN} > usual.often * 1.001
     ), listed as (
       (select * from found where found_in <> 'text' order by found_in = 'address', reach desc, path collate "C" limit ${SHOWN})
       union all (select found.* from by_reach found, counted where not is_everywhere limit ${SHOWN})
       union all (select * from telling order by reach desc, path collate "C" limit ${SHOWN})
     )
     select of_all as "inList", is_everywhere as "isEverywhere", is_everywhere and in_text > ${LOOKED_THROUGH} as "isAtLeast",
       case when is_everywhere then of_all - in_text + (select count(*)::int from telling) else of_all end as all,
       (select coalesce(jsonb_agg(l order by array_position(array['title', 'address', 'text'], found_in), reach desc, path collate "C"), '[]') from (
         select l.id, l.path, p.title, p.places, l.reach, l.found_in, case when l.found_in = 'text' then
           ts_headline('simple', p.words, to_tsquery('simple', $2), 'StartSel="", StopSel="", MaxWords=24, MinWords=12, MaxFragments=1') end as text
         from (select * from listed order by array_position(array['title', 'address', 'text'], found_in), reach desc, path collate "C" limit ${SHOWN}) l
         join pages p on p.id = l.id) l) as rows
     from counted`,
    [siteId, words, query.replace(/[\\%_]/g, '\\$&')],
  );
  return rows[0] ?? NOTHING;
}
