import { siteOfFiles, type SiteAddressing } from '@/core/address/resolve-address';
import type { ReadableConnection, SiteListing } from '@/server/connections/connection';
import { readSite } from '@/server/connections/read-site';
import { crawlSite, isWebAddress, openSite, type SiteOptions } from './open-site';
import { printText, say, showProgress, sayUnread } from './rows';

/** `ibidem read SITE`: a row a placement. */
export async function readCommand(site: string, options: SiteOptions): Promise<void> {
  await (isWebAddress(site) ? readByAddress(site, options) : readFiles(site));
}

async function readFiles(site: string): Promise<void> {
  const connection = await openSite(site);
  try {
    sayListing(await connection.list());
    await printPlacements(connection, siteOfFiles());
  } finally {
    await connection.close();
  }
}

async function readByAddress(start: string, { maxPages, allowPrivate }: SiteOptions): Promise<void> {
  const connection = await crawlSite(start, {
    ...{ maxPages, allowPrivate },
    onProgress: ({ done, open }) => showProgress(`${done} addresses read, ${open} to read`),
  });
  try {
    const { summary, ...listing } = await connection.list();
    sayListing(listing);
    if (summary.endedBy === 'pages') say(`ended after ${summary.pages} pages, as asked; there are more`);
    await printPlacements(connection, connection.site);
  } finally {
    await connection.close();
  }
}

/** What of a site is left out, and what stands under two addresses. */
function sayListing({ skipped, links = [] }: SiteListing): void {
  for (const { path, reason } of skipped) say(`${path}: ${reason}`);
  for (const { path, leadsTo } of links) say(`${path}: the same as ${leadsTo}, through a link`);
}

async function printPlacements(connection: ReadableConnection, site: SiteAddressing): Promise<void> {
  let done = 0;
  for await (const read of readSite(connection, site, 'rows', sayUnread)) {
    const rows = read.kind === 'pages' ? read.pages.map(({ json }) => json).join('') : read.json;
    if (rows !== '') await printText(rows);
    if (read.kind === 'pages')
      for (const { path, problem } of read.pages) if (problem) say(`${path}: ${problem}`);
    if (read.kind === 'pages') showProgress(`${(done += read.pages.length)} pages read`);
  }
  showProgress('');
}
