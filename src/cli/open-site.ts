import { stat } from 'node:fs/promises';
import type { ReadableConnection } from '@/server/connections/connection';
import { openFolder } from '@/server/connections/folder';
import { isZipFile, openZip } from '@/server/connections/zip';
import { ProblemError } from '@/server/problem-error';

/**
 * Opens what the command line calls SITE: a folder or a `.zip`.
 *
 * @throws ProblemError where it is neither
 */
export async function openSite(site: string): Promise<ReadableConnection> {
  if (/^https?:\/\//i.test(site)) {
    throw new ProblemError({
      code: 'SITE_BY_ADDRESS',
      what: `${site} can’t be read.`,
      why: 'This version reads folders and ZIPs, not yet sites by their address.',
      remedy: 'Give the folder or ZIP that holds the site’s pages.',
    });
  }
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
      remedy: 'Give a folder or a .zip.',
    });
  }
  return openFolder(site);
}
