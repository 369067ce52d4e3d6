import { siteOfFiles } from '@/core/address/resolve-address';
import { placementRow, readSite } from '@/server/connections/read-site';
import { openSite } from './open-site';
import { printText, showProgress } from './rows';

/** `ibidem read SITE`: a row a placement. */
export async function readCommand(site: string): Promise<void> {
  const connection = await openSite(site);
  let pages = 0;
  try {
    for await (const read of readSite(connection, siteOfFiles())) {
      const placements = read.kind === 'page' ? read.reading.placements : read.placements;
      const rows = placements.map((placement) => `${JSON.stringify(placementRow(placement))}\n`);
      if (rows.length > 0) await printText(rows.join(''));
      showProgress(`${++pages} pages read`);
    }
    showProgress('');
  } finally {
    await connection.close();
  }
}
