/** What a host asks of those who read it by program (RFC 9309). */
import robotsParser from 'robots-parser';
import { parseUrl } from '@/core/address/parse-url';
import { problemOf } from '../../problem-error';
import type { CrawlBudget } from './crawl-budget';
import type { Fetcher } from './fetch-address';

const ROBOT_NAME = 'ibidem';

export interface RobotRules {
  mayRead(url: string): boolean;
  /** Addresses of sitemaps that it names. */
  readonly sitemaps: readonly string[];
  /** Wanted time between requests in ms; 0 where it asks for none. */
  readonly delayMs: number;
  /** Why nothing may be read at all, where the rules themselves can't be had. */
  readonly refusal: string | null;
}

const EVERYTHING: RobotRules = { mayRead: () => true, sitemaps: [], delayMs: 0, refusal: null };
/** Longer waits than this are not kept: a survey would never end. */
const MAX_DELAY_MS = 10_000;
/** RFC 9309, §2.5: at least the first 500 KiB are to be read, and nothing behind them is. */
const FIRST_BYTES = 500 * 1024;

/** Reads a host's robots.txt. A host without one may be read; one whose rules fail to come may not (RFC 9309, §2.3.1). */
export async function robotRules(
  fetcher: Fetcher,
  origin: string,
  budget?: CrawlBudget,
): Promise<RobotRules> {
  const address = `${origin}/robots.txt`;
  const answer = await fetcher
    .get(address, { firstBytes: FIRST_BYTES, budget })
    .catch((error: unknown) => error);
  if (answer instanceof Error) {
    const { status } = (answer.cause ?? {}) as { status?: number };
    if (status !== undefined && status < 500) return EVERYTHING;
    // Led on without end, or to where nobody may ask: that host has none (RFC 9309, §2.3.1.2).
    const { code, what, why } = problemOf(answer);
    if (/^ADDRESS_(?:REDIRECT|PRIVATE)$/.test(code)) return EVERYTHING;
    return { ...EVERYTHING, mayRead: () => false, refusal: `${what} ${why}` };
  }
  const { bytes } = answer as { bytes: Uint8Array };
  const rules = robotsParser(address, new TextDecoder().decode(bytes));
  return {
    mayRead: (url) => rules.isAllowed(url, ROBOT_NAME) !== false,
    sitemaps: rules.getSitemaps().flatMap((url) => parseUrl(url, address)?.href ?? []),
    delayMs: Math.min(MAX_DELAY_MS, (rules.getCrawlDelay(ROBOT_NAME) ?? 0) * 1000),
    refusal: null,
  };
}
