import { currentActor } from '@/app/_data/session';
import { database } from '@/server/db/database';

interface StatusRow {
  readonly surveys: string;
  readonly editions: string;
  readonly changes: string;
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

/** What is being worked on at a site, for the running head. */
export async function GET(
  _request: Request,
  { params }: { params: Promise<{ slug: string }> },
): Promise<Response> {
  if (!(await currentActor())) return Response.json({ problem: 'not signed in' }, { status: 401 });
  const { slug } = await params;
  const { rows } = await database().pool.query<StatusRow>(
    `with site as (select id from sites where slug = $1),
       survey as (select pages_done, pages_total, phase, extract(epoch from now() - started_at)::float8 as seconds from surveys, site where site_id = site.id and state in ('waiting', 'running') order by number limit 1),
       run as (select p.id, p.direction, p.state = 'undoing' as is_undoing from publications p join editions e on e.id = p.edition_id, site
               where e.site_id = site.id and p.state in ('waiting', 'running', 'undoing') limit 1)
     select (select string_agg(number || state, ',' order by number) from surveys, site where site_id = site.id) as surveys,
       (select string_agg(e.number || e.state || coalesce((select string_agg(state || coalesce(proven::text, '-'), '') from publications where edition_id = e.id), ''), ',')
          from editions e, site where e.site_id = site.id) as editions,
       (select string_agg(c.id || c.state, ',') from (select id, edition_id, state from changes union all select -id, edition_id, state from removals) c join editions e on e.id = c.edition_id, site where e.site_id = site.id) as changes,
       (select pages_done from survey) as survey_done, (select pages_total from survey) as survey_total,
       (select phase from survey) as survey_phase, (select seconds from survey) as survey_seconds,
       (select count(*)::int from steps, run where publication_id = run.id
          and (case when run.is_undoing then state = 'undone' else state <> 'planned' end)) as steps_done,
       (select count(*)::int from steps, run where publication_id = run.id) as steps_total,
       (select direction from run) as direction, (select is_undoing from run) as is_undoing,
       (select count(*)::int from (select edition_id, state from changes union all select edition_id, state from removals) c join editions e on e.id = c.edition_id, site where e.site_id = site.id and c.state = 'preparing') as preparing`,
    [slug],
  );
  const row = rows[0];
  if (!row) return Response.json({ mark: '', work: null });
  return Response.json({ mark: [row.surveys, row.editions, row.changes].join('|'), work: workOf(row) });
}

function workOf(row: StatusRow) {
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
