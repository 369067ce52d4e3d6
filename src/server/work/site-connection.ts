import { siteOfFiles, type SiteAddressing } from '@/core/address/resolve-address';
import type { WritableConnection } from '../connections/connection';
import { openFolder } from '../connections/folder';
import type { sites } from '../db/schema/sites';

type Site = typeof sites.$inferSelect;

/** Opens a site the way its settings say. */
export async function openConnection(site: Pick<Site, 'connection'>): Promise<WritableConnection> {
  return openFolder(site.connection.folder);
}

/** How a site's own addresses are told from others: by the names under which readers and pages know it. */
export function addressingOf(site: Pick<Site, 'liveUrl' | 'hosts'>): SiteAddressing {
  const live = site.liveUrl ? [new URL(site.liveUrl).host] : [];
  const names = [...live, ...site.hosts].map((host) => host.replace(/^www\./, ''));
  return siteOfFiles(names.flatMap((name) => [name, `www.${name}`]));
}
