/** Follows a host's sitemaps: those robots.txt names, else the usual place, index files and packed ones included. */
import { promisify } from 'node:util';
import { gunzip } from 'node:zlib';
import { readSitemap } from '@/core/crawl/read-sitemap';
import type { Fetcher } from './fetch-address';

const MAX_SITEMAPS = 500;
const MAX_UNPACKED_BYTES = 60 * 1024 ** 2;

export interface SitemapFind {
  readonly pages: readonly string[];
  readonly pictures: readonly string[];
  /** Sitemaps that were named and could not be read. */
  readonly problems: readonly { readonly url: string; readonly reason: string }[];
}

/** @param may whether a sitemap's address may be asked for */
export async function gatherSitemaps(
  fetcher: Fetcher,
  named: readonly string[],
  { origin, may }: { origin: string; may: (url: string) => boolean },
): Promise<SitemapFind> {
  const isGuess = named.length === 0;
  const queue = isGuess ? [`${origin}/sitemap.xml`] : [...named];
  const seen = new Set(queue);
  const pages = new Set<string>();
  const pictures = new Set<string>();
  const problems: { url: string; reason: string }[] = [];
  for (let at = 0; at < queue.length && at < MAX_SITEMAPS; at++) {
    const url = queue[at] as string;
    if (!may(url)) continue;
    try {
      const { bytes, url: from } = await fetcher.get(url, { within: may });
      const reading = readSitemap(await textOf(bytes), from);
      for (const page of reading.pages) pages.add(page);
      for (const picture of reading.pictures) pictures.add(picture);
      for (const next of reading.sitemaps) {
        if (!seen.has(next)) queue.push(next);
        seen.add(next);
      }
    } catch (error) {
      // Nobody promised a sitemap at the usual place; one that was named should be there.
      if (!isGuess || at > 0)
        problems.push({ url, reason: error instanceof Error ? error.message : String(error) });
    }
  }
  return { pages: [...pages], pictures: [...pictures], problems };
}

async function textOf(bytes: Uint8Array): Promise<string> {
  const isPacked = bytes[0] === 0x1f && bytes[1] === 0x8b;
  const plain = isPacked ? await promisify(gunzip)(bytes, { maxOutputLength: MAX_UNPACKED_BYTES }) : bytes;
  return new TextDecoder().decode(plain);
}
