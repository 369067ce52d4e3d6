/** Follows a host's sitemaps: those robots.txt names, else the usual place, index files and packed ones included. */
import { readSitemap } from '@/core/crawl/read-sitemap';
import { encodingOfByteOrderMark } from '@/core/source/sniff-encoding';
import { problemOf } from '../../problem-error';
import { addressProblem } from './address-problem';
import type { CrawlBudget } from './crawl-budget';
import type { Fetcher } from './fetch-address';
import { unpackBody } from './unpack-body';

const MAX_UNPACKED_BYTES = 60 * 1024 ** 2;

export interface SitemapFind {
  readonly pages: readonly string[];
  readonly pictures: readonly string[];
  /** Sitemaps that were named and could not be read. */
  readonly problems: readonly { readonly url: string; readonly reason: string }[];
}

/** A sitemap may name pages that are gone: so many times as many as are to be read. */
const ENTRIES_A_PAGE = 4;

interface SitemapAsking {
  readonly origin: string;
  readonly may: (url: string) => boolean;
  readonly budget: CrawlBudget;
  readonly maxPages: number;
}

/** @param may whether a sitemap's address may be asked for */
export async function gatherSitemaps(
  fetcher: Fetcher,
  named: readonly string[],
  { origin, may, budget, maxPages }: SitemapAsking,
): Promise<SitemapFind> {
  const isGuess = named.length === 0;
  const queue = isGuess ? [`${origin}/sitemap.xml`] : [...named];
  const seen = new Set(queue);
  const pages = new Set<string>();
  const pictures = new Set<string>();
  const problems: { url: string; reason: string }[] = [];
  for (let at = 0; at < queue.length && !budget.spent; at++) {
    const url = queue[at] as string;
    if (!may(url)) continue;
    // More than these are left out, and told: the pages they name could not all be read either.
    if (at >= budget.forSitemaps || pages.size > maxPages * ENTRIES_A_PAGE) {
      const left = queue.length - at;
      problems.push({
        url,
        reason: `It and ${left - 1} more sitemaps were left out: there are too many for this reading.`,
      });
      break;
    }
    try {
      const { bytes, url: from } = await fetcher.get(url, { within: may, budget });
      const reading = readSitemap(await unpacked(bytes, url), from);
      if (reading === null) throw addressProblem('ADDRESS_BROKEN', url, 'It is no sitemap.');
      for (const page of reading.pages) if (pages.size <= maxPages * ENTRIES_A_PAGE) pages.add(page);
      for (const picture of reading.pictures) pictures.add(picture);
      for (const next of reading.sitemaps) {
        if (!seen.has(next)) queue.push(next);
        seen.add(next);
      }
    } catch (error) {
      // Nobody promised a sitemap at the usual place; one that was named should be there.
      if (!isGuess || at > 0) problems.push({ url, reason: problemOf(error).why });
    }
  }
  return { pages: [...pages], pictures: [...pictures], problems };
}

async function unpacked(bytes: Uint8Array, url: string): Promise<string> {
  const isPacked = bytes[0] === 0x1f && bytes[1] === 0x8b;
  const plain = isPacked ? await unpackBody(bytes, 'gzip', { url, maxBytes: MAX_UNPACKED_BYTES }) : bytes;
  return new TextDecoder(encodingOfByteOrderMark(plain) ?? 'utf-8').decode(plain);
}
