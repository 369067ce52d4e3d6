import 'server-only';
import { database } from '@/server/db/database';
import { tsQuery } from '../query';
import { ASKED } from './asked-words';

export interface FoundPage {
  readonly id: number;
  readonly path: string;
  readonly title: string;
  readonly places: number;
  readonly reach: number;
  readonly found_in: 'title' | 'address' | 'text' | 'parts';
  /** Of the page’s text the lines around the words. */
  readonly text: string | null;
}

export interface FoundPages {
  readonly all: number;
  readonly rows: readonly FoundPage[];
}

const SHOWN = 12;

/** Words that so large a share of the pages have stand in what all pages have, as a list of links. */
const EVERYWHERE = 0.6;

/**
 * Pages of a site that have some words in their title, their address or their text, in this order; then by reach. Where
 * nearly all pages have them, those are left out that say them no more often than most pages do.
 */
export async function findPages(siteId: number, query: string): Promise<FoundPages> {
  const words = tsQuery(query);
  if (words === '') return { all: 0, rows: [] };
  // What is searched lies beside its rows: it is fetched once for all that is asked of it.
  const { rows } = await database().pool.query<FoundPage & { readonly of_all: number }>(
    `with ${ASKED}, found as (
       select p.id, p.path, p.title, p.places, p.reach, p.words, ts_rank('{0, 1, 0, 0}', v.search, q) as often,
         case when v.search @@ in_a then 'title' when v.search @@ in_b or p.path ilike '%' || $3 || '%' then 'address'
           when v.search @@ in_c then 'text' else 'parts' end as found_in
       from asked, pages p cross join lateral (select p.search || ''::tsvector as search offset 0) v where p.id in (select pages_with($1, to_tsquery('simple', $2))
         union select id from pages where site_id = $1 and gone_in is null and path ilike '%' || $3 || '%')
     ), usual as (
       select count(*) as pages, mode() within group (order by often) as often,
         (select count(*) from pages where site_id = $1 and gone_in is null) as of_site
       from found where found_in in ('text', 'parts')
     ), listed as (
       select found.*, count(*) over ()::int as of_all from found, usual
       where found_in not in ('text', 'parts') or usual.pages < ${EVERYWHERE} * usual.of_site or found.often > usual.often * 1.001
       order by array_position(array['title', 'address', 'text', 'parts'], found_in), reach desc, path limit ${SHOWN}
     )
     select l.id, l.path, l.title, l.places, l.reach, l.found_in, l.of_all,
       case when l.found_in = 'text' then ts_headline('simple', l.words, q, 'StartSel="", StopSel="", MaxWords=24, MinWords=12, MaxFragments=1') end as text
     from listed l, asked
     order by array_position(array['title', 'address', 'text', 'parts'], l.found_in), l.reach desc, l.path`,
    [siteId, words, query.replace(/[\\%_]/g, '\\$&')],
  );
  return { all: rows[0]?.of_all ?? 0, rows };
}
