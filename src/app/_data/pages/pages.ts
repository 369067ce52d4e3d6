import 'server-only';
import { wasReadWhole } from '../read-whole';
import { and, eq } from 'drizzle-orm';
import { database } from '@/server/db/database';
import { pages } from '@/server/db/schema/content';
import { UNDESCRIBED } from '@/server/work/surveys/update-tallies';
import { tsQuery } from '../query';

const PAGE_ROWS = 30;

export const PAGE_FILTERS = ['all', 'missing', 'undescribed', 'new'] as const;
export type PageFilterName = (typeof PAGE_FILTERS)[number];

export const PAGE_ORDERS = ['address', 'reach', 'changed', 'places'] as const;
export type PageOrder = (typeof PAGE_ORDERS)[number];

export interface PageFilter {
  readonly section: string | null;
  readonly query: string;
  readonly filter: PageFilterName;
  readonly order: PageOrder;
  /** From 1. */
  readonly sheet: number;
}

export interface StripPicture {
  readonly sha256: string | null;
  readonly path: string;
  readonly is_undescribed: boolean;
}

export interface PageRow {
  /** Whether all files of the site are known by now, as `wasReadWhole` tells. */
  readonly isFiled: boolean;
  readonly id: number;
  readonly path: string;
  readonly title: string;
  readonly section: string;
  readonly owner: string | null;
  readonly modified_at: Date | null;
  readonly reach: number;
  readonly is_new: boolean;
  readonly pictures: readonly StripPicture[];
  readonly placements: number;
}

const STANDING = 'x.site_id = p.site_id and x.page_path = p.path and x.until_survey is null';

const CONDITION: Readonly<Record<PageFilterName, string>> = {
  all: 'true',
  missing: 'p.missing > 0',
  undescribed: 'p.undescribed > 0',
  new: 'p.is_new',
};

const IS_NEW = 'greatest(p.since_in, p.changed_in) = newest.number and newest.number > 1';

/** Addresses in the order of their letters' numbers: that of a language takes longer, and tells nothing. */
const ORDER: Readonly<Record<PageOrder, string>> = {
  address: 'p.section collate "C", p.path collate "C"',
  reach: 'p.reach desc, p.path collate "C"',
  changed: 'p.modified_at desc nulls last, p.path collate "C"',
  places: 'p.places desc, p.path collate "C"',
};

/** Pages with a strip of the pictures that stand on them, in page order. */
export async function listPages(siteId: number, asked: PageFilter) {
  const { pool } = database();
  // Two ways to find: by the index, and for the others in one pass over short columns.
  const found = `from pages p, (select max(number) as number from surveys where site_id = $1 and state = 'done') newest
    where p.site_id = $1 and p.gone_in is null and ($2::text is null or p.section = $2)
    and ($4 = '' or p.id in (select unnest(pages_with($1, to_tsquery('simple', $3))) where $3 <> '') or p.id in (select id from pages where site_id = $1 and gone_in is null and called like '%' || lower($4) || '%'))`;
  const values = [siteId, asked.section, tsQuery(asked.query), asked.query.replace(/[\\%_]/g, '\\$&')];
  // What is found is gone through once, for the counts and for the sheet.
  const { rows: answers } = await pool.query<{
    counts: Record<PageFilterName, number>;
    listed: Omit<PageRow, 'isFiled'>[] | null;
  }>(
    `with found as materialized (
       select p.id, p.site_id, p.path, p.section, p.modified_at, p.reach, p.places, p.missing, p.undescribed,
         (${IS_NEW}) as is_new ${found}
     ), listed as (
       select * from found p where ${CONDITION[asked.filter]} order by ${ORDER[asked.order]} limit ${PAGE_ROWS} offset $5
     ), rows as (
       select p.id, p.path, (select t.title from pages t where t.id = p.id) as title, p.section, p.modified_at, p.reach, p.is_new, p.places, p.places as placements,
         (select u.name from sections s join "user" u on u.id = s.owner_id where s.site_id = p.site_id and s.pattern = p.section) as owner,
         coalesce((select json_agg(strip) from (
           select f.sha256, x.file_path as path, (${UNDESCRIBED}) as is_undescribed
           from placements x left join files f on f.site_id = x.site_id and f.path = x.file_path
           where ${STANDING} and x.file_path is not null and not x.dormant
             and x.kind in ('img', 'css', 'input', 'poster', 'svg-image', 'object', 'embed', 'attribute-background', 'lazy')
           order by x.ordinal limit 8) strip), '[]') as pictures
       from listed p)
     select (select to_jsonb(c) from (select ${PAGE_FILTERS.map((name) => `count(*) filter (where ${CONDITION[name]}) as "${name}"`).join(', ')} from found p) c) as counts,
       (select json_agg(p order by ${ORDER[asked.order]}) from rows p) as listed`,
    [...values, (asked.sheet - 1) * PAGE_ROWS],
  );
  const counts = answers[0]?.counts;
  const isFiled = await wasReadWhole(siteId);
  const rows: PageRow[] = (answers[0]?.listed ?? []).map((row) => ({
    ...row,
    isFiled,
    modified_at: row.modified_at === null ? null : new Date(row.modified_at),
  }));
  const total = counts?.[asked.filter] ?? 0;
  return { rows, counts, total, sheets: Math.max(1, Math.ceil(total / PAGE_ROWS)) };
}

/** One page, or `null`. */
export async function pageById(siteId: number, id: number) {
  const [page] = await database()
    .orm.select()
    .from(pages)
    .where(and(eq(pages.siteId, siteId), eq(pages.id, id)));
  return page ?? null;
}

export interface FileOfPage {
  readonly id: number;
  readonly path: string;
  readonly sha256: string | null;
  readonly width_px: number | null;
  readonly height_px: number | null;
  readonly size_bytes: string | null;
  readonly near_path: string | null;
}

/** Files of a site by their paths. */
export async function filesByPath(
  siteId: number,
  paths: readonly string[],
): Promise<Map<string, FileOfPage>> {
  const { rows } = await database().pool.query<FileOfPage>(
    `select id, path, sha256, width_px, height_px, size_bytes, near_path from files
     where site_id = $1 and path = any($2::text[]) and gone_in is null`,
    [siteId, paths],
  );
  return new Map(rows.map((file) => [file.path, file]));
}

/** People who can own a section. */
export async function peopleForSections() {
  const { rows } = await database().pool.query<{ id: string; name: string; role: string }>(
    `select id, name, role from "user" where role in ('owner', 'maintainer') order by role desc, name`,
  );
  return rows;
}
