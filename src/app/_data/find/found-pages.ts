import 'server-only';
import { database } from '@/server/db/database';
import { tsQuery } from '../query';

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
  const { rows } = await database().pool.query<FoundPage & { readonly of_all: number }>(
    `with asked as (select to_tsquery('simple', $2) as q), found as (
       select p.id, p.path, p.title, p.places, p.reach, p.words, ts_rank(ts_filter(p.search, '{c}'), q) as often,
         case when ts_filter(p.search, '{a}') @@ q then 'title' when ts_filter(p.search, '{b}') @@ q or p.path ilike '%' || $3 || '%' then 'address'
           when ts_filter(p.search, '{c}') @@ q then 'text' else 'parts' end as found_in
       from pages p, asked where p.site_id = $1 and p.gone_in is null and (p.search @@ q or p.path ilike '%' || $3 || '%')
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
