import 'server-only';
import { and, asc, desc, eq, inArray, isNull } from 'drizzle-orm';
import { database } from '@/server/db/database';
import { files, placements } from '@/server/db/schema/content';
import { intake } from '@/server/db/schema/editions';

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
  readonly size_bytes: string | null;
  readonly width_px: number | null;
  readonly height_px: number | null;
  readonly problem: string | null;
  readonly places: number;
  readonly reach: number;
  readonly pages: readonly string[];
  readonly undescribed: number;
  /** The alt text that most places give it. */
  readonly words: string | null;
}

const CONDITION: Readonly<Record<PictureFilter, string>> = {
  all: 'true',
  used: 'places > 0',
  unused: 'places = 0 and sha256 is not null',
  missing: 'sha256 is null',
  undescribed: 'undescribed > 0',
};

const ORDER: Readonly<Record<PictureOrder, string>> = {
  places: 'places desc, path',
  reach: 'reach desc, path',
  name: 'path',
  weight: 'size_bytes desc nulls last, path',
};

/** Every picture file of the site with where it stands. */
const WITH_USE = `
  select f.id, f.path, f.sha256, f.size_bytes, f.width_px, f.height_px, f.problem, f.reach,
    coalesce(u.places, 0)::int as places, coalesce(u.pages, '{}') as pages, coalesce(u.undescribed, 0)::int as undescribed, u.words
  from files f
  left join (
    select file_path, count(*) filter (where not dormant) as places,
      array_agg(distinct page_path) filter (where not dormant) as pages,
      count(*) filter (where kind in ('img', 'input') and alt is null and name = '' and not decorative) as undescribed,
      mode() within group (order by alt) filter (where alt <> '') as words
    from placements where site_id = $1 and until_survey is null and file_path is not null group by file_path
  ) u on u.file_path = f.path
  where f.site_id = $1 and f.gone_in is null
    and ($2 = '' or f.path ilike '%' || $2 || '%' or exists (
      select 1 from placements w where w.site_id = $1 and w.file_path = f.path and w.until_survey is null
        and (w.alt ilike '%' || $2 || '%' or w.caption ilike '%' || $2 || '%' or w.page_path ilike '%' || $2 || '%')))
    and ($3::text is null or exists (
      select 1 from placements s join pages p on p.site_id = s.site_id and p.path = s.page_path
      where s.site_id = $1 and s.file_path = f.path and s.until_survey is null and p.section = $3))`;

/** The concordance: pictures and where they stand, filtered and sorted in the database. */
export async function listPictures(siteId: number, asked: PictureQuery) {
  const { pool } = database();
  const values = [siteId, asked.query.replace(/[\\%_]/g, '\\$&'), asked.section];
  const { rows: counted } = await pool.query<Record<PictureFilter, number>>(
    `select ${PICTURE_FILTERS.map((name) => `count(*) filter (where ${CONDITION[name]})::int as "${name}"`).join(', ')}
     from (${WITH_USE}) counted`,
    values,
  );
  const { rows } = await pool.query<PictureRow>(
    `select * from (${WITH_USE}) listed where ${CONDITION[asked.filter]} order by ${ORDER[asked.order]}
     limit ${PICTURE_ROWS} offset $4`,
    [...values, (asked.sheet - 1) * PICTURE_ROWS],
  );
  const counts = counted[0];
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
    `select id from (select id, row_number() over (partition by file_path order by dormant, page_path, ordinal) as nth
       from placements where site_id = $1 and until_survey is null and file_path = any($2::text[])) numbered where nth <= 12`,
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
