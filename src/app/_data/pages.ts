import 'server-only';
import { and, asc, eq, isNull } from 'drizzle-orm';
import { database } from '@/server/db/database';
import { pages, placements } from '@/server/db/schema/content';

const PAGE_ROWS = 40;

export interface PageFilter {
  readonly section: string | null;
  readonly query: string;
  /** From 1. */
  readonly sheet: number;
}

export interface PageRow {
  readonly id: number;
  readonly path: string;
  readonly title: string;
  readonly modified_at: Date | null;
  readonly pictures: readonly { readonly sha256: string | null; readonly path: string }[];
  readonly placements: number;
}

/** Pages with a strip of the pictures that stand on them, in page order. */
export async function listPages(
  siteId: number,
  filter: PageFilter,
): Promise<{ rows: PageRow[]; total: number; sheets: number }> {
  const { pool } = database();
  const where = `p.site_id = $1 and p.gone_in is null and ($2::text is null or p.section = $2)
    and ($3 = '' or p.path ilike '%' || $3 || '%' or p.title ilike '%' || $3 || '%')`;
  const values = [siteId, filter.section, filter.query.replace(/[\\%_]/g, '\\$&')];
  const { rows: counted } = await pool.query<{ total: number }>(
    `select count(*)::int as total from pages p where ${where}`,
    values,
  );
  const { rows } = await pool.query<PageRow>(
    `select p.id, p.path, p.title, p.modified_at,
       coalesce((select json_agg(strip) from (
         select f.sha256, x.file_path as path from placements x left join files f on f.site_id = x.site_id and f.path = x.file_path
         where x.site_id = p.site_id and x.page_path = p.path and x.until_survey is null and x.file_path is not null
           and x.kind in ('img', 'css', 'input', 'poster', 'svg-image', 'object', 'embed', 'attribute-background')
         order by x.ordinal limit 8) strip), '[]') as pictures,
       (select count(*)::int from placements x where x.site_id = p.site_id and x.page_path = p.path and x.until_survey is null) as placements
     from pages p where ${where} order by p.section, p.path limit ${PAGE_ROWS} offset $4`,
    [...values, (filter.sheet - 1) * PAGE_ROWS],
  );
  const total = counted[0]?.total ?? 0;
  return { rows, total, sheets: Math.max(1, Math.ceil(total / PAGE_ROWS)) };
}

/** One page with its placements in order, or `null`. */
export async function pageById(siteId: number, id: number) {
  const { orm, pool } = database();
  const [page] = await orm
    .select()
    .from(pages)
    .where(and(eq(pages.siteId, siteId), eq(pages.id, id)));
  if (!page) return null;
  const standing = await orm
    .select()
    .from(placements)
    .where(
      and(eq(placements.siteId, siteId), eq(placements.pagePath, page.path), isNull(placements.untilSurvey)),
    )
    .orderBy(asc(placements.ordinal));
  const { rows: files } = await pool.query<FileOfPage>(
    'select id, path, sha256, width_px, height_px, size_bytes from files where site_id = $1 and path = any($2::text[])',
    [siteId, standing.flatMap(({ filePath }) => (filePath ? [filePath] : []))],
  );
  return { page, placements: standing, files: new Map(files.map((file) => [file.path, file])) };
}

interface FileOfPage {
  readonly id: number;
  readonly path: string;
  readonly sha256: string | null;
  readonly width_px: number | null;
  readonly height_px: number | null;
  readonly size_bytes: string | null;
}
