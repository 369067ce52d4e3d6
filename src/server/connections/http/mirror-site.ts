/**
 * Reads a live site whole, once: its pages, style sheets and manifests, kept as they came, so that they can then be
 * read like the files of a folder. What an earlier reading kept and the server calls unchanged is not fetched again.
 */
import PQueue from 'p-queue';
import { PageAddresses } from '@/core/address/page-addresses';
import { parseUrl } from '@/core/address/parse-url';
import { isPictureAddress, resolveAddress, urlOfPath } from '@/core/address/resolve-address';
import { scopeOf, ownUrl, type CrawlScope } from '@/core/crawl/crawl-scope';
import { scanPage } from '@/core/markup/scan-page';
import { decodeCss, decodePage } from '@/core/source/decode-source';
import { readSheet } from '@/core/styles/read-sheet';
import { problemOf } from '../../problem-error';
import type { FileRole, SiteFile, SkippedEntry } from '../connection';
import {
  crawl,
  CRAWL_LIMITS,
  type CrawlOptions,
  type CrawlProblem,
  type CrawlResume,
  type CrawlSummary,
  type CrawlTarget,
} from './crawl';
import { isGone } from './address-problem';
import { crawlBudget, type CrawlBudget } from './crawl-budget';
import type { Fetched, Fetcher, Validators } from './fetch-address';

/** One address as it was read. */
export interface MirrorEntry extends Validators {
  readonly url: string;
  readonly finalUrl: string;
  readonly path: string;
  readonly role: FileRole;
  readonly sha256: string;
  readonly sizeBytes: number;
  readonly charset: string | null;
  /** Whether the server called it XHTML. */
  readonly isXml: boolean;
  /** Absolute addresses it leads to: pages, style sheets, manifests. */
  readonly links: readonly string[];
  readonly sheets: readonly string[];
}

/** Where entries and their bytes are kept between readings. */
export interface MirrorMemory {
  known(url: string): MirrorEntry | undefined;
  /** Keeps bytes and gives their SHA-256. */
  keepBytes(bytes: Uint8Array): Promise<string>;
  bytes(sha256: string): Promise<Uint8Array>;
  /** An address was read, or found as it was. */
  keep(entry: MirrorEntry): void;
  queued(targets: readonly CrawlTarget[]): void;
  /** An address led to another of the site, or to what is no page. */
  passed(target: CrawlTarget, finalUrl: string): void;
  /** An address gave nothing; where that may pass, what was there before is remembered. */
  failed(
    url: string,
    from: string | null,
    why: { readonly reason: string; readonly isPassing: boolean },
  ): void;
}

export interface MirrorOptions extends Pick<CrawlOptions, 'year' | 'maxPages' | 'concurrency' | 'isStopped'> {
  /** A reading that was stopped: what it has of the site, the addresses it had asked, and those it was to ask. */
  readonly resume?: Omit<CrawlResume, 'links'> & { readonly entries: readonly MirrorEntry[] };
  readonly start: string;
  readonly scope: CrawlScope;
  readonly fetcher: Fetcher;
  readonly memory: MirrorMemory;
  readonly onProgress?: (counts: { readonly done: number; readonly open: number }) => void;
}

export interface Mirror {
  readonly files: readonly SiteFile[];
  readonly skipped: readonly SkippedEntry[];
  readonly summary: CrawlSummary;
  /** By path. */
  readonly entries: ReadonlyMap<string, MirrorEntry>;
}

/**
 * The scope of a site as its start turns out to be: a host that sends everybody on to `https://www.` is read there.
 *
 * @throws ProblemError where the start can't be read
 */
export async function scopeOfStart(
  fetcher: Fetcher,
  start: string,
  options: Parameters<typeof scopeOf>[1] = {},
): Promise<CrawlScope> {
  const asked = scopeOf(start, options);
  const isSameSite = (next: string) => ownUrl(next, { ...asked, folder: '/' }) !== null;
  const { url } = await fetcher.get(start, { within: isSameSite });
  return { ...asked, site: { ...asked.site, origin: new URL(url).origin } };
}

/** Reads a site. What goes wrong at single addresses is among `skipped`. */
export async function mirrorSite(options: MirrorOptions): Promise<Mirror> {
  const { memory, onProgress, resume, ...rest } = options;
  const budget = crawlBudget(options.maxPages ?? CRAWL_LIMITS.maxPages);
  const entries = new Map<string, MirrorEntry>();
  const skipped: SkippedEntry[] = [];
  // What was there before and can't be had just now is taken as it was, not as gone.
  const stands = (url: string): MirrorEntry | undefined => {
    const known = memory.known(url);
    if (known) entries.set(known.path, known);
    return known;
  };
  const failed = ({ url, from, reason, isPassing = false }: CrawlProblem): MirrorEntry | undefined => {
    skipped.push({ path: url, reason: from ? `${reason} (linked from ${from})` : reason });
    memory.failed(url, from, { reason, isPassing });
    return isPassing ? stands(url) : undefined;
  };
  const addresses = new PageAddresses();
  const dressing = fetchDressing({ ...options, budget }, entries, { failed, stands });
  const keep = (entry: MirrorEntry) => {
    entries.set(entry.path, entry);
    memory.keep(entry);
    dressing.ask(entry.sheets, entry.url);
    return entry.links;
  };
  for (const entry of resume?.entries ?? []) {
    entries.set(entry.path, entry);
    dressing.ask(entry.sheets, entry.url);
  }
  const led = resume?.entries.flatMap(({ links }) => links) ?? [];
  const summary = await crawl({
    ...rest,
    budget,
    ...(resume ? { resume: { done: resume.done, open: resume.open, links: led } } : {}),
    known: (url) => memory.known(url) ?? null,
    reader: {
      async page(page) {
        const { url, finalUrl, path, charset, isXml, etag, lastModified } = page;
        const { text } = decodePage(path, page.bytes, { httpCharset: charset, isXml });
        const scan = scanPage(text, finalUrl, { isXml, addresses });
        const sha256 = await memory.keepBytes(page.bytes);
        return keep({
          ...{ url, finalUrl, path, charset, isXml, etag, lastModified, sha256 },
          sizeBytes: page.bytes.length,
          role: 'page',
          links: scan.links,
          sheets: [...scan.sheets, ...scan.manifests],
        });
      },
      unchanged: async ({ url }) => {
        const entry = memory.known(url);
        return entry ? keep(entry) : [];
      },
      problem(what) {
        const known = failed(what);
        if (known) dressing.ask(known.sheets, known.url);
        return known?.links ?? [];
      },
      queued: (targets) => memory.queued(targets),
      passed: (target, finalUrl) => memory.passed(target, finalUrl),
      ...(onProgress ? { progress: onProgress } : {}),
    },
  }).catch((error: unknown) => {
    dressing.leave();
    throw error;
  });
  await dressing.done();
  if (summary.endedBy === 'requests' || summary.endedBy === 'time')
    skipped.push({ path: options.start, reason: ENDED[summary.endedBy](budget) });
  for (const { example, why, count } of summary.cuts) {
    skipped.push({
      path: example,
      reason: `${count === 1 ? 'Left out' : `${count} like it were left out`}: ${why}`,
    });
  }
  // Which of them answered first is chance, and no reason to read a page anew.
  const files = [...entries.values()].map(fileOf).sort((a, b) => (a.path < b.path ? -1 : 1));
  return { files, skipped, summary, entries };
}

const ENDED = {
  requests: ({ maxRequests }: CrawlBudget) =>
    `The reading ended after ${maxRequests.toLocaleString('en')} requests; most addresses gave no page. What was read by then is kept.`,
  time: () =>
    'The reading ended because the server took too long for all of it. What was read by then is kept.',
};

/** A mirrored address as a file of the site. */
export function fileOf(entry: MirrorEntry): SiteFile {
  const { path, sizeBytes, finalUrl, charset, isXml, role, lastModified } = entry;
  const modifiedMs = lastModified === null ? Number.NaN : Date.parse(lastModified);
  return {
    ...{ path, sizeBytes, role, url: finalUrl, httpCharset: charset, isXml },
    modifiedMs: Number.isNaN(modifiedMs) ? null : modifiedMs,
  };
}

interface Failing {
  /** Tells what went wrong; gives what was there before, where it may well be there still. */
  failed(problem: CrawlProblem): MirrorEntry | undefined;
  /** Takes what was there before as it was. */
  stands(url: string): MirrorEntry | undefined;
}

/** Fetches style sheets (imports followed) and manifests while the pages are read, each once. */
function fetchDressing(
  { scope, fetcher, memory, budget, isStopped }: MirrorOptions & { readonly budget: CrawlBudget },
  entries: Map<string, MirrorEntry>,
  { failed, stands }: Failing,
) {
  const asked = new Set<string>();
  const told = new Set<string>();
  let requests = 0;
  // A few at a time: one that waits behind a thousand others is not one that the server is slow with.
  const queue = new PQueue({ concurrency: CRAWL_LIMITS.concurrency });
  let failure: unknown;
  const within = (url: string) => scope.site.hosts.includes(new URL(url).host);
  const read = async (path: string, { from, depth }: { from: string; depth: number }): Promise<void> => {
    const url = urlOfPath(path, scope.site);
    const known = memory.known(url);
    const asking = { known: known ?? null, within, budget };
    const fetched = await fetcher.get(url, asking).catch((error: unknown) => {
      const before = failed({ url, from, reason: problemOf(error).why, isPassing: !isGone(error) });
      if (before) ask(before.sheets, url, depth + 1);
      return null;
    });
    if (!fetched) return;
    if (fetched.leadsTo !== null)
      return void failed({ url, from, reason: `It leads away, to ${fetched.leadsTo}.` });
    const entry = fetched.status === 304 && known ? known : await entryOf(fetched, { url, path, from });
    if (!entry) return;
    entries.set(path, entry);
    memory.keep(entry);
    ask(entry.sheets, url, depth + 1);
  };
  const entryOf = async (
    fetched: Fetched,
    { url, path, from }: { url: string; path: string; from: string },
  ): Promise<MirrorEntry | null> => {
    const role = roleOf(fetched, path);
    if (role === null) {
      failed({ url, from, reason: `It dresses pages and comes as ${fetched.type}.` });
      return null;
    }
    const { charset, etag, lastModified, bytes } = fetched;
    const sheets = role === 'sheet' ? importsOf(fetched) : [];
    const sha256 = await memory.keepBytes(bytes);
    const common = { url, finalUrl: fetched.url, path, role, charset, isXml: false, etag, lastModified };
    return { ...common, sha256, sizeBytes: bytes.length, links: [], sheets };
  };
  const ask = (urls: readonly string[], from: string, depth = 0): void => {
    for (const url of urls) {
      if (asked.has(url)) continue;
      asked.add(url);
      const address = resolveAddress(url, url, scope.site);
      if (address.kind !== 'site' || entries.has(address.path)) continue;
      const why = whyLeftOut(depth);
      if (why !== null) {
        leaveOut(url, why, { from, depth });
        continue;
      }
      requests++;
      queue.concurrency = budget.atOnce(CRAWL_LIMITS.concurrency);
      queue
        .add(() => {
          // Whoever stopped the reading goes on with it another time, and asks for it then.
          if (isStopped?.()) return;
          return budget.spent
            ? leaveOut(url, ENDED_BEFORE, { from, depth })
            : read(address.path, { from, depth });
        })
        .catch((error: unknown) => {
          failure ??= error;
        });
    }
  };
  const leaveOut = (url: string, why: string, { from, depth }: { from: string; depth: number }): void => {
    // Thousands of them are one thing to tell.
    const before = told.has(why) ? stands(url) : failed({ url, from, reason: why, isPassing: true });
    told.add(why);
    if (before) ask(before.sheets, url, depth + 1);
  };
  /** Why something that dresses pages is not asked for; `null` where it is. */
  const whyLeftOut = (depth: number): string | null => {
    if (depth > MAX_IMPORTS) return `It is imported ${depth} style sheets deep, and was left out.`;
    if (budget.spent) return ENDED_BEFORE;
    return requests >= budget.forDressing
      ? 'It was left out: the pages ask for too many style sheets.'
      : null;
  };
  return {
    ask,
    /** Asks for nothing more. */
    leave: () => queue.clear(),
    async done() {
      await queue.onIdle();
      // What is no matter of one address, as a disk that is full, ends the reading.
      if (failure !== undefined) throw failure;
    },
  };
}

const ENDED_BEFORE = 'It was left out: the reading had ended.';

/** Imports of imports, as far as anybody writes them. */
const MAX_IMPORTS = 12;

function roleOf({ type }: Fetched, path: string): FileRole | null {
  if (type === 'text/css' || (type === '' && /\.css/i.test(path))) return 'sheet';
  if (/json/.test(type) || /\.(?:webmanifest|json)$/i.test(path)) return 'manifest';
  // Old servers call a style sheet plain text; browsers then leave it out in standards mode only.
  return type === 'text/plain' ? 'sheet' : null;
}

function importsOf({ url, bytes, charset }: Fetched): string[] {
  const { imports } = readSheet(decodeCss(bytes, { httpCharset: charset }).text);
  return imports.flatMap(({ value }) => parseUrl(value, url)?.href ?? []);
}

/**
 * Asks a live site for files that its pages name.
 *
 * @param found takes each that is there, with its bytes kept, by its path
 * @returns those that are there, and those that the server only fails to give, with why; what it kept earlier stands for these
 */
export async function fetchFiles(
  paths: readonly string[],
  { scope, fetcher, memory }: Pick<MirrorOptions, 'scope' | 'fetcher' | 'memory'>,
  found: Map<string, MirrorEntry>,
): Promise<SiteFile[]> {
  const files: SiteFile[] = [];
  const take = (entry: MirrorEntry, problem?: string): void => {
    found.set(entry.path, entry);
    files.push({ ...fileOf(entry), ...(problem === undefined ? {} : { problem }) });
  };
  const fail = (error: unknown, { path, url }: { path: string; url: string }): null => {
    const { why } = problemOf(error);
    memory.failed(url, null, { reason: why, isPassing: !isGone(error) });
    if (isGone(error)) return null;
    const known = memory.known(url);
    if (known) take(known, why);
    else files.push({ path, sizeBytes: 0, modifiedMs: null, role: 'file', url, problem: why });
    return null;
  };
  const one = async (path: string): Promise<void> => {
    const url = urlOfPath(path, scope.site);
    const known = memory.known(url);
    const within = (next: string) => scope.site.hosts.includes(new URL(next).host);
    const fetched = await fetcher
      .get(url, { known: known ?? null, within })
      .catch((error: unknown) => fail(error, { path, url }));
    if (!fetched || fetched.leadsTo !== null) return;
    if (fetched.status === 304 && known) {
      take(known);
      return memory.keep(known);
    }
    if (/^text\/html|xhtml/.test(fetched.type) && isPictureAddress({ kind: 'site', path })) {
      const reason = 'It is asked for as a picture and comes as a page.';
      return memory.failed(url, null, { reason, isPassing: false });
    }
    const { charset, etag, lastModified, bytes } = fetched;
    const sha256 = await memory.keepBytes(bytes);
    const common = { url, finalUrl: fetched.url, path, role: 'file' as const, charset, etag, lastModified };
    const entry = { ...common, isXml: false, sha256, sizeBytes: bytes.length, links: [], sheets: [] };
    take(entry);
    memory.keep(entry);
  };
  const queue = new PQueue({ concurrency: CRAWL_LIMITS.concurrency });
  await queue.addAll(paths.map((path) => () => one(path)));
  return files;
}
