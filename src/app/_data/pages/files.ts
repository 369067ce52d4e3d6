import 'server-only';
import { ASKED_BY_NAME } from '@/core/address/asked-by-name';
import { database } from '@/server/db/database';
import { ERRATUM_STANDS } from '@/server/work/errata/erratum-stands';

export const FILE_LISTS = ['missing', 'unused', 'twice', 'heavy', 'clips'] as const;
export type FileList = (typeof FILE_LISTS)[number];

const FILE_ROWS = 50;

/** A file is unused where nothing shows it, a dormant rule included, and no browser asks for it by itself. */
const UNUSED = `f.sha256 is not null and f.uses = 0 and f.path !~ '${ASKED_BY_NAME.source}'`;
const MISSING = 'f.sha256 is null and f.problem is null';

export interface FileCounts {
  readonly missing: number;
  readonly unused: number;
  readonly unused_bytes: number;
  readonly twice: number;
  readonly twice_bytes: number;
}

/** How many files each list holds, and what was read to know. */
export async function fileCounts(siteId: number) {
  const { pool } = database();
  const [{ rows }, { rows: read }] = await Promise.all([
    pool.query<FileCounts>(
      `with same as (
         select (count(*) - 1) * max(size_bytes) as extra from files
         where site_id = $1 and gone_in is null and sha256 is not null group by sha256 having count(*) > 1)
       select count(*) filter (where ${MISSING})::int as missing, count(*) filter (where is_unused)::int as unused,
         coalesce(sum(size_bytes) filter (where is_unused), 0)::float8 as unused_bytes,
         (select count(*)::int from same) as twice, (select coalesce(sum(extra), 0)::float8 from same) as twice_bytes
       from (select f.sha256, f.problem, f.size_bytes, (${UNUSED}) as is_unused from files f
         where f.site_id = $1 and f.gone_in is null offset 0) f`,
      [siteId],
    ),
    pool.query<{ pages: number; sheets: number; places: number }>(
      `select (select count(*)::int from pages where site_id = $1 and gone_in is null) as pages,
         (select count(distinct source_path)::int from placements where site_id = $1 and until_survey is null and source_path <> page_path) as sheets,
         (select count(*)::int from placements where site_id = $1 and until_survey is null) as places`,
      [siteId],
    ),
  ]);
  return { ...(rows[0] as FileCounts), searched: read[0] ?? { pages: 0, sheets: 0, places: 0 } };
}

export interface MissingFile {
  readonly id: number;
  readonly path: string;
  readonly near_path: string | null;
  readonly near_kind: 'case' | 'form' | null;
  readonly near_sha: string | null;
  readonly places: number;
  readonly pages: readonly { readonly id: number; readonly path: string }[];
}

/** Files that pages ask for and that are not there, the most asked for first. */
export async function missingFiles(siteId: number, sheet: number): Promise<MissingFile[]> {
  const { rows } = await database().pool.query<MissingFile>(
    `select f.id, f.path, f.near_path, f.near_kind,
       (select n.sha256 from files n where n.site_id = f.site_id and n.path = f.near_path) as near_sha,
       f.uses as places,
       coalesce((select json_agg(json_build_object('id', p.id, 'path', p.path) order by p.path) from pages p
         where p.site_id = f.site_id and p.path in (select jsonb_array_elements_text(f.first_pages))), '[]') as pages
     from files f where f.site_id = $1 and f.gone_in is null and ${MISSING}
     order by places desc, f.path limit ${FILE_ROWS} offset $2`,
    [siteId, (sheet - 1) * FILE_ROWS],
  );
  return rows;
}

export interface UnusedFile {
  readonly id: number;
  readonly path: string;
  readonly sha256: string;
  readonly size_bytes: number;
  readonly width_px: number | null;
  readonly height_px: number | null;
  /** Whether the edition being gathered takes it off already. */
  readonly is_going: boolean;
}

/** Files that nothing on the site shows, the heaviest first. */
export async function unusedFiles(siteId: number, sheet: number): Promise<UnusedFile[]> {
  const { rows } = await database().pool.query<UnusedFile>(
    `select f.id, f.path, f.sha256, f.size_bytes::float8 as size_bytes, f.width_px, f.height_px,
       exists (select 1 from removals r join editions e on e.id = r.edition_id
         where e.site_id = f.site_id and e.state = 'draft' and r.path = f.path) as is_going
     from files f where f.site_id = $1 and f.gone_in is null and ${UNUSED}
     order by f.size_bytes desc, f.path limit ${FILE_ROWS} offset $2`,
    [siteId, (sheet - 1) * FILE_ROWS],
  );
  return rows;
}

export interface SameFiles {
  readonly sha256: string;
  readonly size_bytes: number;
  readonly files: readonly { readonly id: number; readonly path: string; readonly places: number }[];
}

/** Files with the very same bytes, those that waste most first. */
export async function sameFiles(siteId: number, sheet: number): Promise<SameFiles[]> {
  const { rows } = await database().pool.query<SameFiles>(
    `with same as (
       select sha256, max(size_bytes) as bytes, (count(*) - 1) * max(size_bytes) as extra from files
       where site_id = $1 and gone_in is null and sha256 is not null
       group by sha256 having count(*) > 1 order by extra desc, sha256 limit ${FILE_ROWS} offset $2)
     select s.sha256, s.bytes::float8 as size_bytes,
       (select json_agg(json_build_object('id', f.id, 'path', f.path, 'places', f.uses) order by f.path) from files f
        where f.site_id = $1 and f.gone_in is null and f.sha256 = s.sha256) as files
     from same s order by s.extra desc, s.sha256`,
    [siteId, (sheet - 1) * FILE_ROWS],
  );
  return rows;
}

export interface HeavyPage {
  readonly id: number;
  readonly path: string;
  readonly title: string;
  readonly bytes: number;
  readonly files: number;
  readonly heaviest: string;
  readonly heaviest_id: number;
  readonly heaviest_bytes: number;
  readonly reach: number;
  /** How many of its pictures are far larger than their places. */
  readonly too_heavy: number;
}

/** Pages by the weight of the pictures that stand on them; each file counts once, enlarge targets do not. */
export async function heavyPages(siteId: number, sheet: number): Promise<HeavyPage[]> {
  const { rows } = await database().pool.query<HeavyPage>(
    `select p.id, p.path, p.title, p.reach, p.picture_bytes::float8 as bytes, p.picture_files as files,
       f.path as heaviest, f.id as heaviest_id, f.size_bytes::float8 as heaviest_bytes,
       (select count(distinct x.file_path)::int from errata e join placements x on x.id = e.placement_id
        where e.site_id = $1 and e.page_path = p.path and e.rule = 'file/too-heavy' and not ${ERRATUM_STANDS}) as too_heavy
     from pages p join files f on f.id = p.heaviest_id
     where p.site_id = $1 and p.gone_in is null and p.picture_files > 0
     order by p.picture_bytes desc, p.path limit ${FILE_ROWS} offset $2`,
    [siteId, (sheet - 1) * FILE_ROWS],
  );
  return rows;
}

export const FILES_A_SHEET = FILE_ROWS;
