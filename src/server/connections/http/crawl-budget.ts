/**
 * What a crawl may cost, as one sum: requests of every sort (pages, redirects, second attempts, sitemaps, style sheets,
 * what is not there) and time. Whoever asks for something looks here first, and the crawl ends where it is used up.
 */

export interface CrawlBudget {
  /** Counts a request that is about to be made. */
  spend(): void;
  /** The host asks for so many ms between two requests: what it asks for is not held against it. */
  paced(everyMs: number): void;
  /** How many requests may be under way at once, of so many: one where the host asks for a pace. More would wait, and a stop with them. */
  atOnce(most: number): number;
  /** Why nothing more is to be asked for; `null` while there is something left. */
  readonly spent: 'requests' | 'time' | null;
  /** Of all requests, how many sitemaps, and what dresses pages, may take: the pages come first. */
  readonly forSitemaps: number;
  readonly forDressing: number;
  readonly maxRequests: number;
}

/** A site has more addresses than pages: some lead on, some are gone, some dress pages. */
const REQUESTS_A_PAGE = 1.5;
const LEAST_REQUESTS = 60;
/** A page that a server takes longer for on the average is not read in an hour a week. */
const MS_A_PAGE = 1500;
const LEAST_MS = 120_000;
const LONGEST_MS = 24 * 3_600_000;

/**
 * The budget for so many pages.
 *
 * @param clock ms, of any origin
 */
export function crawlBudget(maxPages: number, clock: () => number = () => performance.now()): CrawlBudget {
  const maxRequests = Math.ceil(maxPages * REQUESTS_A_PAGE) + LEAST_REQUESTS;
  const from = clock();
  let msOfAll = maxPages * MS_A_PAGE + LEAST_MS;
  let isPaced = false;
  let requests = 0;
  return {
    maxRequests,
    forSitemaps: Math.min(500, 20 + Math.floor(maxRequests / 20)),
    forDressing: 30 + Math.floor(maxRequests / 5),
    spend: () => {
      requests++;
    },
    paced: (everyMs) => {
      msOfAll += maxRequests * everyMs;
      isPaced = true;
    },
    atOnce: (most) => (isPaced ? 1 : most),
    get spent() {
      if (requests >= maxRequests) return 'requests';
      return clock() >= from + Math.min(LONGEST_MS, msOfAll) ? 'time' : null;
    },
  };
}
