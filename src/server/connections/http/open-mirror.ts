import { mkdtemp, open, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { parseUrl } from '@/core/address/parse-url';
import type { SiteAddressing } from '@/core/address/resolve-address';
import { sha256 } from '../../hash';
import { ProblemError } from '../../problem-error';
import type { ReadableConnection, SiteFile, SiteListing } from '../connection';
import type { CrawlSummary } from './crawl';
import { openFetcher } from './fetch-address';
import {
  fetchFiles,
  fileOf,
  mirrorSite,
  scopeOfStart,
  type Mirror,
  type MirrorEntry,
  type MirrorMemory,
} from './mirror-site';

export interface MirrorRequest {
  readonly maxPages?: number | undefined;
  readonly allowPrivate?: boolean | undefined;
  readonly onProgress?: (counts: { readonly done: number; readonly open: number }) => void;
}

/** A site that was read from its address, as files. */
export interface MirrorConnection extends ReadableConnection {
  readonly site: SiteAddressing;
  list(): Promise<SiteListing & { readonly summary: CrawlSummary }>;
}

/**
 * Reads a live site into a folder that goes when it is closed, and gives it as files: pages and style sheets as they
 * came, pictures when they are asked for.
 *
 * @throws ProblemError where the start can't be read
 */
export async function openMirror(start: string, request: MirrorRequest): Promise<MirrorConnection> {
  const host = parseUrl(start)?.host;
  const fetcher = openFetcher(request.allowPrivate && host !== undefined ? [host] : []);
  const folder = await mkdtemp(join(tmpdir(), 'ibidem-mirror-'));
  const memory = await packMemory(folder);
  const found = new Map<string, MirrorEntry>();
  const close = async () => {
    await fetcher.close();
    await memory.close();
    await rm(folder, { recursive: true, force: true });
  };
  try {
    const scope = await scopeOfStart(fetcher, start);
    const year = new Date().getFullYear();
    const { maxPages, onProgress } = request;
    const limits = { ...(maxPages ? { maxPages } : {}), ...(onProgress ? { onProgress } : {}) };
    const mirror: Mirror = await mirrorSite({ start, scope, fetcher, memory, year, ...limits });
    const unread = new Map<string, SiteFile>();
    const find = async (paths: readonly string[]): Promise<SiteFile[]> => {
      const files = await fetchFiles(paths, { scope, fetcher, memory }, found);
      for (const file of files) {
        if (file.problem === undefined) unread.delete(file.path);
        else unread.set(file.path, file);
      }
      return files;
    };
    return {
      site: scope.site,
      list: async () => ({
        // What was looked for by name belongs to the site from then on.
        files: [...mirror.files, ...[...found.values()].map(fileOf), ...unread.values()],
        skipped: mirror.skipped,
        summary: mirror.summary,
      }),
      find,
      async read(path) {
        const held = () => mirror.entries.get(path) ?? found.get(path);
        if (!held()) await find([path]);
        const entry = held();
        if (!entry) throw missing(path, unread.get(path)?.problem);
        return memory.bytes(entry.sha256);
      },
      close,
    };
  } catch (error) {
    await close();
    throw error;
  }
}

/**
 * Keeps bytes one after the other in one file, which costs far less than a file for each; entries are kept nowhere,
 * since everything is read for the first time.
 */
async function packMemory(folder: string): Promise<MirrorMemory & { close(): Promise<void> }> {
  const pack = await open(join(folder, 'pack'), 'wx+');
  const places = new Map<string, { readonly at: number; readonly length: number }>();
  let waiting: Uint8Array[] = [];
  let waitingBytes = 0;
  let end = 0;
  let writing: Promise<unknown> = Promise.resolve();
  const flush = (): Promise<unknown> => {
    const chunk = Buffer.concat(waiting);
    waiting = [];
    waitingBytes = 0;
    writing = writing.then(() => pack.appendFile(chunk));
    return writing;
  };
  return {
    known: () => undefined,
    async keepBytes(bytes) {
      const hash = sha256(bytes);
      if (places.has(hash)) return hash;
      places.set(hash, { at: end, length: bytes.length });
      end += bytes.length;
      waiting.push(bytes);
      waitingBytes += bytes.length;
      if (waitingBytes > PACK_BUFFER_BYTES) await flush();
      return hash;
    },
    async bytes(hash) {
      if (waitingBytes > 0) await flush();
      await writing;
      const place = places.get(hash);
      if (!place) throw new Error(`nothing is kept under ${hash}`);
      const bytes = new Uint8Array(place.length);
      await pack.read(bytes, 0, place.length, place.at);
      return bytes;
    },
    keep: () => undefined,
    queued: () => undefined,
    passed: () => undefined,
    failed: () => undefined,
    close: () => pack.close(),
  };
}

const PACK_BUFFER_BYTES = 1024 ** 2;

function missing(path: string, problem?: string): ProblemError {
  if (problem !== undefined)
    return new ProblemError({
      code: 'FILE_UNREAD',
      what: `${path} could not be read.`,
      why: problem,
      remedy: 'It may well be there: try again later.',
    });
  return new ProblemError({
    code: 'FILE_MISSING',
    what: `${path} is not there.`,
    why: 'The server has nothing at that address, or does not show it.',
    remedy: 'Look at how the path is written.',
  });
}
