/**
 * Writes what a survey read of pages: the pages, and their placements with the surveys between which they stood. A
 * placement that shows, says and stands as before stays as it is; one that changed gets a new row on the same thread.
 */
import type { PoolClient } from 'pg';
import { keepThreads, type KnownPlace } from '@/core/markup/keep-threads';
import { sectionOf } from '@/core/address/section-of';
import type { SiteFile } from '../../connections/connection';
import { insertRows } from '../../db/insert-rows';
import { storableJson } from '../../db/storable';
import { pages } from '../../db/schema/content';
import type { PlacementRecord } from '../../reading/placement-record';
import type { PageFound } from '../../reading/read-batch';

export interface ReadPage {
  readonly file: SiteFile;
  readonly sha256: string;
  readonly found: PageFound;
}

export interface WritingAt {
  readonly siteId: number;
  /** Number of the survey. */
  readonly survey: number;
  /** Fingerprint of the style sheets the pages were read with. */
  readonly sheetsKey: string;
  /** Patterns of the site's sections. */
  readonly sections: readonly string[];
}

/** Replaces what is known of some pages by what was just read. */
export async function writePages(
  client: PoolClient,
  at: WritingAt,
  read: readonly ReadPage[],
): Promise<void> {
  if (read.length === 0) return;
  const { siteId, survey, sheetsKey, sections } = at;
  const paths = read.map(({ found }) => found.path);
  const known = await knownPlaces(client, siteId, paths);
  const { rows } = await client.query<{
    path: string;
    sha256: string;
    since_in: number;
    changed_in: number;
    gone: boolean;
  }>(
    `select path, sha256, since_in, changed_in, gone_in is not null as gone from pages
     where site_id = $1 and path = any($2::text[])`,
    [siteId, paths],
  );
  const before = new Map(rows.map((row) => [row.path, row]));
  await insertRows(
    client,
    pages,
    read.map(({ file, sha256, found }) => {
      const old = before.get(found.path);
      const isBack = old?.gone ?? false;
      return {
        siteId,
        path: found.path,
        section: sectionOf(found.path, sections),
        title: found.title,
        language: found.language,
        encoding: found.encoding,
        sha256,
        sizeBytes: file.sizeBytes,
        sheetsKey,
        modifiedAt: file.modifiedMs === null ? null : new Date(file.modifiedMs),
        sinceIn: old && !isBack ? old.since_in : survey,
        changedIn: old && !isBack && old.sha256 === sha256 ? old.changed_in : survey,
        readIn: survey,
        goneIn: null,
        movedFrom: null,
        mark: file.mark ?? null,
        // Its places may be others although its bytes are the same: style sheets show pictures, too.
        checkedIn: null,
        leadsTo: found.leadsTo,
        words: found.words,
      };
    }),
    { onConflict: ['site_id', 'path'] },
  );
  // A page read for the first time needs no looking back: its records go through as they were made.
  const fresh = read.filter(({ found }) => !known.has(found.path) && found.json !== '');
  await insertPlacements(client, at, fresh.map(({ found }) => found.json).join(','));
  for (const { found } of read) {
    const earlier = known.get(found.path);
    if (earlier) await writeAgain(client, at, earlier, parseRecords(found.json));
  }
}

/** A placement that stands, as the database has it. */
interface StoredPlace extends KnownPlace {
  readonly id: string;
  readonly page_path: string;
  readonly raw: string;
  readonly alt: string | null;
  readonly caption: string | null;
  readonly dormant: boolean;
  readonly since_survey: number;
}

async function knownPlaces(
  client: PoolClient,
  siteId: number,
  paths: readonly string[],
): Promise<Map<string, StoredPlace[]>> {
  const { rows } = await client.query<StoredPlace>(
    `select id, page_path, thread, spot, kind, coalesce(file_path, url, raw) as shows, raw, alt, caption, dormant, since_survey
     from placements where site_id = $1 and until_survey is null and page_path = any($2::text[])
     order by page_path, ordinal`,
    [siteId, paths],
  );
  const byPage = new Map<string, StoredPlace[]>();
  for (const row of rows) {
    const list = byPage.get(row.page_path);
    if (list) list.push(row);
    else byPage.set(row.page_path, [row]);
  }
  return byPage;
}

function parseRecords(json: string): PlacementRecord[] {
  return JSON.parse(`[${json}]`) as PlacementRecord[];
}

/** Writes the placements of one page, or of one style sheet's dormant rules, over those that are known. */
async function writeAgain(
  client: PoolClient,
  at: WritingAt,
  earlier: readonly StoredPlace[],
  later: readonly PlacementRecord[],
): Promise<void> {
  const places = later.map((record) => ({ ...record, shows: record.file_path ?? record.url ?? record.raw }));
  const threads = keepThreads(earlier, places, at.survey);
  const replaced: string[] = [];
  const records = later.map((record, i) => {
    const { earlier: found, thread } = threads[i] as (typeof threads)[number];
    const old = found === null ? undefined : earlier[found];
    const isSame =
      old !== undefined &&
      old.spot === record.spot &&
      old.raw === record.raw &&
      old.shows === (record.file_path ?? record.url ?? record.raw) &&
      old.alt === record.alt &&
      old.caption === record.caption &&
      old.dormant === record.dormant;
    if (isSame) replaced.push(old.id);
    return { ...record, thread, since_survey: isSame ? old.since_survey : at.survey };
  });
  const ids = earlier.map(({ id }) => id);
  await client.query('delete from placements where id = any($1::bigint[])', [replaced]);
  await client.query('update placements set until_survey = $2 where id = any($1::bigint[])', [
    ids,
    at.survey,
  ]);
  await insertPlacements(client, at, records.map((record) => storableJson(record)).join(','));
}

/** The dormant rules of style sheets, which stand on no page but their own. */
export async function writeDormant(
  client: PoolClient,
  at: WritingAt,
  { sheets, json }: { readonly sheets: readonly string[]; readonly json: string },
): Promise<void> {
  const known = await knownPlaces(client, at.siteId, sheets);
  const later = new Map<string, PlacementRecord[]>();
  for (const record of parseRecords(json))
    later.set(record.page_path, [...(later.get(record.page_path) ?? []), record]);
  for (const sheet of new Set([...known.keys(), ...later.keys()])) {
    await writeAgain(client, at, known.get(sheet) ?? [], later.get(sheet) ?? []);
  }
}

const COLUMNS = [
  'page_path text', 'source_path text', 'file_path text', 'url text', 'kind text', 'ordinal integer', 'raw text',
  'start integer', '"end" integer', 'line integer', '"column" integer', 'spot text', 'thread text', 'alt text',
  'name text', 'caption text', 'link jsonb', 'decorative boolean', 'hidden boolean', 'dormant boolean',
  'context jsonb', 'declared jsonb', 'words jsonb',
] as const; // oxfmt-ignore

/** Adds records as they were made: JSON all the way, so that no thread but the one that read them takes them apart. */
async function insertPlacements(
  client: PoolClient,
  { siteId, survey }: WritingAt,
  json: string,
): Promise<void> {
  if (json === '') return;
  const names = COLUMNS.map((column) => column.split(' ')[0]).join(', ');
  await client.query(
    `insert into placements (site_id, since_survey, ${names})
     select $2, coalesce(row.since_survey, $3), ${names}
     from jsonb_to_recordset($1::jsonb) as row(${COLUMNS.join(', ')}, since_survey integer)`,
    [`[${json}]`, siteId, survey],
  );
}
