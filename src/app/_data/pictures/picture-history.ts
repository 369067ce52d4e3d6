import 'server-only';
import { database } from '@/server/db/database';

/** Something that happened to a picture. */
export interface HistoryLine {
  readonly at: Date;
  readonly what:
    | 'places won'
    | 'places lost'
    | 'swapped out'
    | 'swapped in'
    | 'taken off'
    | 'leftover'
    | 'no leftover'
    | 'titled'
    | 'shown'
    | 'together'
    | 'apart';
  /** Who did it; `null` for what a survey found. */
  readonly who: string | null;
  /** Survey or edition that it belongs to. */
  readonly number: number | null;
  /** How many places, or what was said. */
  readonly count: number | null;
  readonly text: string | null;
}

const MOST = 40;

/**
 * What happened to a picture, the latest first: places that surveys found it in and no longer found it in, editions
 * that swapped it, and what people said of it.
 *
 * @param paths of its files
 * @param shas hashes of its files
 */
export async function historyOf(
  siteId: number,
  paths: readonly string[],
  shas: readonly string[],
): Promise<HistoryLine[]> {
  const { rows } = await database().pool.query<HistoryLine>(
    `select * from (
       select v.finished_at as at, w.what, null as who, v.number, count(*)::int as count, null as text
       from placements x cross join lateral (values ('places won', x.since_survey), ('places lost', x.until_survey)) as w(what, survey)
       join surveys v on v.site_id = x.site_id and v.number = w.survey
       where x.site_id = $1 and x.file_path = any($2) and not x.dormant and v.finished_at is not null group by v.finished_at, w.what, v.number
       union all
       select coalesce(e.published_at, c.created_at), 'swapped out', c.created_by, e.number, jsonb_array_length(c.placement_ids), e.state
       from changes c join editions e on e.id = c.edition_id where e.site_id = $1 and c.from_path = any($2) and c.intake_id is not null
       union all
       select coalesce(e.published_at, c.created_at), 'taken off', c.created_by, e.number,
         (select count(*)::int from jsonb_array_elements(c.offs) o where o ->> 'path' = any($2)), e.state
       from changes c join editions e on e.id = c.edition_id where e.site_id = $1 and c.takes_off
         and exists (select 1 from jsonb_array_elements(c.offs) o where o ->> 'path' = any($2))
       union all
       select coalesce(e.published_at, c.created_at), 'swapped in', c.created_by, e.number, jsonb_array_length(c.placement_ids), e.state
       from new_files n join changes c on c.id = n.change_id join editions e on e.id = c.edition_id
       where e.site_id = $1 and n.path = any($2) group by e.published_at, c.created_at, c.created_by, e.number, c.placement_ids, e.state
       union all
       select said_at, case teaching when 'placeholder' then 'leftover' else 'no leftover' end, said_by, null, null, null
       from teachings where site_id = $1 and sha256 = any($3)
       union all
       select said_at, 'titled', said_by, null, null, title from titles where site_id = $1 and sha256 = any($3)
       union all
       select p.said_at, 'shown', p.said_by, null, null, s.name from picture_subjects p join subjects s on s.id = p.subject_id
       where p.site_id = $1 and p.sha256 = any($3)
       union all
       select c.said_at, c.kind, c.said_by, null, null, (select path from files f where f.site_id = $1 and f.sha256 in (c.a, c.b) and not (f.sha256 = any($3)) limit 1)
       from family_corrections c where c.site_id = $1 and (c.a = any($3) or c.b = any($3))
     ) lines order by at desc limit ${MOST}`,
    [siteId, paths, shas],
  );
  return rows;
}
