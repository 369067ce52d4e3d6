/**
 * One complete reading of a site into the database. Pages whose bytes and style sheets are those of the last survey
 * keep what was read of them. Memory holds one batch of pages, whatever the size of the site.
 */
import { createHash } from 'node:crypto';
import { eq } from 'drizzle-orm';
import type { PoolClient } from 'pg';
import { dormantPlacements, type SheetText } from '@/core/markup/place-styles';
import type { Placement } from '@/core/markup/placement';
import { pagesOf, readPageBytes, readSheets } from '../connections/read-site';
import type { ReadableConnection, SiteFile } from '../connections/connection';
import type { Database } from '../db/database';
import { sites, surveys, type SurveyCounts } from '../db/schema/sites';
import { sha256 } from '../hash';
import { addJob } from '../jobs/queue';
import { problemOf, ProblemError } from '../problem-error';
import { storeBytes } from '../store/store';
import { provePublications } from './prove-publications';
import { addressingOf, openConnection } from './site-connection';
import { withSiteLock } from './site-lock';
import { surveyFiles } from './survey-files';
import { writePages, writePlacements, type ReadPage } from './write-pages';

const BATCH_PAGES = 100;
const MAX_PAGE_BYTES = 50 * 1024 ** 2;

type Site = typeof sites.$inferSelect;

/** Runs a survey that was asked for; what goes wrong is written into it. */
export async function surveySite(db: Database, surveyId: number): Promise<void> {
  const [survey] = await db.orm.select().from(surveys).where(eq(surveys.id, surveyId));
  if (!survey || survey.state === 'done') return;
  const [site] = await db.orm.select().from(sites).where(eq(sites.id, survey.siteId));
  if (!site) return;
  await withSiteLock(db, site.id, async (client) => {
    await db.orm
      .update(surveys)
      .set({ state: 'running', startedAt: new Date(), problem: null })
      .where(eq(surveys.id, surveyId));
    try {
      const counts = await readInto(client, site, { id: surveyId, number: survey.number });
      await provePublications(db, site);
      await db.orm
        .update(surveys)
        .set({ state: 'done', counts, finishedAt: new Date() })
        .where(eq(surveys.id, surveyId));
    } catch (error) {
      await db.orm
        .update(surveys)
        .set({ state: 'failed', problem: problemOf(error), finishedAt: new Date() })
        .where(eq(surveys.id, surveyId));
      if (!(error instanceof ProblemError)) throw error;
    }
  });
  await addJob(db.pool, 'make-thumbnails', { siteId: site.id }, `thumbnails-${site.id}`);
}

async function readInto(
  client: PoolClient,
  site: Site,
  survey: { id: number; number: number },
): Promise<SurveyCounts> {
  const connection = await openConnection(site);
  const { files, skipped } = await connection.list();
  const pages = pagesOf(files);
  await client.query('update surveys set pages_total = $2, pages_done = 0 where id = $1', [
    survey.id,
    pages.length,
  ]);
  const addressing = addressingOf(site);
  const sheets = await readSheets(connection, files, addressing);
  const sheetsKey = keyOf(sheets);
  const known = await knownPages(client, site.id, sheetsKey);

  let changedPages = 0;
  for (let from = 0; from < pages.length; from += BATCH_PAGES) {
    const batch = pages.slice(from, from + BATCH_PAGES);
    const read: ReadPage[] = [];
    for (const file of batch) {
      const page = await readOne(connection, file, known);
      if (!page) continue;
      const reading = readPageBytes(page, addressing, (path) => sheets.get(path));
      read.push({ ...page, file, sheetsKey, reading });
    }
    changedPages += read.length;
    await inTransaction(client, () => writePages(client, { siteId: site.id, survey: survey.number }, read));
    await client.query('update surveys set pages_done = $2 where id = $1', [survey.id, from + batch.length]);
  }
  await inTransaction(client, async () => {
    await writeDormant(client, site, { sheets, survey: survey.number });
    await closeGone(client, site.id, { survey: survey.number, paths: pages.map(({ path }) => path) });
  });
  const fileCount = await surveyFiles(client, connection, { siteId: site.id, survey: survey.number, files });
  for (const sheet of sheets.keys()) await storeBytes(await connection.read(sheet));
  const { rows } = await client.query<{ count: string }>(
    'select count(*) from placements where site_id = $1 and until_survey is null',
    [site.id],
  );
  return {
    pages: pages.length,
    changedPages,
    placements: Number(rows[0]?.count ?? 0),
    files: fileCount,
    skipped: skipped.slice(0, 200),
  };
}

function keyOf(sheets: ReadonlyMap<string, SheetText>): string {
  const hash = createHash('sha256');
  for (const [path, sheet] of sheets) hash.update(`${path}\0${sheet.source.text}\0`);
  return hash.digest('hex');
}

/** Hash by path of the pages that need not be read again if their bytes are the same. */
async function knownPages(
  client: PoolClient,
  siteId: number,
  sheetsKey: string,
): Promise<Map<string, string>> {
  const { rows } = await client.query<{ path: string; sha256: string }>(
    'select path, sha256 from pages where site_id = $1 and gone_in is null and sheets_key = $2',
    [siteId, sheetsKey],
  );
  return new Map(rows.map(({ path, sha256: hash }) => [path, hash]));
}

/** A page's bytes where they are new; `null` where nothing changed or the page is beyond reading. */
async function readOne(connection: ReadableConnection, file: SiteFile, known: ReadonlyMap<string, string>) {
  if (file.sizeBytes > MAX_PAGE_BYTES) return null;
  const bytes = await connection.read(file.path);
  const hash = sha256(bytes);
  if (known.get(file.path) === hash) return null;
  await storeBytes(bytes);
  return { path: file.path, bytes, hash };
}

/** Rules of style sheets that meet nothing on any page, written anew at each survey: they are few. */
async function writeDormant(
  client: PoolClient,
  site: Site,
  { sheets, survey }: { sheets: ReadonlyMap<string, SheetText>; survey: number },
): Promise<void> {
  const { rows } = await client.query<{ source_path: string; start: number }>(
    `select distinct source_path, start from placements
     where site_id = $1 and until_survey is null and kind = 'css' and not dormant and source_path <> page_path`,
    [site.id],
  );
  const met = new Set(rows.map((row) => `${row.source_path}#${row.start}`));
  const dormant: Placement[] = [...sheets.values()].flatMap((sheet) =>
    dormantPlacements(sheet, met, addressingOf(site)),
  );
  await client.query(
    'delete from placements where site_id = $1 and dormant and page_path = source_path and page_path = any($2::text[])',
    [site.id, [...sheets.keys()]],
  );
  await writePlacements(client, { siteId: site.id, survey }, dormant);
}

/** Marks pages that are no longer there, and ends their placements. */
async function closeGone(
  client: PoolClient,
  siteId: number,
  { survey, paths }: { survey: number; paths: readonly string[] },
): Promise<void> {
  const { rows } = await client.query<{ path: string }>(
    `update pages set gone_in = $2 where site_id = $1 and gone_in is null and not (path = any($3::text[])) returning path`,
    [siteId, survey, paths],
  );
  if (rows.length === 0) return;
  await client.query(
    'update placements set until_survey = $2 where site_id = $1 and until_survey is null and page_path = any($3::text[])',
    [siteId, survey, rows.map(({ path }) => path)],
  );
}

/** Runs statements as one transaction of a session. */
async function inTransaction(client: PoolClient, run: () => Promise<void>): Promise<void> {
  await client.query('begin');
  try {
    await run();
    await client.query('commit');
  } catch (error) {
    await client.query('rollback');
    throw error;
  }
}
