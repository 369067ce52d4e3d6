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
import { addJob } from '../../jobs/queue';
import { goOn, TurnOver, UNENDING, type Turn } from '../../jobs/turn';
import { problemOf, ProblemError } from '../../problem-error';
import type { ReadingRules } from '../../reading/read-batch';
import { readCredits } from '../../reading/read-credits';
import { fileFinder, pageFinder } from '../../reading/rights-addresses';
import { sourceShelf } from '../../reading/source-shelf';
import { checkSite } from '../errata/check-site';
import { IN_TURN } from '../errata/pages-to-check';
import { openConnection, rulesOf } from '../sites/site-connection';
import { recordsOf } from './records-of-site';
import { storedRenditions } from './stored-renditions';

const BATCH = 1000;

/**
 * Answers anew for all places of a site. A place that is written otherwise by now than the last survey saw it has no answer
 * until the next one.
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
  try {
    await write(db, site, day, await answersOn(db, site, day, turn));
  } catch (error) {
    if (error instanceof TurnOver) throw error;
    // Told on the screen, and asked again tomorrow, or as soon as a record or the site has changed.
    await keepState(db.pool, { siteId, day, problem: problemOf(error) });
    if (!(error instanceof ProblemError)) throw error;
    return;
  }
  await checkSite(db, siteId, now, turn);
}

async function answersOn(db: Database, site: Site, day: Day, turn: Turn): Promise<AnswerRow[]> {
  const written = await recordsOf(db, site.id);
  if (written.length === 0) return [];
  return answered(db, site, new RecordIndex(written, hostOf(site)), { day, turn });
}

/** Puts the answers in place of those before, and marks the pages whose errata rest on what changed. */
async function write(
  db: Database,
  { id: siteId }: Site,
  day: Day,
  rows: readonly AnswerRow[],
): Promise<void> {
  await asOne(db, async ({ pool }) => {
    const before = await answersByPage(pool, siteId);
    await pool.query('delete from rights_answers where site_id = $1', [siteId]);
    for (let from = 0; from < rows.length; from += BATCH)
      await insertRows(pool, rightsAnswers, rows.slice(from, from + BATCH));
    await keepState(pool, { siteId, day, problem: null });
    const after = await answersByPage(pool, siteId);
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
async function answersByPage(pool: Database['pool'], siteId: number): Promise<Map<string, string>> {
  const { rows } = await pool.query<{ page_path: string; digest: string }>(
    `select page_path, md5(string_agg(concat_ws('|', placement_id, because, until, credit, chain), ',' order by placement_id)) as digest
     from rights_answers where site_id = $1 group by page_path`,
    [siteId],
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
  { day, turn }: { readonly day: number; readonly turn: Turn },
) {
  const rules = rulesOf(site);
  const connection = await openConnection(db, site);
  try {
    const pages = await pagesWithCredits(connection, rules, turn);
    const renditions = await storedRenditions(db, site.id, records);
    const fileOf = fileFinder(rules, records);
    const ids = await placementIds(db, site.id);
    const rows: AnswerRow[] = [];
    const known = {
      ...{ records, fileOf, pageOf: pageFinder(pages, rules) },
      renditionOf: (address: string) => renditions.get(address),
    };
    for (const one of answerSite(pages, known, day)) {
      if (rows.length % BATCH === 0) {
        await setImmediate();
        goOn(turn);
      }
      const placementId = ids.get(keyOf(one.placement));
      if (placementId !== undefined) rows.push(rowOf(one, { placementId, siteId: site.id, filePath: fileOf(one.placement) ?? '' })); // prettier-ignore
    }
    return rows;
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
  turn: Turn,
): Promise<PageOfPlaces<Placement>[]> {
  const { files } = await connection.list();
  const shelf = sourceShelf(await readSources(connection, files), rules);
  const pages: PageOfPlaces<Placement>[] = [];
  for await (const page of readCredits(bytesOf(connection, pagesOf(files)), rules, shelf)) {
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

async function placementIds({ pool }: Database, siteId: number): Promise<Map<string, number>> {
  const { rows } = await pool.query<{ id: string } & Pick<Placement, 'page' | 'source' | 'start' | 'kind'>>(
    `select id, page_path as page, source_path as source, start, kind from placements
     where site_id = $1 and until_survey is null and not (kind = any($2::text[]))`,
    [siteId, WITHOUT_FILE],
  );
  return new Map(rows.map((row) => [keyOf(row), Number(row.id)]));
}

/** Puts those sites into the queue whose rights were not asked about today: what ends, ends overnight. */
export async function queueDueAnswers({ pool }: Database, now: number): Promise<number> {
  const { rows } = await pool.query<{ id: number }>(
    `select distinct r.site_id as id from rights_records r left join rights_states s on s.site_id = r.site_id
     where s.asked_on is distinct from $1`,
    [dayOfMs(now)],
  );
  for (const { id } of rows) await addJob(pool, 'answer-rights', { siteId: id }, `rights-${id}`);
  return rows.length;
}
