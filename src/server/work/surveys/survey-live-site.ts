/**
 * Reads a live site for a survey. What each address answered is kept in the database as it comes: the next survey
 * asks only whether it has changed, and one that was stopped, or whose process died, goes on where it was.
 */
import { resolveAddress } from '@/core/address/resolve-address';
import type { SiteFile } from '../../connections/connection';
import type { CrawlTarget } from '../../connections/http/crawl';
import { openFetcher } from '../../connections/http/fetch-address';
import {
  fetchFiles,
  mirrorSite,
  scopeOfStart,
  type Mirror,
  type MirrorEntry,
  type MirrorMemory,
  type MirrorOptions,
} from '../../connections/http/mirror-site';
import type { Database } from '../../db/database';
import { insertRows } from '../../db/insert-rows';
import { addresses } from '../../db/schema/content';
import type { ConnectionSettings, sites } from '../../db/schema/sites';
import { storeBytes, storedBytes } from '../../store/store';
import { namingOf } from '../sites/site-connection';
import type { SurveyConnection, SurveyWatch } from './survey-connection';

type LiveSettings = Extract<ConnectionSettings, { kind: 'http' }>;
type LiveSite = Omit<typeof sites.$inferSelect, 'connection'> & { readonly connection: LiveSettings };

/** Rows that are written together. */
const BATCH_ROWS = 500;

export async function openLiveSite(
  db: Database,
  site: LiveSite,
  survey: number,
  { isStopped, onProgress }: SurveyWatch,
): Promise<SurveyConnection> {
  const { start, privateHosts, maxPages } = site.connection;
  const fetcher = openFetcher(privateHosts);
  const memory = await addressMemory(db, site.id, survey);
  const scope = await scopeOfStart(fetcher, start, { hosts: site.hosts, ...namingOf(site) });
  const found = new Map<string, MirrorEntry>();
  let mirror: Mirror | null = null;
  const find = async (paths: readonly string[]): Promise<SiteFile[]> => {
    const files = await fetchFiles(paths, { scope, fetcher, memory }, found);
    await memory.flush();
    return files;
  };
  return {
    async list() {
      mirror = await mirrorSite({
        ...{ start, scope, fetcher, memory, maxPages, isStopped, resume: memory.resume },
        year: new Date().getFullYear(),
        onProgress: ({ done, open }) => onProgress(done, done + open),
      });
      // Pictures that only a sitemap names are the site's too, shown somewhere or not.
      const named = mirror.summary.sitemapPictures.flatMap((url) => {
        const address = resolveAddress(url, url, scope.site);
        return address.kind === 'site' ? [address.path] : [];
      });
      const pictures = await find(named);
      return {
        files: [...mirror.files, ...pictures],
        skipped: mirror.skipped,
        isWhole: mirror.summary.endedBy === null,
      };
    },
    hashOf: (path) => (mirror?.entries.get(path) ?? found.get(path))?.sha256,
    find,
    async read(path) {
      const entry = mirror?.entries.get(path) ?? found.get(path);
      if (!entry) throw new Error(`${path} was not read from the server`);
      return storedBytes(entry.sha256);
    },
    async close() {
      await memory.flush();
      await fetcher.close();
    },
  };
}

interface AddressMemory extends MirrorMemory {
  /** What this very survey had read, and was to read, before it was stopped. */
  readonly resume: NonNullable<MirrorOptions['resume']>;
  /** Writes what is still only in memory. */
  flush(): Promise<void>;
}

type Row = typeof addresses.$inferSelect;

/** The addresses of a site as the database knows them. */
async function addressMemory(db: Database, siteId: number, survey: number): Promise<AddressMemory> {
  const { rows } = await db.pool.query<Row>(
    `select url, final_url as "finalUrl", path, role, sha256, size_bytes::float8 as "sizeBytes", charset, is_xml as "isXml", etag,
       last_modified as "lastModified", links, sheets, from_url as "fromUrl", depth, queued_in as "queuedIn",
       read_in as "readIn", problem
     from addresses where site_id = $1`,
    [siteId],
  );
  const known = new Map<string, MirrorEntry>();
  const entries: MirrorEntry[] = [];
  const done: string[] = [];
  const open: CrawlTarget[] = [];
  for (const row of rows) {
    const entry = entryOf(row);
    if (entry) known.set(row.url, entry);
    if (row.queuedIn !== survey) continue;
    if (row.readIn !== survey) open.push({ url: row.url, depth: row.depth, from: row.fromUrl });
    else {
      done.push(row.url);
      if (entry && entry.role !== 'file') entries.push(entry);
    }
  }
  const pending = new Map<string, Omit<Row, 'siteId'>>();
  // Of what is as it was, only the survey's number is written anew: most of a second survey is that.
  const same = { queued: new Set<string>(), read: new Set<string>() };
  let writing: Promise<void> = Promise.resolve();
  const write = async (): Promise<void> => {
    const batch = [...pending.values()].map((row) => ({ ...row, siteId }));
    const [queued, read] = [[...same.queued], [...same.read]];
    pending.clear();
    same.queued.clear();
    same.read.clear();
    await insertRows(db.pool, addresses, batch, { onConflict: ['site_id', 'url'] });
    if (queued.length > 0)
      await db.pool.query(
        'update addresses set queued_in = $2 where site_id = $1 and url = any($3::text[])',
        [siteId, survey, queued],
      );
    if (read.length > 0)
      await db.pool.query(
        'update addresses set queued_in = $2, read_in = $2, problem = null where site_id = $1 and url = any($3::text[])',
        [siteId, survey, read],
      );
  };
  const writeSoon = (): void => {
    // An error shows at the next flush, which everybody waits for.
    if (pending.size + same.queued.size + same.read.size >= BATCH_ROWS) writing = writing.then(write);
  };
  const note = (row: Omit<Row, 'siteId'>): void => {
    pending.set(row.url, row);
    writeSoon();
  };
  const depths = new Map<string, CrawlTarget>();
  return {
    resume: { done, open, entries },
    known: (url) => known.get(url),
    keepBytes: storeBytes,
    bytes: storedBytes,
    keep(entry) {
      if (known.get(entry.url) === entry && !pending.has(entry.url)) {
        same.queued.delete(entry.url);
        same.read.add(entry.url);
        return writeSoon();
      }
      const target = depths.get(entry.url);
      known.set(entry.url, entry);
      note({
        ...EMPTY,
        ...entry,
        fromUrl: target?.from ?? null,
        depth: target?.depth ?? 0,
        queuedIn: survey,
        readIn: survey,
      });
    },
    queued(targets) {
      for (const target of targets) {
        depths.set(target.url, target);
        if (known.has(target.url)) {
          same.queued.add(target.url);
          writeSoon();
        } else
          note({ ...EMPTY, url: target.url, fromUrl: target.from, depth: target.depth, queuedIn: survey });
      }
    },
    passed({ url, from, depth }, finalUrl) {
      note({ ...EMPTY, url, finalUrl, fromUrl: from, depth, queuedIn: survey, readIn: survey });
    },
    failed(url, from, { reason, isPassing }) {
      const before = isPassing ? known.get(url) : undefined;
      if (!before) known.delete(url);
      note({
        ...EMPTY,
        ...before,
        ...{ url, fromUrl: from, queuedIn: survey, readIn: survey, problem: reason },
      });
    },
    async flush() {
      writing = writing.then(write);
      await writing;
    },
  };
}

const EMPTY = {
  ...{ finalUrl: null, path: null, role: null, sha256: null, sizeBytes: null, charset: null },
  ...{ isXml: false, etag: null },
  ...{ lastModified: null, links: [], sheets: [], fromUrl: null, depth: 0, readIn: null, problem: null },
};

function entryOf(row: Row): MirrorEntry | null {
  const { url, finalUrl, path, role, sha256, sizeBytes } = row;
  if (finalUrl === null || path === null || role === null || sha256 === null || sizeBytes === null)
    return null;
  const { charset, isXml, etag, lastModified, links, sheets } = row;
  return { url, finalUrl, path, role, sha256, sizeBytes, charset, isXml, etag, lastModified, links, sheets };
}
