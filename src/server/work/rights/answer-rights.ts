/** Answers for every placement of a site whether its picture may stand there, from the records and from what the pages say. */
import { setImmediate } from 'node:timers/promises';
import { eq } from 'drizzle-orm';
import { dayOfMs, type Day } from '@/core/dating/day';
import type { Placement } from '@/core/markup/placement';
import type { Problem } from '@/core/problem';
import { answerSite, type AnsweredPlace, type PageOfPlaces } from '@/core/rights/answer-site';
import { RecordIndex } from '@/core/rights/record-index';
import type { ReadableConnection } from '../../connections/connection';
import { bytesOf } from '../../connections/read-site';
import { pagesOf, readSources } from '../../connections/site-sources';
import type { Database } from '../../db/database';
import { asOne } from '../../db/in-transaction';
import { insertRows } from '../../db/insert-rows';
import { rightsAnswers } from '../../db/schema/rights';
import { sites } from '../../db/schema/sites';
import { goOn, TurnOver, UNENDING, type Turn } from '../../jobs/turn';
import { problemOf, ProblemError } from '../../problem-error';
import type { ReadingRules } from '../../reading/read-batch';
import { readCredits } from '../../reading/read-credits';
import { fileFinder, pageFinder } from '../../reading/rights-addresses';
import { sourceShelf } from '../../reading/source-shelf';
import { checkSite } from '../errata/check-site';
import { IN_TURN } from '../errata/pages-to-check';
import { openConnection, rulesOf } from '../sites/site-connection';
import { gatherDueWithdrawals } from './people/withdraw-release';
import { recordsOf } from './records-of-site';
import { storedRenditions } from './stored-renditions';

const BATCH = 1000;

/**
 * Answers anew for the places of a site: for all of them, or, where only records of some pictures have changed since, for
 * the pages that these stand on. A place that is written otherwise by now than the last survey saw it has no answer until
 * the next one.
 *
 * @param now milliseconds since 1970: the day that is asked about
 * @throws TurnOver where the worker is to end; the answers before stay
 */
export async function answerRights(
  db: Database,
  siteId: number,
  now: number,
  turn: Turn = UNENDING,
): Promise<void> {
  const [site] = await db.orm.select().from(sites).where(eq(sites.id, siteId));
  if (!site) return;
  const day = dayOfMs(now);
  const before = await stateOf(db.pool, siteId);
  try {
    const scope = await scopeOf(db, siteId, before?.askedOn === day ? before : null);
    const written = await recordsOf(db, siteId);
    const found =
      written.length === 0
        ? { rows: [], creditPages: [] }
        : await answered(db, site, new RecordIndex(written, hostOf(site)), { day, turn, scope });
    await write(db, site, {
      day,
      scope,
      touches: before?.touches ?? 0,
      askedOn: before?.askedOn ?? day,
      ...found,
    });
  } catch (error) {
    if (error instanceof TurnOver) throw error;
    // Told on the screen, and asked again tomorrow, or as soon as a record or the site has changed.
    await keepState(db.pool, { siteId, day, problem: problemOf(error) });
    if (!(error instanceof ProblemError)) throw error;
    return;
  }
  await checkSite(db, siteId, now, turn);
}

interface State {
  /** Days since 1970. */
  readonly askedOn: number | null;
  readonly touched: readonly string[] | null;
  readonly touches: number;
  readonly creditPages: readonly string[];
}

async function stateOf(pool: Database['pool'], siteId: number): Promise<State | null> {
  const { rows } = await pool.query<State>(
    `select asked_on as "askedOn", touched, touches, credit_pages as "creditPages" from rights_states where site_id = $1`,
    [siteId],
  );
  return rows[0] ?? null;
}

/** The pages to ask about; `null` for all. */
interface Scope {
  /** Those whose answers may change. */
  readonly pages: readonly string[];
  /** Those, and the pages of credits on which they may rest. */
  readonly toRead: ReadonlySet<string>;
  /** Every file that some place shows: a page of credits may name any. */
  readonly files: readonly string[];
}

/** @param state of today; `null` where another day, or nothing, was asked about before */
async function scopeOf({ pool }: Database, siteId: number, state: State | null): Promise<Scope | null> {
  if (!state || state.touched === null) return null;
  const { rows } = await pool.query<{ page: string }>(
    `select distinct page_path as page from placements p join files f on f.site_id = p.site_id and f.path = p.file_path
     where p.site_id = $1 and p.until_survey is null and (f.path = any($2::text[]) or f.picture_id in (
       select picture_id from files where site_id = $1 and path = any($2::text[]) and gone_in is null))`,
    [siteId, state.touched],
  );
  const pages = rows.map(({ page }) => page);
  // Most of a site is no scope.
  if (pages.length > MOST_PAGES) return null;
  const shown = await pool.query<{ path: string }>(
    'select distinct file_path as path from placements where site_id = $1 and until_survey is null and file_path is not null',
    [siteId],
  );
  return {
    pages,
    toRead: new Set([...pages, ...state.creditPages]),
    files: shown.rows.map(({ path }) => path),
  };
}

const MOST_PAGES = 500;

interface Answered {
  readonly day: Day;
  readonly scope: Scope | null;
  readonly rows: readonly AnswerRow[];
  /** What was touched before it was asked. */
  readonly touches: number;
  readonly creditPages: readonly string[];
  /** The day that was asked about before. */
  readonly askedOn: Day;
}

/** Puts the answers in place of those before, and marks the pages whose errata rest on what changed. */
async function write(
  db: Database,
  { id: siteId }: Site,
  { day, scope, rows, touches, creditPages, askedOn }: Answered,
): Promise<void> {
  const pages = scope?.pages ?? null;
  await asOne(db, async (tx) => {
    const { pool } = tx;
    const before = await answersByPage(pool, siteId, pages);
    await pool.query(
      'delete from rights_answers where site_id = $1 and ($2::text[] is null or page_path = any($2))',
      [siteId, pages],
    );
    for (let from = 0; from < rows.length; from += BATCH)
      await insertRows(pool, rightsAnswers, rows.slice(from, from + BATCH));
    await keepState(pool, { siteId, day, problem: null });
    if (askedOn < day) await gatherDueWithdrawals(tx, siteId, { after: askedOn, until: day });
    await pool.query(
      `update rights_states set touched = case when touches = $2 then '{}' else touched end,
         credit_pages = coalesce($3, credit_pages) where site_id = $1`,
      [siteId, touches, scope ? null : creditPages],
    );
    const after = await answersByPage(pool, siteId, pages);
    const changed = [...new Set([...before.keys(), ...after.keys()])].filter(
      (path) => before.get(path) !== after.get(path),
    );
    // What ends soon speaks on another day with the same answers.
    const ending = [...new Set(rows.flatMap(({ until, pagePath }) => (until ? [pagePath] : [])))];
    await pool.query(
      `update pages set checked_in = null where id in (
         select id from pages where site_id = $1 and path = any($2::text[]) ${IN_TURN})`,
      [siteId, [...changed, ...ending]],
    );
  });
}

async function keepState(
  pool: Database['pool'],
  { siteId, day, problem }: { readonly siteId: number; readonly day: Day; readonly problem: Problem | null },
): Promise<void> {
  await pool.query(
    `insert into rights_states (site_id, asked_on, answered_at, problem)
     values ($1, $2, case when $3::jsonb is null then now() end, $3)
     on conflict (site_id) do update set asked_on = excluded.asked_on, problem = excluded.problem,
       answered_at = coalesce(excluded.answered_at, rights_states.answered_at)`,
    [siteId, day, problem === null ? null : JSON.stringify(problem)],
  );
}

/** What of the answers errata rest on, as a digest a page. */
async function answersByPage(
  pool: Database['pool'],
  siteId: number,
  pages: readonly string[] | null,
): Promise<Map<string, string>> {
  const { rows } = await pool.query<{ page_path: string; digest: string }>(
    `select page_path, md5(string_agg(concat_ws('|', placement_id, because, until, credit, chain), ',' order by placement_id)) as digest
     from rights_answers where site_id = $1 and ($2::text[] is null or page_path = any($2)) group by page_path`,
    [siteId, pages],
  );
  return new Map(rows.map(({ page_path: path, digest }) => [path, digest]));
}

type Site = typeof sites.$inferSelect;
type AnswerRow = typeof rightsAnswers.$inferInsert;

const hostOf = ({ liveUrl, connection }: Site): string | null => {
  const url = liveUrl ?? (connection.kind === 'http' ? connection.start : null);
  return url === null ? null : new URL(url).host;
};

async function answered(
  db: Database,
  site: Site,
  records: RecordIndex,
  { day, turn, scope }: { readonly day: number; readonly turn: Turn; readonly scope: Scope | null },
): Promise<Pick<Answered, 'rows' | 'creditPages'>> {
  const rules = rulesOf(site);
  const connection = await openConnection(db, site);
  try {
    const pages = await pagesWithCredits(connection, rules, { turn, scope });
    const renditions = await storedRenditions(db, site.id, records);
    const fileOf = fileFinder(rules, records);
    const ids = await placementIds(db, site.id, scope?.pages ?? null);
    const rows: AnswerRow[] = [];
    const known = {
      ...{ records, fileOf, pageOf: pageFinder(pages, rules) },
      renditionOf: (address: string) => renditions.get(address),
      otherFiles: scope?.files ?? [],
    };
    for (const one of answerSite(pages, known, day)) {
      if (rows.length % BATCH === 0) {
        await setImmediate();
        goOn(turn);
      }
      const placementId = ids.get(keyOf(one.placement));
      if (placementId !== undefined) rows.push(rowOf(one, { placementId, siteId: site.id, filePath: fileOf(one.placement) ?? '' })); // oxfmt-ignore
    }
    const isCredits = ({ address, credits }: PageOfPlaces<Placement>) => credits?.isCreditsPage || records.creditPages.has(address); // oxfmt-ignore
    return { rows, creditPages: pages.filter(isCredits).map(({ address }) => address) };
  } finally {
    await connection.close();
  }
}

function rowOf(
  { placement, answer, credit }: AnsweredPlace<Placement>,
  of: { readonly placementId: number; readonly siteId: number; readonly filePath: string },
): AnswerRow {
  const { may, because, until, chain } = answer;
  return { ...of, pagePath: placement.page, may, because, until, credit, chain };
}

async function pagesWithCredits(
  connection: ReadableConnection,
  rules: ReadingRules,
  { turn, scope }: { readonly turn: Turn; readonly scope: Scope | null },
): Promise<PageOfPlaces<Placement>[]> {
  const { files } = await connection.list();
  const shelf = sourceShelf(await readSources(connection, files), rules);
  const wanted = pagesOf(files).filter(({ path }) => scope === null || scope.toRead.has(path));
  const pages: PageOfPlaces<Placement>[] = [];
  for await (const page of readCredits(bytesOf(connection, wanted), rules, shelf)) {
    goOn(turn);
    pages.push(page);
  }
  return pages;
}

const keyOf = ({
  page,
  source,
  start,
  kind,
}: Pick<Placement, 'page' | 'source' | 'start' | 'kind'>): string => `${page}\n${source}\n${start}\n${kind}`;

/** Kinds that are places, and show no file of their own. */
const WITHOUT_FILE: readonly Placement['kind'][] = ['area', 'drawn', 'audio'];

async function placementIds(
  { pool }: Database,
  siteId: number,
  pages: readonly string[] | null,
): Promise<Map<string, number>> {
  const { rows } = await pool.query<{ id: string } & Pick<Placement, 'page' | 'source' | 'start' | 'kind'>>(
    `select id, page_path as page, source_path as source, start, kind from placements
     where site_id = $1 and until_survey is null and not (kind = any($2::text[]))
       and ($3::text[] is null or page_path = any($3))`,
    [siteId, WITHOUT_FILE, pages],
  );
  return new Map(rows.map((row) => [keyOf(row), Number(row.id)]));
}
