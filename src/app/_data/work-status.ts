import 'server-only';
import { cache } from 'react';
import { database } from '@/server/db/database';

/** What is being worked on at a site, as the running head tells it. */
interface Work {
  readonly label: string;
  readonly done: number;
  readonly total: number;
  /** Of a survey alone: what it is at, and for how many seconds it has been going. */
  readonly phase?: string;
  readonly seconds?: number;
}

/** How it is with the work at a site. */
export interface Status {
  /** Another whenever something on a screen may be. */
  readonly mark: string;
  readonly work: Work | null;
  /** What is done of a check, and what is still to come; `null` where all is done. */
  readonly soFar: string | null;
}

/**
 * The mark of a `site`: another after anything was begun, went on or ended there, a check of its pages, a look at its
 * pictures and answers about rights among it. What is in an edition changes while it is a draft alone.
 */
const MARK = `concat_ws('|',
  (select string_agg(number || state, ',' order by number) from surveys where site_id = site.id),
  (select string_agg(e.number || e.state || coalesce((select string_agg(state || coalesce(proven::text, '-'), '' order by id) from publications where edition_id = e.id), ''), ',' order by e.number)
     from editions e where e.site_id = site.id),
  (select count(*) || '+' || sum(hashtextextended(c.id || c.state, 0))
     from (select id, edition_id, state from changes union all select -id, edition_id, state from removals) c
     join editions e on e.id = c.edition_id where e.site_id = site.id and e.state = 'draft'),
  exists (select from pages where site_id = site.id and gone_in is null and checked_in is distinct from changed_in),
  (select string_agg(key, ',' order by key) from graphile_worker.jobs
     where key in ('pictures-' || site.id, 'rights-' || site.id) and attempts < max_attempts))`;

/**
 * How far the work at a site was before anything on a screen was looked up: a screen is out of date once this is another.
 * Asked once a request; empty where there is no such site.
 */
export const workMark = cache(async (slug: string): Promise<string> => {
  const { rows } = await database().pool.query<{ mark: string }>(
    `select ${MARK} as mark from sites site where slug = $1`,
    [slug],
  );
  return rows[0]?.mark ?? '';
});

interface StatusRow {
  readonly id: number;
  readonly mark: string;
  readonly survey_done: number | null;
  readonly survey_total: number | null;
  readonly survey_phase: string | null;
  readonly survey_seconds: number | null;
  readonly steps_done: number | null;
  readonly steps_total: number | null;
  readonly is_undoing: boolean | null;
  readonly direction: string | null;
  readonly preparing: number;
}

interface WorkNow extends Pick<Status, 'mark' | 'work'> {
  /** `null` where there is no such site. */
  readonly siteId: number | null;
}

/** What is worked on at a site now, with its mark as {@link workMark} gives it. */
export async function workStatus(slug: string): Promise<WorkNow> {
  const { rows } = await database().pool.query<StatusRow>(
    `with site as (select id from sites where slug = $1),
       survey as (select pages_done, pages_total, phase, extract(epoch from now() - started_at)::float8 as seconds from surveys, site where site_id = site.id and state in ('waiting', 'running') order by number limit 1),
       run as (select p.id, p.direction, p.state = 'undoing' as is_undoing from publications p join editions e on e.id = p.edition_id, site
               where e.site_id = site.id and p.state in ('waiting', 'running', 'undoing') limit 1)
     select site.id, ${MARK} as mark,
       (select pages_done from survey) as survey_done, (select pages_total from survey) as survey_total,
       (select phase from survey) as survey_phase, (select seconds from survey) as survey_seconds,
       (select count(*)::int from steps, run where publication_id = run.id
          and (case when run.is_undoing then state = 'undone' else state <> 'planned' end)) as steps_done,
       (select count(*)::int from steps, run where publication_id = run.id) as steps_total,
       (select direction from run) as direction, (select is_undoing from run) as is_undoing,
       (select count(*)::int from (select edition_id, state from changes union all select edition_id, state from removals) c join editions e on e.id = c.edition_id where e.site_id = site.id and e.state = 'draft' and c.state = 'preparing') as preparing
     from site`,
    [slug],
  );
  const row = rows[0];
  return row ? { siteId: row.id, mark: row.mark, work: workOf(row) } : { siteId: null, mark: '', work: null };
}

function workOf(row: StatusRow): Work | null {
  if (row.direction) {
    const deed = row.direction === 'publish' ? 'Publishing' : 'Withdrawing';
    const label = row.is_undoing ? 'Taking back what was done' : deed;
    return { label, done: row.steps_done ?? 0, total: row.steps_total ?? 0 };
  }
  if (row.survey_total !== null)
    return {
      label: 'Surveying',
      done: row.survey_done ?? 0,
      total: row.survey_total,
      phase: row.survey_phase ?? '',
      seconds: row.survey_seconds ?? 0,
    };
  if (row.preparing > 0) return { label: 'Preparing the change', done: 0, total: 0 };
  return null;
}
