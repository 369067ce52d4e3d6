/**
 * One complete reading of a site into the database. Pages whose bytes and style sheets are those of the last survey
 * keep what was read of them. Memory holds a few batches of pages, whatever the size of the site.
 */
import { createHash } from 'node:crypto';
import { eq } from 'drizzle-orm';
import type { PoolClient } from 'pg';
import { dormantPlacements } from '@/core/markup/place-styles';
import { READER_VERSION } from '@/core/markup/read-page';
import { pagesOf, readSources, readTextOrTell, type OnUnread } from '../../connections/site-sources';
import type { SiteFile, SkippedEntry } from '../../connections/connection';
import type { Database } from '../../db/database';
import { freshStatistics } from '../../db/fresh-statistics';
import { asOne, inTransaction } from '../../db/in-transaction';
import { sites, surveys, type SurveyCounts } from '../../db/schema/sites';
import { sha256 } from '../../hash';
import { addJob } from '../../jobs/queue';
import { TurnOver, UNENDING, type Turn } from '../../jobs/turn';
import { problemOf, ProblemError } from '../../problem-error';
import { jsonOf, type PageBytes } from '../../reading/read-batch';
import { openReadingPool, type ReadingPool } from '../../reading/reading-pool';
import type { SharedSource } from '../../reading/source-shelf';
import { storeBytes } from '../../store/store';
import { closeGonePages, closeGoneSheets, countDifference } from './close-survey';
import { openForSurvey } from './open-for-survey';
import { provePublications } from '../editions/prove-publications';
import { rulesOf } from '../sites/site-connection';
import { withSiteLock } from '../sites/site-lock';
import { picturesOf, surveyFiles } from './survey-files';
import type { SurveyConnection } from './survey-connection';
import { updateReach } from '../reach/update-reach';
import { updateTallies } from './update-tallies';
import { writeDormant, writePages, type ReadPage, type WritingAt } from './write-pages';

type Site = typeof sites.$inferSelect;

interface Running {
  readonly id: number;
  readonly number: number;
  readonly turn: Turn;
}

/**
 * Runs a survey that was asked for; what goes wrong is written into it.
 *
 * @throws TurnOver where the worker is to end: the survey waits, and goes on with what it had not read
 */
export async function surveySite(db: Database, surveyId: number, turn: Turn = UNENDING): Promise<void> {
  const [survey] = await db.orm.select().from(surveys).where(eq(surveys.id, surveyId));
  if (!survey || survey.state === 'done' || survey.state === 'stopped') return;
  const [site] = await db.orm.select().from(sites).where(eq(sites.id, survey.siteId));
  if (!site) return;
  await withSiteLock(db, site.id, async (client) => {
    await db.orm
      .update(surveys)
      .set({ state: 'running', startedAt: survey.startedAt ?? new Date(), problem: null, finishedAt: null })
      .where(eq(surveys.id, surveyId));
    let left: Surveyed['addUp'];
    try {
      const { counts, isStopped, addUp } = await readInto(db, client, site, {
        id: surveyId,
        number: survey.number,
        turn,
      });
      if (turn.isOver && !isStopped) throw new TurnOver();
      if (!isStopped) await provePublications(db, site);
      await end(db, survey, { state: isStopped ? 'stopped' : 'done', counts });
      left = addUp;
    } catch (error) {
      if (error instanceof TurnOver) {
        await db.orm.update(surveys).set({ state: 'waiting' }).where(eq(surveys.id, surveyId));
        throw error;
      }
      await end(db, survey, { state: 'failed', problem: problemOf(error) });
      if (!(error instanceof ProblemError)) throw error;
    }
    // Nobody waits for it: whoever pressed Stop has been told. Where this fails or dies, it stays stopped, and the next survey
    // adds up all.
    await left?.();
  });
}

/** Writes how a survey ended, and has what it read looked at: both, or neither where the process dies here. */
async function end(
  db: Database,
  { id, siteId }: Pick<typeof surveys.$inferSelect, 'id' | 'siteId'>,
  how: Pick<typeof surveys.$inferInsert, 'state' | 'counts' | 'problem'>,
): Promise<void> {
  await asOne(db, async (tx) => {
    await tx.orm
      .update(surveys)
      .set({ ...how, finishedAt: new Date(), phase: '' })
      .where(eq(surveys.id, id));
    await addJob(tx.pool, 'know-pictures', { siteId }, `pictures-${siteId}`);
  });
}

/** How a survey tells where it is, and hears that it is to stop. */
function reporter({ pool }: Database, survey: Running) {
  let isStopped = false;
  let askedAt = 0;
  const say = async (phase: string, done: number, total: number): Promise<void> => {
    const { rows } = await pool.query<{ stop_wanted: boolean }>(
      'update surveys set phase = $2, pages_done = $3, pages_total = $4 where id = $1 returning stop_wanted',
      [survey.id, phase, done, total],
    );
    isStopped ||= rows[0]?.stop_wanted ?? false;
  };
  return {
    say,
    /** Said at most twice a second, from where nobody waits for it. */
    mention(phase: string, done: number, total: number): void {
      if (Date.now() - askedAt < 500) return;
      askedAt = Date.now();
      say(phase, done, total).catch(
        (error: unknown) => void process.stderr.write(`survey: ${String(error)}\n`),
      );
    },
    /** Whether somebody asked this survey to stop. */
    isStopped: () => isStopped,
    /** Whether nothing more should be begun: for that, or because the worker is to end. */
    isEnding: () => isStopped || survey.turn.isOver,
  };
}

type Reporter = ReturnType<typeof reporter>;

interface Surveyed {
  readonly counts: SurveyCounts;
  readonly isStopped: boolean;
  /** What is left to be added up once the survey has ended. */
  readonly addUp?: () => Promise<void>;
}

async function readInto(db: Database, client: PoolClient, site: Site, survey: Running): Promise<Surveyed> {
  const report = reporter(db, survey);
  const connection = await openForSurvey(db, site, survey.number, {
    isStopped: report.isEnding,
    onProgress: (done, total) => report.mention('asking the server', done, total),
  });
  try {
    return await readThrough(client, site, survey, { connection, report });
  } finally {
    await connection.close();
  }
}

async function readThrough(
  client: PoolClient,
  site: Site,
  survey: Running,
  { connection, report }: { connection: SurveyConnection; report: Reporter },
): Promise<Surveyed> {
  const { files, skipped, isWhole } = await connection.list();
  const pages = pagesOf(files);
  await report.say('reading pages', 0, pages.length);
  const unread: SkippedEntry[] = [];
  const tell: OnUnread = (entry) => void unread.push(entry);
  const sources = await readSources(connection, files, tell);
  const at: WritingAt = {
    siteId: site.id,
    survey: survey.number,
    sheetsKey: keyOf(sources),
    sections: await patternsOf(client, site.id),
  };
  const known = await knownPages(client, at);
  const pool = await openReadingPool(rulesOf(site), sources, pages.length - known.size);
  let changedPages = 0;
  try {
    const changed = changedPagesOf({ connection, pages, known, report, tell });
    for await (const batch of pool.read(changed.bytes(), 'records')) {
      const read: ReadPage[] = [];
      for (const found of batch) {
        const entry = changed.take(found.path);
        if (found.problem) unread.push({ path: found.path, reason: found.problem });
        else read.push({ ...entry, found });
      }
      await inTransaction(client, () => writePages(client, at, read));
      changedPages += read.length;
      await report.say('reading pages', changed.looked(), pages.length);
      // What threads are reading besides is given up with them.
      if (report.isEnding()) break;
    }
    await report.say('closing', pages.length, pages.length);
    if (changedPages > 0 && !report.isStopped()) await freshStatistics(client, ['pages', 'placements']);
    await inTransaction(client, async () => {
      await keepMarks(client, site.id, changed.remarked());
      await writeAllDormant(client, site, at, { pool, sources });
      if (!isWhole || report.isEnding()) return;
      await closeGonePages(client, at, pathsOf(pages));
      await closeGoneSheets(client, at, pathsOf(sources));
    });
  } finally {
    await pool.close();
  }
  const counted = { pages: pages.length, changedPages, skipped: [...unread, ...skipped].slice(0, MOST_TOLD) };
  if (report.isStopped()) {
    const left = {
      ...counted,
      placements: await standing(client, site.id),
      files: picturesOf(files).length,
    };
    return {
      counts: { ...left, ...(await countDifference(client, at)) },
      isStopped: true,
      addUp: async () => {
        for (const { bytes } of sources) await storeBytes(new Uint8Array(bytes));
        await freshStatistics(client, ['pages', 'placements']);
        await updateTallies(client, site.id);
        await updateReach(client, site.id);
      },
    };
  }
  await report.say('looking at files', pages.length, pages.length);
  const fileCount = await surveyFiles(client, connection, {
    ...{ siteId: site.id, survey: survey.number, files },
    isEnding: report.isEnding,
    onProgress: (done, total) => report.mention('looking at files', done, total),
  });
  const isStopped = report.isStopped();
  if (fileCount.changed > 0) await freshStatistics(client, ['files']);
  for (const { bytes } of sources) await storeBytes(new Uint8Array(bytes));
  const difference = await countDifference(client, at);
  // What is added up over places changes only where something did, here or in a survey that did not come so far.
  const isSame =
    changedPages === 0 && fileCount.changed === 0 && Object.values(difference).every((n) => n === 0);
  if (!isSame || !(await wasLastDone(client, at))) {
    await updateTallies(client, site.id);
    await updateReach(client, site.id);
  }
  const placements = await standing(client, site.id);
  const told = [...counted.skipped, ...fileCount.unread].slice(0, MOST_TOLD);
  const counts = { ...counted, skipped: told, placements, files: fileCount.files, ...difference };
  return { counts, isStopped };
}

const pathsOf = (files: readonly { readonly path: string }[]): string[] => files.map(({ path }) => path);

/** How many placements stand on the site as far as it was read. */
async function standing(client: PoolClient, siteId: number): Promise<number> {
  const { rows } = await client.query<{ count: string }>(
    'select count(*) from placements where site_id = $1 and until_survey is null',
    [siteId],
  );
  return Number(rows[0]?.count ?? 0);
}

function keyOf(sources: readonly SharedSource[]): string {
  const hash = createHash('sha256').update(`${READER_VERSION}\0`);
  for (const { path, bytes } of sources) hash.update(`${path}\0`).update(new Uint8Array(bytes)).update('\0');
  return hash.digest('hex');
}

/** Whether the survey before this one came to its end. */
async function wasLastDone(client: PoolClient, { siteId, survey }: WritingAt): Promise<boolean> {
  const { rows } = await client.query<{ state: string }>(
    'select state from surveys where site_id = $1 and number < $2 order by number desc limit 1',
    [siteId, survey],
  );
  return rows[0]?.state === 'done';
}

async function patternsOf(client: PoolClient, siteId: number): Promise<string[]> {
  const { rows } = await client.query<{ pattern: string }>(
    'select pattern from sections where site_id = $1',
    [siteId],
  );
  return rows.map(({ pattern }) => pattern);
}

interface KnownPage {
  readonly path: string;
  readonly sha256: string;
  readonly mark: string | null;
}

/** The pages that need not be read again if their bytes are the same. */
async function knownPages(
  client: PoolClient,
  { siteId, sheetsKey }: WritingAt,
): Promise<Map<string, KnownPage>> {
  const { rows } = await client.query<KnownPage>(
    'select path, sha256, mark from pages where site_id = $1 and gone_in is null and sheets_key = $2',
    [siteId, sheetsKey],
  );
  return new Map(rows.map((row) => [row.path, row]));
}

/** The pages whose bytes are new, kept in the store as they are read; the others are only looked at. */
function changedPagesOf({
  connection,
  pages,
  known,
  report,
  tell,
}: {
  connection: SurveyConnection;
  pages: readonly SiteFile[];
  known: ReadonlyMap<string, KnownPage>;
  report: Reporter;
  /** Pages that were listed and can't be had: told, and no reason to leave the others. */
  tell: OnUnread;
}) {
  const open = new Map<string, { file: SiteFile; sha256: string }>();
  const remarked: { path: string; mark: string }[] = [];
  let looked = 0;
  const readOne = async (file: SiteFile): Promise<PageBytes | null> => {
    const before = known.get(file.path);
    const given = connection.hashOf?.(file.path);
    if (before && (given === before.sha256 || (file.mark && file.mark === before.mark))) return null;
    const bytes = await readTextOrTell(connection, file, tell);
    if (!bytes) return null;
    const hash = given ?? sha256(bytes);
    if (before?.sha256 === hash) {
      if (file.mark) remarked.push({ path: file.path, mark: file.mark });
      return null;
    }
    if (given === undefined) await storeBytes(bytes);
    open.set(file.path, { file, sha256: hash });
    const { path, url, httpCharset, isXml } = file;
    return { path, bytes, url, httpCharset, isXml };
  };
  return {
    looked: () => looked,
    /** Pages that are as they were, though their files' marks are not. */
    remarked: () => remarked,
    take(path: string) {
      const entry = open.get(path);
      if (!entry) throw new Error(`${path} was not handed out`);
      open.delete(path);
      return entry;
    },
    async *bytes(): AsyncGenerator<PageBytes> {
      for (let from = 0; from < pages.length && !report.isEnding(); from += AT_ONCE) {
        const some = pages.slice(from, from + AT_ONCE);
        const read = await Promise.all(some.map(readOne));
        looked = Math.min(pages.length, from + AT_ONCE);
        report.mention('reading pages', looked, pages.length);
        for (const page of read) if (page) yield page;
      }
    },
  };
}

/** So many things that were not read are told one by one. */
const MOST_TOLD = 500;

/** Files that are read side by side: disks and servers answer faster so. */
const AT_ONCE = 16;

/** Notes the new marks of pages that only look new, so that the next survey need not open them again. */
async function keepMarks(
  client: PoolClient,
  siteId: number,
  marks: readonly { readonly path: string; readonly mark: string }[],
): Promise<void> {
  await client.query(
    `update pages p set mark = v.mark from unnest($2::text[], $3::text[]) as v(path, mark)
     where p.site_id = $1 and p.path = v.path`,
    [siteId, marks.map(({ path }) => path), marks.map(({ mark }) => mark)],
  );
}

/** Rules of style sheets that meet nothing on any page. */
async function writeAllDormant(
  client: PoolClient,
  site: Site,
  at: WritingAt,
  { pool, sources }: { pool: ReadingPool; sources: readonly SharedSource[] },
): Promise<void> {
  const { rows } = await client.query<{ source_path: string; start: number }>(
    `select distinct source_path, start from placements
     where site_id = $1 and until_survey is null and kind = 'css' and not dormant and source_path <> page_path`,
    [site.id],
  );
  const met = new Set(rows.map((row) => `${row.source_path}#${row.start}`));
  const dormant = pool.shelf.sheets().flatMap((sheet) => dormantPlacements(sheet, met, rulesOf(site)));
  await writeDormant(client, at, {
    sheets: pathsOf(sources),
    json: jsonOf(dormant, 'records', rulesOf(site)),
  });
}
