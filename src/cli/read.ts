import { siteOfFiles, type SiteAddressing } from '@/core/address/resolve-address';
import type { ReadableConnection } from '@/server/connections/connection';
import { openMirror } from '@/server/connections/http/open-mirror';
import { readSite } from '@/server/connections/read-site';
import { isWebAddress, openSite, type SiteOptions } from './open-site';
import { printText, say, showProgress } from './rows';

/** `ibidem read SITE`: a row a placement. */
export async function readCommand(site: string, options: SiteOptions): Promise<void> {
  await (isWebAddress(site) ? readByAddress(site, options) : readFiles(site));
}

async function readFiles(site: string): Promise<void> {
  const connection = await openSite(site);
  await printPlacements(connection, siteOfFiles()).finally(() => connection.close());
}

async function readByAddress(start: string, { maxPages, allowPrivate }: SiteOptions): Promise<void> {
  const connection = await openMirror(start, {
    ...{ maxPages, allowPrivate },
    onProgress: ({ done, open }) => showProgress(`${done} addresses read, ${open} to read`),
  });
  try {
    const { skipped, summary } = await connection.list();
    for (const { path, reason } of skipped) say(`${path}: ${reason}`);
    if (summary.endedBy === 'pages') say(`ended after ${summary.pages} pages, as asked; there are more`);
    await printPlacements(connection, connection.site);
  } finally {
    await connection.close();
  }
}

async function printPlacements(connection: ReadableConnection, site: SiteAddressing): Promise<void> {
  let done = 0;
  for await (const read of readSite(connection, site, 'rows')) {
    const rows = read.kind === 'pages' ? read.pages.map(({ json }) => json).join('') : read.json;
    if (rows !== '') await printText(rows);
    if (read.kind === 'pages') showProgress(`${(done += read.pages.length)} pages read`);
  }
  showProgress('');
}
