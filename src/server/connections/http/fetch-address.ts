/** Fetches addresses of the web within bounds: of time, size, redirects and politeness. It only ever asks (GET). */
import { setTimeout as pause } from 'node:timers/promises';
import PQueue from 'p-queue';
import { Agent, request } from 'undici';
import { parseUrl } from '@/core/address/parse-url';
import { ProblemError } from '../../problem-error';
import type { CrawlBudget } from './crawl-budget';
import { addressProblem, problemOfFailure, statusProblem, tooLarge } from './address-problem';
import { contentType } from './content-type';
import { isAllowedPrivate, publicLookup, refusePrivateLiteral, type PrivateHosts } from './guard-address';
import { unpackBody } from './unpack-body';

export interface FetchLimits {
  /** Bytes of one answer, packed or unpacked. */
  readonly maxBytes: number;
  /** Time for one address as a whole, in ms: redirects, waits and further attempts included. */
  readonly totalMs: number;
  /** Time until an answer begins, and between two pieces of it, in ms. */
  readonly idleMs: number;
  /** An answer that comes slower than so many bytes a second for five seconds is given up on. */
  readonly leastPerSecond: number;
  readonly redirects: number;
  /** How often an address is asked before it is given up on. */
  readonly attempts: number;
  /** Wait before the second attempt, in ms; it doubles with each. */
  readonly backOffMs: number;
  /** Requests to one host at a time. */
  readonly concurrency: number;
  /** Requests to one host in a second; `Infinity` for as many as it answers. */
  readonly perSecond: number;
}

const FETCH_LIMITS: FetchLimits = {
  maxBytes: 20 * 1024 ** 2,
  totalMs: 30_000,
  idleMs: 10_000,
  leastPerSecond: 256,
  redirects: 10,
  attempts: 3,
  backOffMs: 500,
  concurrency: 4,
  perSecond: 20,
};

/** What a server told about a file, by which it can say later that nothing has changed. */
export interface Validators {
  readonly etag: string | null;
  readonly lastModified: string | null;
}

export interface Fetched extends Validators {
  /** Where the answer came from, redirects followed. */
  readonly url: string;
  /** Addresses that led on to the next, in order. */
  readonly redirects: readonly string[];
  /** 200 to 299, 304, or 3xx with `leadsTo`. */
  readonly status: number;
  /** Media type, lower case, without parameters; empty where the server said none. */
  readonly type: string;
  readonly charset: string | null;
  readonly bytes: Uint8Array;
  /** A redirect that was not followed because it leads away. */
  readonly leadsTo: string | null;
}

interface FetchOptions {
  readonly known?: Validators | null;
  /** Redirects to addresses outside are told, not followed. */
  readonly within?: (url: string) => boolean;
  /** Only so many bytes of the answer are wanted; what comes behind them is left. */
  readonly firstBytes?: number;
  /** What the request counts for. */
  readonly budget?: CrawlBudget | undefined;
}

export interface Fetcher {
  /** @throws ProblemError `ADDRESS_…` that says what went wrong at that address */
  get(url: string, options?: FetchOptions): Promise<Fetched>;
  /** Asks a host no more often than once in so many ms (robots.txt may say so). */
  slowDown(host: string, everyMs: number): void;
  close(): Promise<void>;
}

const USER_AGENT = 'Ibidem/0.1 (survey of the pictures of a site, for its maintainer)';
const TRY_AGAIN = new Set([408, 425, 429, 500, 502, 503, 504]);

/** Opens a fetcher. @param allowed hosts that may be at private addresses; they are not held to a rate either */
export function openFetcher(allowed: PrivateHosts, given: Partial<FetchLimits> = {}): Fetcher {
  const limits = { ...FETCH_LIMITS, ...given };
  const connections = {
    connections: limits.concurrency,
    bodyTimeout: limits.idleMs,
    headersTimeout: limits.idleMs,
    keepAliveTimeout: 10_000,
  };
  const timeout = limits.idleMs;
  const outside = new Agent({ ...connections, connect: { lookup: publicLookup, timeout } });
  /** For the hosts that were allowed, and for no other port of theirs. */
  const inside = new Agent({ ...connections, connect: { timeout } });
  const pace = new HostPace(limits, allowed);

  const once = async (url: URL, { known, firstBytes, time, budget }: Asking): Promise<Answer> => {
    const deadline = time.until;
    refusePrivateLiteral(url, allowed);
    budget?.spend();
    // Hints that come before an answer (status 103) count as signs of life for ever: the answer must begin in time.
    const isLate = new AbortController();
    const begin = setTimeout(() => isLate.abort(slow(url)), Math.min(limits.idleMs, deadline - Date.now()));
    try {
      const response = await request(url, {
        dispatcher: isAllowedPrivate(url, allowed) ? inside : outside,
        headers: {
          'user-agent': USER_AGENT,
          accept: '*/*',
          // The first bytes of a packed answer are of no use by themselves.
          'accept-encoding': firstBytes === undefined ? 'gzip, deflate, br' : 'identity',
          ...(known?.etag ? { 'if-none-match': known.etag } : {}),
          ...(known?.lastModified ? { 'if-modified-since': known.lastModified } : {}),
        },
        signal: isLate.signal,
      });
      clearTimeout(begin);
      const header = (name: string) => headerOf(response.headers, name);
      const status = response.statusCode;
      const isWanted = status >= 200 && status < 300;
      const packed = isWanted
        ? await collect(response.body, { ...limits, firstBytes, deadline, url })
        : await discard(response.body, deadline).then(() => EMPTY);
      const bytes = await unpackBody(packed, header('content-encoding'), {
        url: url.href,
        maxBytes: limits.maxBytes,
      });
      return { status, header, bytes };
    } catch (error) {
      throw problemOfFailure(error, url.href);
    } finally {
      clearTimeout(begin);
    }
  };

  const insistent = async (url: URL, asking: Asking): Promise<Answer> => {
    const queue = pace.queueOf(url);
    for (let attempt = 1; ; attempt++) {
      const isLast = attempt >= limits.attempts;
      try {
        const answer = queue
          ? await inTurn(queue, asking.time, () => once(url, asking))
          : await once(url, asking);
        if (!TRY_AGAIN.has(answer.status) || isLast || asking.budget?.spent) return answer;
        const waitMs = waitFor(answer.header('retry-after'), limits.backOffMs * 2 ** (attempt - 1));
        // A server that wants to be left alone for longer than an address may take is left alone.
        if (Date.now() + waitMs >= asking.time.until) return answer;
        await pause(waitMs);
      } catch (error) {
        const isPassing = error instanceof ProblemError && error.problem.code === 'ADDRESS_UNREACHED';
        if (!isPassing || isLast || Date.now() >= asking.time.until) throw error;
        await pause(limits.backOffMs * 2 ** (attempt - 1));
      }
    }
  };

  return {
    async get(address, { known = null, within, firstBytes, budget } = {}) {
      const redirects: string[] = [];
      const asking = { firstBytes, budget, time: { until: Date.now() + limits.totalMs } };
      let url = new URL(address);
      for (;;) {
        const isFirst = redirects.length === 0;
        const answer = await insistent(url, { ...asking, known: isFirst ? known : null });
        const { status, header, bytes } = answer;
        const location = status >= 300 && status < 400 && status !== 304 ? locationOf(header) : null;
        const fetched: Fetched = {
          url: url.href,
          redirects,
          status,
          ...contentType(header('content-type')),
          bytes,
          etag: header('etag'),
          lastModified: header('last-modified'),
          leadsTo: null,
        };
        if (status === 304 && !(isFirst && (known?.etag || known?.lastModified)))
          throw addressProblem(
            'ADDRESS_BROKEN',
            url.href,
            'It says that nothing has changed (304), though nobody asked that.',
          );
        if (location === null) {
          if ((status >= 200 && status < 300) || status === 304) return fetched;
          throw statusProblem(url.href, status);
        }
        const next = parseUrl(location, url);
        if (next === null || !/^https?:$/.test(next.protocol)) {
          throw addressProblem(
            'ADDRESS_REDIRECT',
            address,
            `It leads to ${location}, which is no web address.`,
          );
        }
        if (within && !within(next.href)) return { ...fetched, leadsTo: next.href };
        if (redirects.includes(next.href) || next.href === url.href || redirects.length >= limits.redirects) {
          throw addressProblem('ADDRESS_REDIRECT', address, `It leads on without end (to ${next.href}).`);
        }
        redirects.push(url.href);
        url = next;
      }
    },
    slowDown: (host, everyMs) => pace.slowDown(host, everyMs),
    async close() {
      await Promise.all([inside.destroy(), outside.destroy()]);
    },
  };
}

/** How often each host is asked. */
class HostPace {
  private readonly queues = new Map<string, PQueue>();

  constructor(
    private readonly limits: FetchLimits,
    private readonly allowed: PrivateHosts,
  ) {}

  /** `null` for a host that is not held to any pace: its connections bound it enough. */
  queueOf(url: URL): PQueue | null {
    const known = this.queues.get(url.host);
    if (known) return known;
    const { concurrency, perSecond: intervalCap } = this.limits;
    if (!Number.isFinite(intervalCap) || isAllowedPrivate(url, this.allowed)) return null;
    const queue = new PQueue({ concurrency, interval: 1000, intervalCap });
    this.queues.set(url.host, queue);
    return queue;
  }

  slowDown(host: string, everyMs: number): void {
    this.queues.set(host, new PQueue({ concurrency: 1, interval: everyMs, intervalCap: 1 }));
  }
}

/** Does something when its host may be asked again. That wait is our politeness, and none of the time that an address may take. */
function inTurn(queue: PQueue, time: Asking['time'], run: () => Promise<Answer>): Promise<Answer> {
  const waitsFrom = Date.now();
  return queue.add(() => {
    time.until += Date.now() - waitsFrom;
    return run();
  });
}

/** What is asked of one address, whatever it takes. */
interface Asking {
  readonly known: Validators | null;
  readonly firstBytes: number | undefined;
  /** When the address is given up on, in ms since 1970: later by what it waited for its turn. */
  readonly time: { until: number };
  readonly budget: CrawlBudget | undefined;
}

interface Answer {
  readonly status: number;
  readonly header: (name: string) => string | null;
  readonly bytes: Uint8Array;
}

const EMPTY: Uint8Array = new Uint8Array(0);

/** Lines of one name are a list where the header is one (RFC 9110, §5.3); of others the first holds. */
function headerOf(headers: Record<string, string | string[] | undefined>, name: string): string | null {
  const value = headers[name];
  if (!Array.isArray(value)) return value ?? null;
  return LISTS.has(name) ? value.join(', ') : (value[0] ?? null);
}

const LISTS = new Set(['content-type', 'content-encoding']);

/** Where an answer leads. Headers are read byte by byte, and an address keeps the bytes that are no ASCII, as in browsers. */
function locationOf(header: Answer['header']): string | null {
  return (
    header('location')?.replace(
      /[\x80-\xff]/g,
      (byte) => `%${byte.charCodeAt(0).toString(16).toUpperCase()}`,
    ) ?? null
  );
}

function waitFor(retryAfter: string | null, otherwiseMs: number): number {
  const seconds = Number(retryAfter);
  if (retryAfter === null || retryAfter.trim() === '') return otherwiseMs;
  const ms = Number.isFinite(seconds) ? seconds * 1000 : Date.parse(retryAfter) - Date.now();
  return Number.isFinite(ms) ? Math.max(0, ms) : otherwiseMs;
}

function slow(url: URL): ProblemError {
  return addressProblem('ADDRESS_SLOW', url.href, 'The server did not answer in time.');
}

/** From then on an answer's pace is looked at. */
const PACE_FROM_MS = 5000;

/** The whole of an answer's body. Time is looked at with every piece; a body of which no piece comes is idle. */
async function collect(
  body: AsyncIterable<Uint8Array>,
  {
    maxBytes,
    leastPerSecond,
    firstBytes = Infinity,
    deadline,
    url,
  }: Pick<FetchLimits, 'maxBytes' | 'leastPerSecond'> &
    Pick<Asking, 'firstBytes'> & { readonly deadline: number; readonly url: URL },
): Promise<Uint8Array> {
  const chunks: Uint8Array[] = [];
  let length = 0;
  const start = Date.now();
  for await (const chunk of body) {
    length += chunk.length;
    if (length >= firstBytes) {
      chunks.push(chunk.subarray(0, chunk.length - (length - firstBytes)));
      // Leaving the loop drops the rest, and the connection with it.
      return Buffer.concat(chunks);
    }
    if (length > maxBytes) throw tooLarge(url.href, maxBytes);
    const ms = Date.now() - start;
    if (Date.now() > deadline || (ms > PACE_FROM_MS && (length / ms) * 1000 < leastPerSecond))
      throw addressProblem('ADDRESS_SLOW', url.href, 'The answer drips, and would not end.');
    chunks.push(chunk);
  }
  return chunks.length === 1 ? (chunks[0] as Uint8Array) : Buffer.concat(chunks, length);
}

/** Error pages longer than this are not read to their end: a new connection costs less. */
const DISCARD_BYTES = 64 * 1024;

/** Reads what nobody wants to its end, so that its connection can be used again; one without an end is dropped. */
async function discard(body: AsyncIterable<Uint8Array>, deadline: number): Promise<void> {
  let length = 0;
  for await (const chunk of body) {
    length += chunk.length;
    if (length > DISCARD_BYTES || Date.now() > deadline) return;
  }
}
