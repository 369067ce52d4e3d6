import 'server-only';
import { and, asc, desc, eq, inArray, isNull } from 'drizzle-orm';
import { database } from '@/server/db/database';
import { files, placements } from '@/server/db/schema/content';
import { intake } from '@/server/db/schema/editions';
import { tsQuery } from './query';

const PICTURE_ROWS = 25;

export const PICTURE_FILTERS = ['all', 'used', 'unused', 'missing', 'undescribed'] as const;
export type PictureFilter = (typeof PICTURE_FILTERS)[number];

export const PICTURE_ORDERS = ['places', 'reach', 'name', 'weight'] as const;
export type PictureOrder = (typeof PICTURE_ORDERS)[number];

export interface PictureQuery {
  readonly filter: PictureFilter;
  readonly order: PictureOrder;
  readonly query: string;
  readonly section: string | null;
  /** From 1. */
  readonly sheet: number;
}

export interface PictureRow {
  readonly id: number;
  readonly path: string;
  readonly sha256: string | null;
  readonly size_bytes: number | null;
  readonly width_px: number | null;
  readonly height_px: number | null;
  readonly problem: string | null;
  readonly places: number;
  readonly reach: number;
  /** The first few pages that show it, and how many there are. */
  readonly pages: readonly string[];
  readonly page_count: number;
  readonly undescribed: number;
  /** The alt text that most places give it. */
  readonly words: string | null;
}

const CONDITION: Readonly<Record<PictureFilter, string>> = {
  all: 'true',
  used: 'places > 0',
  unused: 'uses = 0 and sha256 is not null',
  missing: 'sha256 is null',
  undescribed: 'undescribed > 0',
};

const ORDER: Readonly<Record<PictureOrder, string>> = {
  places: 'places desc, path',
  reach: 'reach desc, path',
  name: 'path',
  weight: 'size_bytes desc nulls last, path',
};

/** The concordance: pictures and where they stand, filtered and sorted in the database. */
export async function listPictures(siteId: number, asked: PictureQuery) {
  const { pool } = database();
  const found = `from files f where f.site_id = $1 and f.gone_in is null
    and ($2 = '' or f.id in (
      select id from files where site_id = $1 and $4 <> '' and search @@ to_tsquery('simple', $4)
      union select id from files where site_id = $1 and path ilike '%' || $2 || '%'))
    and ($3::text is null or f.path in (
      select s.file_path from placements s join pages p on p.site_id = s.site_id and p.path = s.page_path
      where s.site_id = $1 and s.until_survey is null and p.section = $3))`;
  const values = [siteId, asked.query.replace(/[\\%_]/g, '\\$&'), asked.section, tsQuery(asked.query)];
  const columns = `f.id, f.path, f.sha256, f.size_bytes, f.width_px, f.height_px, f.problem, f.reach, f.places, f.uses,
    f.undescribed, f.words, f.pages as page_count, f.first_pages as pages`;
  // What is found is gone through once, for the counts and for the sheet.
  const { rows: answers } = await pool.query<{
    counts: Record<PictureFilter, number>;
    listed: PictureRow[] | null;
  }>(
    `with found as materialized (select ${columns} ${found})
     select (select to_jsonb(c) from (select ${PICTURE_FILTERS.map((name) => `count(*) filter (where ${CONDITION[name]}) as "${name}"`).join(', ')} from found) c) as counts,
       (select jsonb_agg(l) from (select * from found where ${CONDITION[asked.filter]} order by ${ORDER[asked.order]}
          limit ${PICTURE_ROWS} offset $5) l) as listed`,
    [...values, (asked.sheet - 1) * PICTURE_ROWS],
  );
  const rows = answers[0]?.listed ?? [];
  const counts = answers[0]?.counts;
  const total = counts?.[asked.filter] ?? 0;
  const contexts = await placementsOf(
    siteId,
    rows.map(({ path }) => path),
  );
  return { rows, counts, contexts, sheets: Math.max(1, Math.ceil(total / PICTURE_ROWS)) };
}

export type PlacementRow = typeof placements.$inferSelect;

/** Placements of some files, the first dozen of each, in page order. */
async function placementsOf(siteId: number, paths: readonly string[]): Promise<Map<string, PlacementRow[]>> {
  const { orm, pool } = database();
  const { rows: ids } = await pool.query<{ id: string }>(
    `select x.id from unnest($2::text[]) as wanted(path) cross join lateral (
       select id from placements where site_id = $1 and until_survey is null and file_path = wanted.path
       order by dormant, page_path, ordinal limit 12) x`,
    [siteId, paths],
  );
  const rows = await orm
    .select()
    .from(placements)
    .where(
      inArray(
        placements.id,
        ids.map(({ id }) => Number(id)),
      ),
    )
    .orderBy(asc(placements.dormant), asc(placements.pagePath), asc(placements.ordinal));
  const byPath = new Map<string, PlacementRow[]>();
  for (const row of rows)
    if (row.filePath) byPath.set(row.filePath, [...(byPath.get(row.filePath) ?? []), row]);
  return byPath;
}

/** One picture with all its placements, or `null`. */
export async function pictureById(siteId: number, id: number) {
  const { orm } = database();
  const [file] = await orm
    .select()
    .from(files)
    .where(and(eq(files.siteId, siteId), eq(files.id, id)));
  if (!file) return null;
  const standing = await orm
    .select()
    .from(placements)
    .where(
      and(eq(placements.siteId, siteId), eq(placements.filePath, file.path), isNull(placements.untilSurvey)),
    )
    .orderBy(asc(placements.pagePath), asc(placements.ordinal));
  return { file, placements: standing };
}

/** What arrived lately, newest first: the candidates of the swap desk. */
export async function recentIntake(siteId: number) {
  return database()
    .orm.select()
    .from(intake)
    .where(eq(intake.siteId, siteId))
    .orderBy(desc(intake.receivedAt))
    .limit(12);
}
