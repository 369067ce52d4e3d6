import 'server-only';
import type { Subject } from '@/core/dating/changed-subject';
import { proposeTitle, type ProposedTitle } from '@/core/picture/title-from-name';
import { database } from '@/server/db/database';

export interface SubjectRow extends Subject {
  readonly pictures: number;
  /** Of these, those taken before it changed, and those that may have been. */
  readonly before: number;
  readonly perhaps: number;
  /** Hashes of the first few of them. */
  readonly first: readonly string[];
  /** Pictures whose words name it and that nobody said to show it. */
  readonly named: readonly number[];
}

const SHOWN = 6;
const MOST_NAMED = 500;

/** What the pictures of a site show by name, with what each is known by. */
export async function listSubjects(siteId: number): Promise<SubjectRow[]> {
  const { rows } = await database().pool.query<SubjectRow>(
    `with showing as (
       select distinct ps.subject_id, f.picture_id from picture_subjects ps
       join files f on f.site_id = ps.site_id and f.sha256 = ps.sha256 and f.gone_in is null
       where ps.site_id = $1 and f.picture_id is not null
     )
     select s.id, s.name, s.kind, s.changed_on as "changedOn", s.changed_how as "changedHow",
       (select count(*)::int from showing w where w.subject_id = s.id) as pictures,
       (select count(*)::int from showing w join pictures p on p.id = w.picture_id where w.subject_id = s.id and p.taken_until < s.changed_on) as before,
       (select count(*)::int from showing w join pictures p on p.id = w.picture_id
         where w.subject_id = s.id and p.taken_from < s.changed_on and (p.taken_until is null or p.taken_until >= s.changed_on)) as perhaps,
       coalesce((select array_agg(master_sha) from (select p.master_sha from showing w join pictures p on p.id = w.picture_id
         where w.subject_id = s.id order by p.overdue desc, p.id limit ${SHOWN}) x), '{}') as first,
       coalesce((select array_agg(picture_id) from (
         select distinct f.picture_id from files f where f.site_id = $1 and f.gone_in is null and f.picture_id is not null
           and f.search @@ phraseto_tsquery('simple', s.name)
           and not exists (select 1 from showing w where w.subject_id = s.id and w.picture_id = f.picture_id)
         limit ${MOST_NAMED}) x), '{}') as named
     from subjects s where s.site_id = $1 order by s.changed_on desc nulls last, s.name`,
    [siteId],
  );
  return rows;
}

/** What a picture shows by name, and what else the site knows by name. */
export async function subjectsOf(siteId: number, pictureId: number) {
  const { rows } = await database().pool.query<Subject & { isShown: boolean }>(
    `select s.id, s.name, s.kind, s.changed_on as "changedOn", s.changed_how as "changedHow",
       exists (select 1 from picture_subjects ps join files f on f.site_id = ps.site_id and f.sha256 = ps.sha256
         where ps.subject_id = s.id and f.picture_id = $2 and f.gone_in is null) as "isShown"
     from subjects s where s.site_id = $1 order by s.name`,
    [siteId, pictureId],
  );
  return rows;
}

export interface UntitledRow {
  readonly id: number;
  readonly fileId: number;
  readonly path: string;
  readonly sha256: string;
  readonly title: string | null;
  readonly proposed: ProposedTitle | null;
}

const TITLES_A_SHEET = 40;

/**
 * Pictures without a title, each with the one that its name or its words propose.
 *
 * @param of only these pictures, with or without a title; all without one where it is empty
 * @param sheet from 1
 */
export async function untitledPictures(siteId: number, of: readonly number[], sheet: number) {
  const { rows } = await database().pool.query<
    Omit<UntitledRow, 'proposed'> & {
      widthPx: number | null;
      heightPx: number | null;
      captions: string[];
      alts: string[];
      total: number;
    }
  >(
    `select p.id, f.id as "fileId", f.path, f.sha256, p.title, f.width_px as "widthPx", f.height_px as "heightPx", count(*) over ()::int as total,
       w.captions, w.alts
     from pictures p join lateral (select * from files f where f.picture_id = p.id and f.is_master and f.gone_in is null order by f.path limit 1) f on true
     cross join lateral (
       select coalesce(array_agg(distinct x.caption) filter (where x.caption <> ''), '{}') as captions,
         coalesce(array_agg(distinct x.alt) filter (where x.alt <> ''), '{}') as alts
       from files g join placements x on x.site_id = g.site_id and x.file_path = g.path and x.until_survey is null and not x.dormant
       where g.picture_id = p.id and g.gone_in is null) w
     where p.site_id = $1 and not p.is_placeholder and case when cardinality($2::int[]) > 0 then p.id = any($2) else p.title is null and p.pages > 0 end
     order by p.pages desc, f.path limit ${TITLES_A_SHEET} offset $3`,
    [siteId, of, (sheet - 1) * TITLES_A_SHEET],
  );
  const total = rows[0]?.total ?? 0;
  return {
    total,
    sheets: Math.max(1, Math.ceil(total / TITLES_A_SHEET)),
    rows: rows.map(({ id, fileId, path, sha256, title, widthPx, heightPx, captions, alts }): UntitledRow => ({
      ...{ id, fileId, path, sha256, title },
      proposed: proposeTitle({ path, widthPx, heightPx, captions, altTexts: alts }),
    })),
  };
}
