import { stat } from 'node:fs/promises';
import type { ReadableConnection } from '@/server/connections/connection';
import type { openMirror } from '@/server/connections/http/open-mirror';
import { openFolder } from '@/server/connections/folder/open-folder';
import { isZipFile, openZip } from '@/server/connections/zip';
import { ProblemError } from '@/server/problem-error';

/** Options of every command that reads a site. */
export interface SiteOptions {
  /** At most so many pages of a site that is read by its address. */
  readonly maxPages?: number;
  /** Whether the site may stand at a private address, as a server on this machine does. */
  readonly allowPrivate?: boolean;
}

/** Whether SITE is an address to crawl. */
export function isWebAddress(site: string): boolean {
  return /^https?:\/\//i.test(site);
}

/**
 * Reads a site by its address. What crawls is loaded when it is asked for: of all that a command loads it is the largest.
 *
 * @throws ProblemError where the start can’t be read
 */
export const crawlSite: typeof openMirror = async (start, options) =>
  (await import('@/server/connections/http/open-mirror')).openMirror(start, options);

/**
 * Opens what the command line calls SITE: a folder, a `.zip`, or an `http(s)` address, which is read as a whole first.
 *
 * @throws ProblemError where it is none of them
 */
export async function openSite(site: string, options: SiteOptions = {}): Promise<ReadableConnection> {
  if (isWebAddress(site)) return crawlSite(site, options);
  if (await isZipFile(site)) return openZip(site);
  const isFile = await stat(site).then(
    (info) => info.isFile(),
    () => false,
  );
  if (isFile) {
    throw new ProblemError({
      code: 'SITE_UNKNOWN',
      what: `${site} is not a site.`,
      why: 'It is a file, and its name does not end in .zip.',
      remedy: 'Give a folder, a .zip or an address that begins with http:// or https://.',
    });
  }
  return openFolder(site);
}
