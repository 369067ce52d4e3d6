/** Takes page views from a web server's log or from a table, and makes them the reach of the site's pages. */
import { pipeline } from 'node:stream/promises';
import { Readable } from 'node:stream';
import { StringDecoder } from 'node:string_decoder';
import { createGunzip } from 'node:zlib';
import { parse as csvParser } from 'csv-parse';
import { format } from 'date-fns';
import { parseUrl } from '@/core/address/parse-url';
import { EDITORS } from '@/core/edition/edition-state';
import type { SiteAddressing } from '@/core/address/resolve-address';
import { mayBePage, pageName, pagePathOf } from '@/core/crawl/crawl-scope';
import { viewCounter } from '@/core/reach/count-views';
import { logReader } from '@/core/reach/read-log-line';
import { requireRole, type Actor } from '../../accounts/actor';
import type { Database } from '../../db/database';
import { insertRows } from '../../db/insert-rows';
import { pageViews } from '../../db/schema/content';
import { ProblemError } from '../../problem-error';
import { logEvent } from '../log-event';
import { indexNamesOf, updateReach } from './update-reach';

export interface ViewsFile {
  readonly name: string;
  readonly bytes: Uint8Array;
}

export interface ImportedViews {
  readonly views: number;
  /** Pages of the site that were viewed. */
  readonly pages: number;
  /** Views of addresses that are no page of the site. */
  readonly elsewhere: number;
  /** Lines that could not be read. */
  readonly unread: number;
  /** What they cover, in words. */
  readonly from: string;
}

/**
 * Replaces a site's page views by those of a file: an access log (Common, Combined, W3C extended; also packed by gzip),
 * or a CSV with a column for the page and one for its views a month. The file is read as a stream, line by line.
 *
 * @throws ProblemError `VIEWS_UNREADABLE` where no view of a page of the site is found; what was known stays
 */
export async function importViews(
  db: Database,
  actor: Actor,
  siteId: number,
  file: ViewsFile,
): Promise<ImportedViews> {
  requireRole(actor, EDITORS, 'import page views');
  const { rows } = await db.pool.query<{ path: string }>(
    'select path from pages where site_id = $1 and gone_in is null',
    [siteId],
  );
  const site = await indexNamesOf(db.pool, siteId);
  const paths = new Map(rows.map(({ path }) => [pageName(path, site).normalize('NFC'), path]));
  const pages: Pages = { pathOf: (name) => paths.get(name.normalize('NFC')) ?? null, site };
  const isTable = isCsv(file);
  const found = await (isTable ? readTable(file, pages) : readLog(file, pages));
  if (found.perMonth.size === 0) {
    throw new ProblemError({
      code: 'VIEWS_UNREADABLE',
      what: `${file.name} was not taken over.`,
      why: 'No view of a page of this site was found in it.',
      remedy:
        'Give the access log of the site’s web server, or a CSV with a column “page” and a column “views”.',
    });
  }
  const client = await db.pool.connect();
  try {
    await client.query('begin');
    await client.query('delete from page_views where site_id = $1', [siteId]);
    await insertRows(
      client,
      pageViews,
      [...found.perMonth].map(([path, views]) => ({ siteId, path, views })),
    );
    await client.query('update sites set reach_from = $2 where id = $1', [siteId, found.from]);
    await updateReach(client, siteId);
    await client.query('commit');
  } catch (error) {
    await client.query('rollback');
    throw error;
  } finally {
    client.release();
  }
  await logEvent(db, actor, { siteId, verb: 'import page views', details: found.from });
  const { views, elsewhere, unread, from } = found;
  return { views, elsewhere, unread, from, pages: found.perMonth.size };
}

/** Forgets imported views: reach is estimated by the links again. */
export async function forgetViews(db: Database, actor: Actor, siteId: number): Promise<void> {
  requireRole(actor, EDITORS, 'forget page views');
  await db.pool.query('delete from page_views where site_id = $1', [siteId]);
  await db.pool.query('update sites set reach_from = null where id = $1', [siteId]);
  await updateReach(db.pool, siteId);
  await logEvent(db, actor, { siteId, verb: 'forget page views', details: '' });
}

type Found = Omit<ImportedViews, 'pages'> & { readonly perMonth: ReadonlyMap<string, number> };
/** The pages of a site, by the names under which they are asked for. */
interface Pages {
  readonly pathOf: (name: string) => string | null;
  readonly site: Pick<SiteAddressing, 'indexNames'>;
}

const isPacked = ({ bytes }: ViewsFile) => bytes[0] === 0x1f && bytes[1] === 0x8b;

function isCsv(file: ViewsFile): boolean {
  if (isPacked(file)) return false;
  const head = Buffer.from(file.bytes.subarray(0, 2000))
    .toString('utf8')
    .replace(/^\ufeff/, '');
  const first = head.split(/\r?\n/, 1)[0] ?? '';
  return columnsOf(first.split(/[,;\t]/)) !== null;
}

function textStream(file: ViewsFile): Readable {
  const bytes = Readable.from([Buffer.from(file.bytes)]);
  return isPacked(file) ? bytes.pipe(createGunzip()) : bytes;
}

/** The page of the site that an address names, or `null`. */
function pageOf(address: string, pages: Pages): string | null {
  const url = parseUrl(address, 'http://site.invalid/');
  if (!url || !mayBePage(url.href)) return null;
  const whole = pagePathOf(url.href, { ...pages.site, origin: url.origin, hosts: [url.host] });
  return pages.pathOf(whole) ?? pages.pathOf(whole.replace(/\?.*$/s, ''));
}

async function readLog(file: ViewsFile, pages: Pages): Promise<Found> {
  const reader = logReader();
  const counter = viewCounter();
  let elsewhere = 0;
  for await (const line of linesOf(file)) {
    const view = reader.read(line);
    if (!view) continue;
    const page = pageOf(view.target, pages);
    if (page === null) elsewhere++;
    else counter.add(page, view.at);
  }
  const { perMonth, views, from, to } = counter.result();
  const day = (at: number | null) => (at === null ? '' : format(at, 'd MMMM yyyy'));
  return {
    perMonth,
    views,
    elsewhere,
    unread: reader.unread(),
    from: `${file.name}, ${day(from)} to ${day(to)}`,
  };
}

/** Longer than every line that a log has; what goes on is dropped as it comes, so that it can't fill the memory. */
const MAX_LINE = 1024 ** 2;

/** The lines of a file, unpacked as they are asked for. @throws ProblemError `VIEWS_BROKEN` where the packing is broken */
async function* linesOf(file: ViewsFile): AsyncGenerator<string> {
  const decoder = new StringDecoder('utf8');
  let rest = '';
  try {
    for await (const chunk of textStream(file)) {
      const lines = (rest + decoder.write(chunk as Buffer)).split(/\r?\n/);
      rest = (lines.pop() ?? '').slice(0, MAX_LINE);
      yield* lines;
    }
  } catch (error) {
    throw new ProblemError({
      code: 'VIEWS_BROKEN',
      what: `${file.name} was not taken over.`,
      why: `Its packing is broken (${error instanceof Error ? error.message : String(error)}).`,
      remedy: 'Copy it again from the server.',
    });
  }
  if (rest !== '') yield rest;
}

const PAGE_COLUMN = /^(?:page|path|url|address|page path|landing page|seite|uri)$/i;
const VIEWS_COLUMN = /^(?:views|page ?views|hits|visits|count|pageviews|aufrufe)$/i;

function columnsOf(names: readonly string[]): { page: number; views: number } | null {
  const clean = names.map((name) => name.trim().replace(/^"|"$/g, ''));
  const page = clean.findIndex((name) => PAGE_COLUMN.test(name));
  const views = clean.findIndex((name) => VIEWS_COLUMN.test(name));
  return page < 0 || views < 0 ? null : { page, views };
}

async function readTable(file: ViewsFile, pages: Pages): Promise<Found> {
  const perMonth = new Map<string, number>();
  const tally = { views: 0, elsewhere: 0, unread: 0 };
  let columns: ReturnType<typeof columnsOf> = null;
  const parser = csvParser({
    bom: true,
    delimiter: [',', ';', '\t'],
    relax_column_count: true,
    relax_quotes: true,
    skip_empty_lines: true,
  });
  await pipeline(textStream(file), parser, async (rows: AsyncIterable<string[]>) => {
    for await (const row of rows) {
      if (!columns) {
        columns = columnsOf(row);
        continue;
      }
      // Thousands are set apart by blanks, commas or points, as people write them.
      const views = Number((row[columns.views] ?? '').replace(/[\s\u00a0',.](?=\d{3}\b)/g, ''));
      const page = pageOf(row[columns.page] ?? '', pages);
      if (!Number.isFinite(views) || views < 0) tally.unread++;
      else if (page === null) tally.elsewhere += views;
      else {
        tally.views += views;
        perMonth.set(page, (perMonth.get(page) ?? 0) + views);
      }
    }
  });
  return { perMonth, ...tally, from: file.name };
}
