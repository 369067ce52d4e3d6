/**
 * Reads a site page by page from its address, by its sitemaps and its links together, within the bounds of its
 * robots.txt, of the site's own scope, and of what has an end. Pages are handed out as they come; what they lead to is
 * told by whoever reads them.
 */
import PQueue from 'p-queue';
import { mayBePage, namesSession, ownUrl, pagePathOf, type CrawlScope } from '@/core/crawl/crawl-scope';
import { Frontier } from '@/core/crawl/frontier';
import { watchForTraps, type TrapCut } from '@/core/crawl/spot-traps';
import { sha256 } from '../../hash';
import { problemOf, ProblemError } from '../../problem-error';
import { isGone } from './address-problem';
import type { CrawlBudget } from './crawl-budget';
import type { Fetched, Fetcher, Validators } from './fetch-address';
import { gatherSitemaps } from './gather-sitemaps';
import { robotRules, type RobotRules } from './robots';

/** An address that is to be read. */
export interface CrawlTarget {
  readonly url: string;
  /** Links from the start. */
  readonly depth: number;
  /** The page that leads there; `null` for the start and for what a sitemap names. */
  readonly from: string | null;
}

/** A page as it came. */
interface CrawledPage extends CrawlTarget, Validators {
  readonly path: string;
  /** Where it came from, redirects followed. */
  readonly finalUrl: string;
  readonly bytes: Uint8Array;
  readonly charset: string | null;
  /** Whether the server calls it XHTML. */
  readonly isXml: boolean;
}

/** An address that gave no page. */
export interface CrawlProblem {
  readonly url: string;
  readonly from: string | null;
  readonly reason: string;
  /** Whether the page may well be there: the server failed, was slow, or would not say. */
  readonly isPassing?: boolean;
}

interface CrawlReader {
  /** Reads a page and tells the absolute addresses it leads to. */
  page(page: CrawledPage): Promise<readonly string[]>;
  /** The server says that a page is as it was; tells where it led. */
  unchanged(target: CrawlTarget & { readonly path: string }): Promise<readonly string[]>;
  /** An address gave no page; tells where it led when it last did, if that still counts. */
  problem(problem: CrawlProblem): readonly string[];
  /** An address leads to another of the site, or gives something that is no page. */
  passed?(target: CrawlTarget, finalUrl: string): void;
  /** Addresses that were added to those to be read. */
  queued?(targets: readonly CrawlTarget[]): void;
  /** How it goes: asked after each address. */
  progress?(counts: { readonly done: number; readonly open: number }): void;
}

export interface CrawlResume {
  readonly done: readonly string[];
  readonly open: readonly CrawlTarget[];
  /** Addresses that what was read leads to: some may have been noted nowhere when the process died. */
  readonly links: readonly string[];
}

export interface CrawlOptions {
  readonly start: string;
  readonly scope: CrawlScope;
  readonly fetcher: Fetcher;
  readonly budget: CrawlBudget;
  readonly reader: CrawlReader;
  /** The present year, for calendars without end. */
  readonly year: number;
  readonly maxPages?: number;
  readonly concurrency?: number;
  /** What an earlier reading knows of an address. */
  readonly known?: (url: string) => Validators | null;
  /** A reading that was stopped: what it had read, and what was still to be read. */
  readonly resume?: CrawlResume;
  /** Asked before each address; `true` ends the reading early. */
  readonly isStopped?: () => boolean;
}

export interface CrawlSummary {
  readonly pages: number;
  readonly unchanged: number;
  readonly cuts: readonly TrapCut[];
  /** Pictures that sitemaps name. */
  readonly sitemapPictures: readonly string[];
  /** Why the reading ended before everything was read; `null` where it did not. */
  readonly endedBy: 'pages' | 'requests' | 'time' | 'stop' | null;
}

export const CRAWL_LIMITS = { maxPages: 100_000, maxDepth: 1000, concurrency: 6 };

/**
 * Reads a whole site. What goes wrong at one address is told and does not end the reading.
 *
 * @throws ProblemError where the start itself can't be read, or the host does not wish to be
 */
export async function crawl(options: CrawlOptions): Promise<CrawlSummary> {
  const { scope, fetcher, reader, budget, maxPages = CRAWL_LIMITS.maxPages } = options;
  const rules = await robotRules(fetcher, scope.site.origin, budget);
  if (rules.refusal !== null) throw robotsProblem(options.start, rules.refusal);
  if (!rules.mayRead(options.start))
    throw robotsProblem(options.start, 'It asks programs not to read this address.');
  if (rules.delayMs > 0) {
    fetcher.slowDown(new URL(scope.site.origin).host, rules.delayMs);
    budget.paced(rules.delayMs);
  }
  const sitemaps = await gatherSitemaps(fetcher, rules.sitemaps, {
    origin: scope.site.origin,
    may: (url) => scope.site.hosts.includes(new URL(url).host) && rules.mayRead(url),
    budget,
    maxPages,
  });
  for (const { url, reason } of sitemaps.problems) reader.problem({ url, from: null, reason });
  const state = new CrawlState(options, rules);
  if (options.resume) state.resume(options.resume);
  state.add([options.start], { depth: 0, from: null });
  state.add(sitemaps.pages, { depth: 1, from: null });
  await state.run();
  if (state.startProblem && state.pages + state.unchangedPages === 0) throw state.startProblem;
  return {
    pages: state.pages,
    unchanged: state.unchangedPages,
    cuts: state.cuts(),
    sitemapPictures: sitemaps.pictures,
    endedBy: state.endedBy,
  };
}

function robotsProblem(url: string, why: string): ProblemError {
  return new ProblemError({
    code: 'ROBOTS',
    what: `${url} was not read.`,
    why: `The host’s robots.txt does not allow it. ${why}`,
    remedy: 'If it is your site, let the robots.txt allow “ibidem”, or connect the site by its folder.',
  });
}

class CrawlState {
  pages = 0;
  unchangedPages = 0;
  endedBy: CrawlSummary['endedBy'] = null;
  startProblem: ProblemError | null = null;
  private failure: Error | null = null;
  private done = 0;
  private readonly frontier = new Frontier<CrawlTarget>();
  private readonly lanes: PQueue;
  private readonly seen = new Set<string>();
  /** By page name: other addresses of the same page, for when the first fails. */
  private readonly names = new Map<string, CrawlTarget[]>();
  private readonly traps;
  private readonly maxPages;
  private readonly forbidden = { count: 0, example: '' };
  private readonly tooDeep = { count: 0, example: '' };
  private readonly sessions = { count: 0, example: '' };

  constructor(
    private readonly options: CrawlOptions,
    private readonly rules: RobotRules,
  ) {
    this.traps = watchForTraps(options.year);
    this.maxPages = options.maxPages ?? CRAWL_LIMITS.maxPages;
    const { budget, concurrency = CRAWL_LIMITS.concurrency } = options;
    this.lanes = new PQueue({ concurrency: budget.atOnce(concurrency) });
  }

  /** Takes up a reading that was stopped: what it had read is not read again. */
  resume({ done, open, links }: CrawlResume): void {
    const { scope } = this.options;
    for (const url of [...done, ...open.map((target) => target.url)]) {
      this.seen.add(url);
      this.names.set(pagePathOf(url, scope.site), []);
    }
    for (const target of open) this.put(target);
    this.add(links, { depth: 1, from: null });
  }

  /** Takes up the addresses of the site among these. */
  add(addresses: readonly string[], { depth, from }: { depth: number; from: string | null }): void {
    const fresh: CrawlTarget[] = [];
    for (const address of addresses) {
      const url = ownUrl(address, this.options.scope);
      if (url === null) continue;
      if (url !== address && namesSession(address)) note(this.sessions, address);
      if (this.seen.has(url)) continue;
      this.seen.add(url);
      if (!mayBePage(url)) continue;
      const target = { url, depth, from };
      const name = pagePathOf(url, this.options.scope.site);
      const others = this.names.get(name);
      if (others) {
        others.push(target);
        continue;
      }
      if (!this.rules.mayRead(url)) note(this.forbidden, url);
      else if (depth > CRAWL_LIMITS.maxDepth) note(this.tooDeep, url);
      else if (this.traps.mayFollow(url)) {
        this.names.set(name, []);
        fresh.push(target);
      }
    }
    if (fresh.length === 0) return;
    this.options.reader.queued?.(fresh);
    for (const target of fresh) this.put(target);
  }

  /** Reads until nothing is left to be read, or the reading is ended. */
  async run(): Promise<void> {
    await this.lanes.onIdle();
    if (this.failure) throw this.failure;
  }

  private put(target: CrawlTarget): void {
    this.frontier.add(target, sourceOf(target));
    // A lane takes what is next by then, which need not be this one.
    this.lanes
      .add(() => this.take())
      .catch((error: unknown) => {
        // What the reader of pages throws is no matter of one address: the first such error ends the crawl.
        this.failure ??= error instanceof Error ? error : new Error(String(error));
        this.stopTaking();
      });
  }

  private async take(): Promise<void> {
    if (this.options.isStopped?.()) this.end('stop');
    else if (this.isFull()) this.end('pages');
    else if (this.options.budget.spent) this.end(this.options.budget.spent);
    const target = this.endedBy ? undefined : this.frontier.next();
    if (!target) return;
    await this.read(target);
    this.done++;
    this.options.reader.progress?.({ done: this.done, open: this.frontier.size + this.lanes.pending });
  }

  private stopTaking(): void {
    this.frontier.clear();
    this.lanes.clear();
  }

  private isFull(): boolean {
    return this.pages + this.unchangedPages >= this.maxPages;
  }

  private end(by: NonNullable<CrawlSummary['endedBy']>): void {
    this.endedBy ??= by;
    this.stopTaking();
  }

  private async read(target: CrawlTarget): Promise<void> {
    const { scope, fetcher, reader, known } = this.options;
    const isOwn = (url: string) => ownUrl(url, scope) !== null && this.rules.mayRead(url);
    let fetched: Fetched;
    try {
      fetched = await fetcher.get(target.url, {
        known: known?.(target.url) ?? null,
        within: isOwn,
        budget: this.options.budget,
      });
    } catch (error) {
      if (target.depth === 0 && error instanceof ProblemError) this.startProblem = error;
      return this.fail(target, problemOf(error).why, !isGone(error));
    }
    if (fetched.leadsTo !== null) {
      if (target.depth === 0) this.startProblem = awayProblem(target.url, fetched.leadsTo);
      return this.fail(target, `It leads away, to ${fetched.leadsTo}.`);
    }
    const finalUrl = ownUrl(fetched.url, scope) ?? target.url;
    const path = pagePathOf(finalUrl, scope.site);
    // Others that were asked for at the same time may have filled the number meanwhile.
    if (this.isFull()) return this.end('pages');
    if (fetched.status === 304) {
      this.unchangedPages++;
      this.frontier.tell(sourceOf(target), true);
      this.add(await reader.unchanged({ ...target, path }), { depth: target.depth + 1, from: target.url });
      return;
    }
    if (finalUrl !== target.url) {
      // Another address of a page that is read, or will be, under its own.
      const isKnown = this.seen.has(finalUrl) || this.names.has(path);
      const isOwnName = path === pagePathOf(target.url, scope.site);
      if (isKnown && !isOwnName) return reader.passed?.(target, finalUrl);
      this.seen.add(finalUrl);
      if (!this.names.has(path)) this.names.set(path, []);
    }
    if (!isPageType(fetched)) {
      if (target.depth === 0) this.startProblem = typeProblem(target.url, fetched.type);
      if (/\.(?:html?|xhtml|shtml)$/i.test(new URL(fetched.url).pathname))
        reader.problem({
          ...target,
          reason: `It is called a page and comes ${fetched.type ? `as ${fetched.type}` : 'without a type'}.`,
        });
      else reader.passed?.(target, finalUrl);
      return;
    }
    this.pages++;
    this.frontier.tell(sourceOf(target), true);
    if (finalUrl.includes('?')) this.traps.saw(finalUrl, sha256(fetched.bytes));
    const { bytes, charset, etag, lastModified } = fetched;
    const isXml = fetched.type === 'application/xhtml+xml';
    const page = { ...target, path, finalUrl, bytes, charset, isXml, etag, lastModified };
    const links = await reader.page(page);
    this.add(links, { depth: target.depth + 1, from: finalUrl });
  }

  private fail(target: CrawlTarget, reason: string, isPassing = false): void {
    const { url, from, depth } = target;
    this.frontier.tell(sourceOf(target), false);
    const other = this.names.get(pagePathOf(url, this.options.scope.site))?.shift();
    if (other) return this.put({ ...other, depth });
    const led = this.options.reader.problem({ url, from, reason, isPassing });
    this.add(led, { depth: depth + 1, from: url });
  }

  cuts(): TrapCut[] {
    const own = [
      { ...this.forbidden, pattern: 'robots.txt', why: 'the host’s robots.txt asks not to read them' },
      { ...this.sessions, pattern: 'sessions', why: 'it names a session, and was asked for without' },
      { ...this.tooDeep, pattern: 'depth', why: `more than ${CRAWL_LIMITS.maxDepth} links from the start` },
    ].filter(({ count }) => count > 0);
    return [...own, ...this.traps.cuts()];
  }
}

/** Where an address was learnt. */
const sourceOf = ({ from }: CrawlTarget): string => from ?? 'sitemap';

function note(tally: { count: number; example: string }, url: string): void {
  if (tally.count++ === 0) tally.example = url;
}

function isPageType({ type, bytes }: Fetched): boolean {
  if (type === 'text/html' || type === 'application/xhtml+xml') return true;
  return (
    type === '' && /^\s*<(?:!doctype html|html)/i.test(Buffer.from(bytes.subarray(0, 200)).toString('latin1'))
  );
}

function awayProblem(url: string, to: string): ProblemError {
  return new ProblemError({
    code: 'START_AWAY',
    what: `${url} was not read as a site.`,
    why: `It leads to ${to}, which is another host.`,
    remedy: 'Give that address, if it is the site you mean.',
  });
}

function typeProblem(url: string, type: string): ProblemError {
  return new ProblemError({
    code: 'START_NO_PAGE',
    what: `${url} was not read as a site.`,
    why: type ? `It is no page; the server says it is ${type}.` : 'It is no page.',
    remedy: 'Give the address of the site’s home page.',
  });
}
