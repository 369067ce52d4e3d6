import 'server-only';
import { and, eq } from 'drizzle-orm';
import { database } from '@/server/db/database';
import { surveys } from '@/server/db/schema/sites';

const SHOWN = 200;

/** One survey by its number, or `null`. */
export async function surveyByNumber(siteId: number, number: number) {
  const [survey] = await database()
    .orm.select()
    .from(surveys)
    .where(and(eq(surveys.siteId, siteId), eq(surveys.number, number)));
  return survey ?? null;
}

export interface ChangedPage {
  readonly id: number;
  readonly path: string;
  readonly title: string;
  readonly what: 'new' | 'gone' | 'moved' | 'changed';
  readonly moved_from: string | null;
}

export interface ChangedPlace {
  readonly what: 'new' | 'gone' | 'changed' | 'moved';
  readonly page_id: number | null;
  readonly page_path: string;
  readonly kind: string;
  readonly line: number;
  readonly was: PlaceState | null;
  readonly now: PlaceState | null;
}

interface PlaceState {
  readonly shows: string;
  readonly sha: string | null;
  readonly alt: string | null;
  readonly caption: string | null;
}

/** What a survey found new, gone, moved and changed since the one before; at most 200 of each. */
export async function differenceOf(siteId: number, number: number) {
  const { pool } = database();
  const { rows: pages } = await pool.query<ChangedPage>(
    `select id, path, title, moved_from,
       case when gone_in = $2 then 'gone' when since_in = $2 and moved_from is not null then 'moved'
         when since_in = $2 then 'new' else 'changed' end as what
     from pages p where site_id = $1 and (gone_in = $2 or since_in = $2 or changed_in = $2)
       and not (gone_in = $2 and exists (select 1 from pages n where n.site_id = $1 and n.since_in = $2 and n.moved_from = p.path))
     order by what, path limit ${SHOWN}`,
    [siteId, number],
  );
  const state = (row: string) =>
    `case when ${row}.thread is null then null else json_build_object('shows', coalesce(${row}.file_path, ${row}.url, ${row}.raw),
       'sha', (select sha256 from files f where f.site_id = $1 and f.path = ${row}.file_path), 'alt', ${row}.alt, 'caption', ${row}.caption) end`;
  const { rows: places } = await pool.query<ChangedPlace>(
    `with moved as (select path, moved_from from pages where site_id = $1 and since_in = $2 and moved_from is not null),
       n as (select * from placements where site_id = $1 and since_survey = $2 and page_path not in (select path from moved)),
       o as (select * from placements where site_id = $1 and until_survey = $2 and page_path not in (select moved_from from moved)),
       joined as (
         select case when o.id is null then 'new' when n.id is null then 'gone'
             when (coalesce(n.file_path, n.url, n.raw), n.alt, n.caption) is distinct from (coalesce(o.file_path, o.url, o.raw), o.alt, o.caption)
             then 'changed' else 'moved' end as what,
           coalesce(n.page_path, o.page_path) as page_path, coalesce(n.kind, o.kind) as kind, coalesce(n.line, o.line) as line,
           coalesce(n.ordinal, o.ordinal) as ordinal, ${state('o')} as was, ${state('n')} as now
         from n full join o on o.page_path = n.page_path and o.thread = n.thread)
     select j.*, (select id from pages p where p.site_id = $1 and p.path = j.page_path) as page_id
     from joined j order by array_position(array['gone', 'changed', 'new', 'moved'], what), page_path, ordinal limit ${SHOWN}`,
    [siteId, number],
  );
  return { pages, places };
}

/** Addresses of a live site that a survey found to lead on to others; at most 200. */
export async function ledOn(siteId: number, number: number) {
  const { rows } = await database().pool.query<{ url: string; final_url: string; from_url: string | null }>(
    `select url, final_url, from_url from addresses where site_id = $1 and read_in = $2 and final_url <> url
     order by url limit ${SHOWN}`,
    [siteId, number],
  );
  return rows;
}
