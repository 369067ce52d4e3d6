'use server';

import { act, type Outcome } from '@/app/_data/act';
import { siteBySlug } from '@/app/_data/site';
import { changeLines, type LineChanged } from '@/server/work/intake/change-lines';
import { closeDelivery } from '@/server/work/intake/deliveries';
import { fetchPicture } from '@/server/work/intake/fetch-picture';
import { forgetUpload } from '@/server/work/intake/uploads';

/** Writes on lines; gives what stood there before, which takes it back. */
export async function writeLines(
  slug: string,
  changes: readonly LineChanged[],
): Promise<Outcome<LineChanged[]>> {
  const site = await siteBySlug(slug);
  return act((db, actor) => changeLines(db, actor, site.id, changes));
}

/** Fetches a picture from the web into the delivery. */
export async function fetchFrom(slug: string, address: string): Promise<Outcome<void>> {
  const site = await siteBySlug(slug);
  const allowed = site.connection.kind === 'http' ? site.connection.privateHosts : [];
  return act((db, actor) => fetchPicture(db, actor, { siteId: site.id, address }, allowed));
}

/** Gives up a file that has not arrived. */
export async function giveUp(slug: string, id: string): Promise<Outcome<void>> {
  const site = await siteBySlug(slug);
  return act((db, actor) => forgetUpload(db, actor, site.id, id));
}

/** Puts the delivery aside; what comes next comes in a new one. */
export async function putAside(slug: string): Promise<Outcome<void>> {
  const site = await siteBySlug(slug);
  return act((db, actor) => closeDelivery(db, actor, site.id));
}
