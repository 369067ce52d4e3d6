import 'server-only';
import { wasReadWhole } from '../read-whole';
import { and, asc, desc, eq, gt, inArray, isNull, or } from 'drizzle-orm';
import { database } from '@/server/db/database';
import { files, placements } from '@/server/db/schema/content';
import type { DateEvidence } from '@/core/dating/date-evidence';
import type { ChangedSubject } from '@/core/dating/changed-subject';
import type { PictureKind } from '@/core/dating/shelf-life';
import { PERHAPS, type PlaceholderClue } from '@/core/picture/leftover-strength';
import { intake } from '@/server/db/schema/editions';
import { pictures } from '@/server/db/schema/pictures';
import { narrowingConditions, NOT_NARROWED, type PictureNarrowing } from './picture-narrowing';
import { havePictureRows } from '@/server/work/pictures/picture-rows';
import { tsQuery } from '../query';

/** Pictures on a sheet of the concordance, and on a contact sheet. */
const ROWS: Readonly<Record<PictureView, number>> = { list: 25, contact: 48 };

export const PICTURE_FILTERS = [
  'all',
  'placeholder',
  'maybe',
  'old',
  'undescribed',
  'missing',
  'unused',
] as const;
export type PictureFilter = (typeof PICTURE_FILTERS)[number];

/** `strength`: by how sure it is that they are leftovers. `match`: by where the words that are looked for stand; without such words it is the order of `places`. */
export const PICTURE_ORDERS = ['match', 'strength', 'places', 'reach', 'age', 'name', 'weight'] as const;
export type PictureOrder = (typeof PICTURE_ORDERS)[number];

export const PICTURE_VIEWS = ['list', 'contact'] as const;
export type PictureView = (typeof PICTURE_VIEWS)[number];

export interface PictureQuery {
  readonly filter: PictureFilter;
  readonly order: PictureOrder;
  readonly query: string;
  readonly section: string | null;
  /** From 1. */
  readonly sheet: number;
  /** By what else it is narrowed, and how it is shown; as the list, where that is left out. */
  readonly narrowing?: PictureNarrowing;
  readonly view?: PictureView;
}

/** One picture, by the file that stands for all of its family; a file that can't be read stands for itself. */
export interface PictureRow {
  /** Whether all places of the site are known by now, as `wasReadWhole` tells. */
  readonly isPlaced: boolean;
  readonly id: number;
  readonly picture_id: number | null;
  readonly path: string;
  readonly sha256: string | null;
  readonly size_bytes: number | null;
  readonly width_px: number | null;
  readonly height_px: number | null;
  readonly problem: string | null;
  /** Files of its family, and the places and reach of all of them. */
  readonly files: number;
  readonly places: number;
  readonly reach: number;
  /** The first few pages that show it, and how many there are. */
  readonly pages: readonly string[];
  readonly page_count: number;
  readonly undescribed: number;
  /** The alt text that most places give it. */
  readonly words: string | null;
  readonly kind: PictureKind | null;
  readonly taken_from: number | null;
  readonly taken_until: number | null;
  readonly because: readonly DateEvidence[] | null;
  readonly current_until: number | null;
  readonly overdue: number;
  readonly title: string | null;
  readonly changed: ChangedSubject | null;
  readonly is_placeholder: boolean;
  /** Belief that it is a leftover, 0 to 1. */
  readonly belief: number;
  readonly clues: readonly PlaceholderClue[] | null;
}

const CONDITION: Readonly<Record<PictureFilter, string>> = {
  all: 'true',
  placeholder: 'is_placeholder and places > 0',
  // Worth a look by a person; of what somebody has settled the belief is next to nothing, or whole.
  maybe: `not is_placeholder and places > 0 and belief >= ${PERHAPS}`,
  old: '(overdue > 1 or is_changed) and places > 0 and not is_placeholder',
  undescribed: 'undescribed > 0',
  missing: 'not is_there',
  unused: 'uses = 0 and is_there',
};

/** Paths in the order of their letters' numbers: that of a language takes a third longer for all that is found, and tells nothing. */
const ORDER: Readonly<Record<PictureOrder, string>> = {
  match: 'rank desc, places desc, path collate "C"',
  strength: 'belief desc, places desc, path collate "C"',
  places: 'places desc, path collate "C"',
  reach: 'reach desc, path collate "C"',
  age: 'overdue desc, taken_until nulls last, path collate "C"',
  name: 'path collate "C"',
  weight: 'size_bytes desc nulls last, path collate "C"',
};

/** What is told of those that are listed besides their rows, by the file `m` that stands for each and its record `p`. */
const TOLD = `m.sha256, m.width_px, m.height_px, m.problem, coalesce(p.words, m.words) as words, coalesce(p.pages, m.pages) as page_count,
  coalesce(p.first_pages, m.first_pages) as pages, p.kind, p.taken_from, p.current_until, p.changed, p.because, p.clues`;

/** Conditions of what is asked, with the values of their parameters; the first is the site. */
function asConditions(siteId: number, { query, section, narrowing = NOT_NARROWED }: PictureQuery) {
  const values: unknown[] = [siteId];
  const bind = (value: unknown) => `$${values.push(value)}`;
  const conditions = narrowingConditions(narrowing, bind);
  const joined =
    conditions.length === 0
      ? ''
      : 'join files m on m.id = g.file_id left join pictures p on p.id = g.picture_id';
  let rank = '0';
  // A picture is found by any of its files; what is told of it is told of all of them.
  const byFile = (condition: string) =>
    `g.key in (select coalesce(f.picture_id, -f.id) from files f where f.site_id = $1 and f.gone_in is null and ${condition})`;
  if (query !== '') {
    const like = bind(query.replace(/[\\%_]/g, '\\$&'));
    const words = tsQuery(query);
    const asked = words === '' ? '' : `to_tsquery('simple', ${bind(words)})`;
    const found = asked === '' ? '' : `f.id in (select unnest(files_with($1, ${asked}))) or `;
    const ofWords =
      asked === ''
        ? ''
        : ` + coalesce((select max(ts_rank(f.search, ${asked})) from files f where f.site_id = $1 and f.gone_in is null
            and (f.picture_id = g.picture_id or f.id = g.file_id)), 0)`;
    // A title is what a person called it; after it come what it is described by, its name, and last the pages it is on.
    rank = `case when g.title ilike '%' || ${like} || '%' then 2 else 0 end${ofWords}`;
    conditions.push(
      `(${byFile(`(${found}f.called like '%' || lower(${like}) || '%')`)} or g.title ilike '%' || ${like} || '%')`,
    );
  }
  if (section !== null)
    conditions.push(
      byFile(`f.path in (select s.file_path from placements s join pages p on p.site_id = s.site_id and p.path = s.page_path
        where s.site_id = $1 and s.until_survey is null and p.section = ${bind(section)})`),
    );
  return { values, rank, joined, where: conditions.length === 0 ? 'true' : conditions.join(' and ') };
}

/** The concordance: pictures and where they stand, filtered and sorted in the database. */
export async function listPictures(siteId: number, asked: PictureQuery) {
  const { values, rank, joined, where } = asConditions(siteId, asked);
  const order = ORDER[asked.order];
  const rowsASheet = ROWS[asked.view ?? 'list'];
  const ofFound = order.replace(
    /\b(rank|belief|places|path|reach|overdue|taken_until|size_bytes)\b/g,
    'found.$1',
  );
  const counted = PICTURE_FILTERS.map((name) => `count(*) filter (where ${CONDITION[name]}) as "${name}"`);
  await havePictureRows(database(), siteId);
  // What is found is gone through once, for the counts and for the sheet; rows that are there as they are, are read twice sooner.
  const kept = rank === '0' && joined === '' ? 'not materialized' : 'materialized';
  const { rows: answers } = await database().pool.query<{
    counts: Record<PictureFilter, number>;
    listed: Omit<PictureRow, 'isPlaced'>[] | null;
  }>(
    `with found as ${kept} (
       select g.*, g.file_id as id, ${rank} as rank from picture_rows g ${joined}
       where g.site_id = $1 and ${where}
     )
     select (select to_jsonb(c) from (select ${counted.join(', ')} from found) c) as counts,
       (select jsonb_agg(l) from (select found.*, ${TOLD} from (
            select * from found where ${CONDITION[asked.filter]} order by ${order} limit ${rowsASheet} offset $${values.length + 1}) found
          join files m on m.id = found.id left join pictures p on p.id = found.picture_id order by ${ofFound}) l) as listed`,
    [...values, (asked.sheet - 1) * rowsASheet],
  );
  const isPlaced = await wasReadWhole(siteId);
  const rows: PictureRow[] = (answers[0]?.listed ?? []).map((row) => ({ ...row, isPlaced }));
  const counts = answers[0]?.counts;
  const total = counts?.[asked.filter] ?? 0;
  const contexts =
    asked.view === 'contact' ? new Map<number, ShownPlacement[]>() : await placementsOf(siteId, rows);
  return { rows, counts, contexts, sheets: Math.max(1, Math.ceil(total / rowsASheet)) };
}

export type PlacementRow = typeof placements.$inferSelect;

/** Placements of some pictures, by the numbers of the rows: the first dozen of each, in page order. */
async function placementsOf(
  siteId: number,
  listed: readonly PictureRow[],
): Promise<Map<number, ShownPlacement[]>> {
  const { orm, pool } = database();
  const { rows: ids } = await pool.query<{ id: string; row: number; sha256: string | null }>(
    `select x.id, wanted.row, x.sha256 from unnest($2::int[], $3::int[]) as wanted(row, picture) cross join lateral (
       select x.id, f.sha256 from files f cross join lateral (
         select s.id, s.dormant, s.page_path, s.ordinal from placements s
         where s.site_id = f.site_id and s.file_path = f.path and s.until_survey is null
         order by s.dormant, s.page_path, s.ordinal limit 12) x
       where f.site_id = $1 and f.gone_in is null and (f.picture_id = wanted.picture or f.id = wanted.row)
       order by x.dormant, x.page_path, x.ordinal limit 12) x`,
    [siteId, listed.map(({ id }) => id), listed.map(({ picture_id: picture }) => picture)],
  );
  const rows = await orm
    .select()
    .from(placements)
    .where(
      inArray(
        placements.id,
        ids.map(({ id }) => Number(id)),
      ),
    );
  const byId = new Map(rows.map((row) => [row.id, row]));
  const byRow = new Map<number, ShownPlacement[]>();
  for (const { id, row, sha256 } of ids) {
    const placement = byId.get(Number(id));
    if (placement) byRow.set(row, [...(byRow.get(row) ?? []), { ...placement, sha256 }]);
  }
  return byRow;
}

/** A placement with the hash of the file that it shows. */
export type ShownPlacement = PlacementRow & { readonly sha256: string | null };

/** One file with its picture, its family and the placements of all of it, or `null`. */
export async function pictureById(siteId: number, id: number) {
  const { orm } = database();
  const [file] = await orm
    .select()
    .from(files)
    .where(and(eq(files.siteId, siteId), eq(files.id, id)));
  if (!file) return null;
  const [picture] = file.pictureId
    ? await orm.select().from(pictures).where(eq(pictures.id, file.pictureId))
    : [];
  const family = picture
    ? await orm
        .select()
        .from(files)
        .where(and(eq(files.pictureId, picture.id), isNull(files.goneIn)))
        .orderBy(desc(files.isMaster), desc(files.widthPx), asc(files.path))
    : [file];
  const shaOf = new Map(family.map(({ path, sha256 }) => [path, sha256]));
  const standing = await orm
    .select()
    .from(placements)
    .where(
      and(
        eq(placements.siteId, siteId),
        inArray(placements.filePath, [...shaOf.keys()]),
        isNull(placements.untilSurvey),
      ),
    )
    .orderBy(asc(placements.pagePath), asc(placements.ordinal));
  const shown = standing.map((row): ShownPlacement => ({
    ...row,
    sha256: shaOf.get(row.filePath ?? '') ?? null,
  }));
  return { file, picture: picture ?? null, family, placements: shown };
}

/** So many are offered at the swap desk; and so many are looked through for them, since the same bytes may have come often. */
const RECENT = 12;
const RECENT_READ = 60;

/**
 * What arrived lately, newest first: the candidates of the swap desk. Bytes that came more than once are offered once, as
 * they came last.
 *
 * @param wanted number of one that is to be the first of them, though it may have been struck out
 */
export async function recentIntake(siteId: number, wanted: number | null = null) {
  const rows = await database()
    .orm.select()
    .from(intake)
    // A clip has no pixels.
    .where(
      and(
        eq(intake.siteId, siteId),
        gt(intake.widthPx, 0),
        or(isNull(intake.struckAt), eq(intake.id, wanted ?? 0)),
      ),
    )
    .orderBy(desc(eq(intake.id, wanted ?? 0)), desc(intake.receivedAt), desc(intake.id))
    .limit(RECENT_READ);
  const first = new Map(rows.toReversed().map((row) => [row.sha256, row.id]));
  return rows.filter(({ id, sha256 }) => first.get(sha256) === id).slice(0, RECENT);
}
