import { mkdtemp, readFile, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
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
  const fetcher = openFetcher(request.allowPrivate ? 'all' : []);
  const folder = await mkdtemp(join(tmpdir(), 'ibidem-mirror-'));
  const memory = folderMemory(folder);
  const found = new Map<string, MirrorEntry>();
  const close = async () => {
    await fetcher.close();
    await rm(folder, { recursive: true, force: true });
  };
  try {
    const scope = await scopeOfStart(fetcher, start);
    const year = new Date().getFullYear();
    const { maxPages, onProgress } = request;
    const limits = { ...(maxPages ? { maxPages } : {}), ...(onProgress ? { onProgress } : {}) };
    const mirror: Mirror = await mirrorSite({ start, scope, fetcher, memory, year, ...limits });
    const find = async (paths: readonly string[]): Promise<SiteFile[]> => {
      const entries = await fetchFiles(paths, { scope, fetcher, memory });
      for (const entry of entries) found.set(entry.path, entry);
      return entries.map(fileOf);
    };
    return {
      site: scope.site,
      list: async () => ({ files: mirror.files, skipped: mirror.skipped, summary: mirror.summary }),
      find,
      async read(path) {
        const held = () => mirror.entries.get(path) ?? found.get(path);
        if (!held()) await find([path]);
        const entry = held();
        if (!entry) throw missing(path);
        return memory.bytes(entry.sha256);
      },
      close,
    };
  } catch (error) {
    await close();
    throw error;
  }
}

/** Keeps bytes as files of a folder and entries nowhere: everything is read for the first time. */
function folderMemory(folder: string): MirrorMemory {
  return {
    known: () => undefined,
    async keepBytes(bytes) {
      const hash = sha256(bytes);
      await writeFile(join(folder, hash), bytes);
      return hash;
    },
    bytes: (hash) => readFile(join(folder, hash)),
    keep: () => undefined,
    queued: () => undefined,
    failed: () => undefined,
  };
}

function missing(path: string): ProblemError {
  return new ProblemError({
    code: 'FILE_MISSING',
    what: `${path} is not there.`,
    why: 'The server has nothing at that address, or does not show it.',
    remedy: 'Look at how the path is written.',
  });
}
