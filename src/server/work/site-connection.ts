import { siteOfFiles, type SiteAddressing } from '@/core/address/resolve-address';
import type { WritableConnection } from '../connections/connection';
import { openFolder } from '../connections/folder';
import type { sites } from '../db/schema/sites';

type Site = typeof sites.$inferSelect;

/** Opens a site the way its settings say. */
export async function openConnection(site: Pick<Site, 'connection'>): Promise<WritableConnection> {
  return openFolder(site.connection.folder);
}

/** How a site's own addresses are told from others: by the host under which readers see it. */
export function addressingOf(site: Pick<Site, 'liveUrl'>): SiteAddressing {
  if (!site.liveUrl) return siteOfFiles();
  const { host } = new URL(site.liveUrl);
  const bare = host.replace(/^www\./, '');
  return siteOfFiles([bare, `www.${bare}`]);
}
