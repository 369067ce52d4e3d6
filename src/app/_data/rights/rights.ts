import 'server-only';
import type { Code, Step, Verdict } from '@/core/rights/may';
import type { FoundCredit } from '@/core/rights/credit/find-credit';
import { proposedRights, type EmbeddedRights, type ProposedRights } from '@/core/rights/embedded-rights';
import type { Problem } from '@/core/problem';
import { database } from '@/server/db/database';
import { readMetadata } from '@/server/imaging/read-metadata';
import { storedBytes } from '@/server/store/store';

export const VERDICTS = ['no', 'unknown', 'yes'] as const satisfies readonly Verdict[];
export const RIGHTS_A_SHEET = 25;

/** How a site's rights stand as a whole. */
export interface RightsSummary {
  readonly answeredAt: Date | null;
  readonly isAnswering: boolean;
  /** Why the answers are not today's. */
  readonly problem: Problem | null;
  /** Pictures by the worst answer of their places. */
  readonly pictures: Readonly<Record<Verdict, number>>;
  /** Of the pictures with each answer, how many have each reason in one of their places. */
  readonly codes: Readonly<Record<Verdict, Readonly<Partial<Record<Code, number>>>>>;
  /** Records by their kind. */
  readonly records: Readonly<Record<string, number>>;
}

/** Answers by picture: all files of one family together; a file that is none of the site's by its address. */
const BY_PICTURE = `
  select a.*, coalesce('p' || f.picture_id, 'f' || a.file_path) as picture
  from rights_answers a left join files f on f.site_id = a.site_id and f.path = a.file_path and f.gone_in is null
  where a.site_id = $1`;

const WORST = `case when bool_or(may = 'no') then 'no' when bool_or(may = 'unknown') then 'unknown' else 'yes' end`;

export async function rightsSummary(siteId: number): Promise<RightsSummary> {
  const { pool } = database();
  const [states, pictures, codes, records] = await Promise.all([
    pool.query<{ answered_at: Date | null; is_answering: boolean; problem: Problem | null }>(
      `select (select answered_at from rights_states where site_id = $1) as answered_at,
         (select problem from rights_states where site_id = $1) as problem,
         exists (select 1 from graphile_worker.jobs where key = 'rights-' || $1 and attempts < max_attempts) as is_answering`,
      [siteId],
    ),
    pool.query<{ may: Verdict; count: number }>(
      `select may, count(*)::int as count from (select ${WORST} as may from (${BY_PICTURE}) a group by picture) w group by may`,
      [siteId],
    ),
    pool.query<{ may: Verdict; code: Code; count: number }>(
      `with answered as (${BY_PICTURE}), judged as (select picture, ${WORST} as may from answered group by picture)
       select j.may, code, count(distinct a.picture)::int as count
       from answered a join judged j on j.picture = a.picture, jsonb_array_elements_text(a.because) as code group by 1, 2`,
      [siteId],
    ),
    pool.query<{ kind: string; count: number }>(
      'select kind, count(*)::int as count from rights_records where site_id = $1 group by kind',
      [siteId],
    ),
  ]);
  const ofVerdict = (verdict: Verdict) => pictures.rows.find(({ may }) => may === verdict)?.count ?? 0;
  const ofCodes = (verdict: Verdict) =>
    Object.fromEntries(
      codes.rows.flatMap(({ may, code, count }) => (may === verdict ? [[code, count]] : [])),
    );
  return {
    answeredAt: states.rows[0]?.answered_at ?? null,
    isAnswering: states.rows[0]?.is_answering ?? false,
    problem: states.rows[0]?.problem ?? null,
    pictures: { no: ofVerdict('no'), unknown: ofVerdict('unknown'), yes: ofVerdict('yes') },
    codes: { no: ofCodes('no'), unknown: ofCodes('unknown'), yes: {} },
    records: Object.fromEntries(records.rows.map(({ kind, count }) => [kind, count])),
  };
}

/** A picture with what was answered of its places. */
export interface RightsRow {
  /** Of a file of the picture, for its record; `null` for what is none of the site's. */
  readonly id: number | null;
  readonly sha256: string | null;
  readonly title: string | null;
  readonly path: string;
  readonly may: Verdict;
  readonly because: readonly Code[];
  readonly places: number;
  /** Places with the worst answer. */
  readonly worst: number;
  readonly pages: readonly string[];
  readonly page_count: number;
  readonly reach: number;
  readonly until: number | null;
  readonly wanted: string | null;
}

/** Pictures of one answer, those that most readers meet first. */
export async function listRights(
  siteId: number,
  { verdict, code, sheet }: { readonly verdict: Verdict; readonly code: Code | null; readonly sheet: number },
): Promise<RightsRow[]> {
  const { rows } = await database().pool.query<RightsRow>(
    `with answered as (${BY_PICTURE}),
     grouped as (
       select picture, ${WORST} as may, count(*)::int as places, min(until)::int as until,
         min(file_path) as path, min(credit ->> 'wanted') as wanted
       from answered group by picture
     ), chosen as (
       select g.* from grouped g where g.may = $2
         and ($3::text is null or exists (select 1 from answered a where a.picture = g.picture and a.because ? $3))
     ), reached as (
       select picture, sum(reach) as reach, count(*)::int as page_count, (array_agg(page_path order by reach desc, page_path))[1:3] as pages
       from (select distinct a.picture, a.page_path, coalesce(p.reach, 0) as reach from answered a
             left join pages p on p.site_id = a.site_id and p.path = a.page_path where a.picture in (select picture from chosen)) d
       group by picture
     )
     select f.id, f.sha256, p.title, coalesce(f.path, c.path) as path, c.may, c.places, c.until, c.wanted, r.reach, r.pages, r.page_count,
       (select count(*)::int from answered a where a.picture = c.picture and a.may = c.may) as worst,
       (select coalesce(array_agg(distinct code order by code), '{}') from answered a, jsonb_array_elements_text(a.because) code where a.picture = c.picture) as because
     from chosen c join reached r on r.picture = c.picture
     left join lateral (
       select f.id, f.sha256, f.path from files f where f.site_id = $1 and f.gone_in is null
         and (('p' || f.picture_id) = c.picture or ('f' || f.path) = c.picture)
       order by f.is_master desc, f.places desc, f.id limit 1
     ) f on true
     left join pictures p on ('p' || p.id) = c.picture
     order by r.reach desc, path limit ${RIGHTS_A_SHEET} offset $4`,
    [siteId, verdict, code, (sheet - 1) * RIGHTS_A_SHEET],
  );
  return rows;
}

/** Pictures that may stand until a day, and no longer. */
export interface Ending {
  /** The first day, since 1970, on which it may not. */
  readonly until: number;
  readonly id: number | null;
  readonly path: string;
  readonly pictures: number;
  readonly places: number;
}

/** What ends next, a line a day. */
export async function endingsOf(siteId: number): Promise<Ending[]> {
  const { rows } = await database().pool.query<Ending>(
    `select a.until, min(f.id) as id, min(a.file_path) as path, count(distinct a.picture)::int as pictures, count(*)::int as places
     from (${BY_PICTURE}) a left join files f on f.site_id = $1 and f.path = a.file_path and f.gone_in is null
     where a.until is not null group by a.until order by a.until limit 12`,
    [siteId],
  );
  return rows;
}

/** How many places may stand today, and each picture that will not for ever, the first to end first. */
export async function allEndings(
  siteId: number,
): Promise<{ standing: number; endings: Omit<Ending, 'pictures'>[] }> {
  const { pool } = database();
  const [standing, endings] = await Promise.all([
    pool.query<{ count: number }>(
      `select count(*)::int as count from rights_answers where site_id = $1 and may = 'yes'`,
      [siteId],
    ),
    pool.query<Omit<Ending, 'pictures'>>(
      `select a.until, min(f.id) as id, min(a.file_path) as path, count(*)::int as places
       from (${BY_PICTURE}) a left join files f on f.site_id = $1 and f.path = a.file_path and f.gone_in is null
       where a.until is not null and a.may = 'yes' group by a.until, a.picture order by a.until, path limit 500`,
      [siteId],
    ),
  ]);
  return { standing: standing.rows[0]?.count ?? 0, endings: endings.rows };
}

/** How credits are written, as it was recorded last of the site and of some of its pages. */
export async function creditFormsOf(siteId: number) {
  const { rows } = await database().pool.query<{
    form: string | null;
    pattern: string | null;
    always: boolean | null;
  }>(
    `select distinct on (coalesce(body ->> 'pattern', '')) body ->> 'form' as form, body ->> 'pattern' as pattern,
       (body ->> 'always')::boolean as always
     from rights_records where site_id = $1 and kind = 'credit-form' order by coalesce(body ->> 'pattern', ''), id desc`,
    [siteId],
  );
  return rows.map(({ form, pattern, always }) => ({
    form: form ?? 'plain',
    pattern: pattern ?? '',
    always: always ?? false,
  }));
}

/** One answer with the places that have it. */
export interface PictureAnswer {
  readonly may: Verdict;
  readonly because: readonly Code[];
  readonly until: number | null;
  readonly credit: FoundCredit;
  readonly chain: readonly Step[];
  readonly pages: readonly string[];
  readonly places: number;
}

/** The answers for some files, like ones together; those that stand against it first. */
export async function answersOfFiles(siteId: number, paths: readonly string[]): Promise<PictureAnswer[]> {
  const { rows } = await database().pool.query<PictureAnswer>(
    `select may, because, until, credit, chain, count(*)::int as places, array_agg(distinct page_path order by page_path) as pages
     from rights_answers where site_id = $1 and file_path = any($2::text[])
     group by may, because, until, credit, chain
     order by case may when 'no' then 0 when 'unknown' then 1 else 2 end, count(*) desc`,
    [siteId, paths],
  );
  return rows;
}

/** What the file that stands for a picture carries of its rights; `null` where nothing. */
export async function rightsInFile(sha256: string | null): Promise<ProposedRights | null> {
  if (!sha256) return null;
  const { rows } = await database().pool.query<{ metadata: EmbeddedRights }>(
    'select metadata from looks where sha256 = $1',
    [sha256],
  );
  return rows[0] ? proposedRights(rows[0].metadata) : null;
}

/** The same of a file that an edition is to write, and that is not on the site yet. */
export async function rightsInPrepared(sha256: string | null): Promise<ProposedRights | null> {
  return sha256 ? proposedRights(await readMetadata(await storedBytes(sha256))) : null;
}

/** How many papers are kept with a picture, by the file that stands for it. */
export async function papersOfFile(siteId: number, path: string): Promise<number> {
  const { rows } = await database().pool.query<{ count: number }>(
    'select count(*)::int as count from release_papers where site_id = $1 and for_file = $2',
    [siteId, path],
  );
  return rows[0]?.count ?? 0;
}

/** What somebody recorded of a picture by its file, as it is written. */
export async function recordOfFile(siteId: number, path: string) {
  const { rows } = await database().pool.query<{
    body: Record<string, unknown>;
    said_by: string;
    said_at: Date;
  }>(
    `select body, said_by, said_at from rights_records where site_id = $1 and for_file = $2 and kind = 'picture'`,
    [siteId, path],
  );
  return rows[0] ?? null;
}
