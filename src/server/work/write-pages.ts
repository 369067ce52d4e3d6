/** Writes what a survey read of pages: the pages, and their placements with the surveys between which they stood. */
import type { PoolClient } from 'pg';
import type { Placement } from '@/core/markup/placement';
import type { PageReading } from '@/core/markup/read-page';
import type { SiteFile } from '../connections/connection';
import { insertRows } from '../db/insert-rows';
import { pages, placements } from '../db/schema/content';

export interface ReadPage {
  readonly path: string;
  readonly hash: string;
  readonly file: SiteFile;
  readonly sheetsKey: string;
  readonly reading: PageReading;
}

interface At {
  readonly siteId: number;
  /** Number of the survey. */
  readonly survey: number;
}

const BATCH_ROWS = 2000;

/** The first folder of a path; empty at the root. */
function sectionOf(path: string): string {
  return path.includes('/') ? path.slice(0, path.indexOf('/')) : '';
}

/** Replaces what is known of some pages by what was just read. */
export async function writePages(client: PoolClient, at: At, read: readonly ReadPage[]): Promise<void> {
  if (read.length === 0) return;
  const paths = read.map(({ path }) => path);
  const before = await endPlacements(client, at, paths);
  await client.query('delete from pages where site_id = $1 and path = any($2::text[])', [at.siteId, paths]);
  await insertRows(
    client,
    pages,
    read.map(({ path, hash, file, sheetsKey, reading }) => ({
      siteId: at.siteId,
      path,
      section: sectionOf(path),
      title: reading.title,
      language: reading.language,
      encoding: reading.encoding,
      sha256: hash,
      sizeBytes: file.sizeBytes,
      sheetsKey,
      modifiedAt: file.modifiedMs === null ? null : new Date(file.modifiedMs),
      readIn: at.survey,
      goneIn: null,
    })),
  );
  await writePlacements(
    client,
    at,
    read.flatMap(({ reading }) => reading.placements),
    before,
  );
}

/** Since which survey each spot shows what it shows: by page, thread and reference. */
type Since = ReadonlyMap<string, number>;

const spotKey = (page: string, thread: string, raw: string) => `${page}\n${thread}\n${raw}`;

/** Ends the placements of pages that are written anew, and tells since when each stood. */
async function endPlacements(
  client: PoolClient,
  { siteId, survey }: At,
  paths: readonly string[],
): Promise<Since> {
  const { rows } = await client.query<{
    page_path: string;
    thread: string;
    raw: string;
    since_survey: number;
  }>(
    `update placements set until_survey = $2
     where site_id = $1 and until_survey is null and page_path = any($3::text[])
     returning page_path, thread, raw, since_survey`,
    [siteId, survey, paths],
  );
  return new Map(rows.map((row) => [spotKey(row.page_path, row.thread, row.raw), row.since_survey]));
}

/** Adds placements as standing since this survey, or since an earlier one that saw the same reference at the spot. */
export async function writePlacements(
  client: PoolClient,
  { siteId, survey }: At,
  found: readonly Placement[],
  before: Since = new Map(),
): Promise<void> {
  const ordinals = new Map<string, number>();
  const rows = found.map((placement) => {
    const { page, thread, raw, address } = placement;
    const ordinal = (ordinals.get(page) ?? 0) + 1;
    ordinals.set(page, ordinal);
    const { source, kind, start, end, line, column, alt, name, caption, link } = placement;
    const { decorative, hidden, dormant, context, declared, words } = placement;
    return {
      ...{ siteId, pagePath: page, sourcePath: source, kind, ordinal, raw, start, end, line, column, thread },
      ...{ alt, name, caption, link, decorative, hidden, dormant, context, declared, words },
      filePath: address.kind === 'site' ? address.path : null,
      url: address.kind === 'elsewhere' ? address.url.slice(0, 4000) : null,
      sinceSurvey: before.get(spotKey(page, thread, raw)) ?? survey,
    };
  });
  for (let from = 0; from < rows.length; from += BATCH_ROWS) {
    await insertRows(client, placements, rows.slice(from, from + BATCH_ROWS));
  }
  await client.query(
    `delete from placements old using placements now
     where old.site_id = $1 and old.until_survey = $2 and now.site_id = $1 and now.until_survey is null
       and now.page_path = old.page_path and now.thread = old.thread and now.raw = old.raw
       and old.page_path = any($3::text[])`,
    [siteId, survey, [...ordinals.keys()]],
  );
}
