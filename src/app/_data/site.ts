import 'server-only';
import { desc, eq } from 'drizzle-orm';
import { notFound } from 'next/navigation';
import { cache } from 'react';
import { database } from '@/server/db/database';
import { sites, surveys } from '@/server/db/schema/sites';
import { placeText } from '@/ui/format';
import { sectionsOf } from './frame';
import { requireActor } from './session';
import { workMark } from './work-status';

/** A site by its slug, for somebody who is signed in; what is looked up after it is no older than its {@link workMark}. */
export const siteBySlug = cache(async (slug: string) => {
  await requireActor();
  const [[site]] = await Promise.all([
    database().orm.select().from(sites).where(eq(sites.slug, slug)),
    workMark(slug),
  ]);
  return site ?? notFound();
});

/** All sites, by name. */
export async function allSites() {
  await requireActor();
  return database().orm.select().from(sites).orderBy(sites.name);
}

/** The surveys of a site, newest first. */
export async function surveysOf(siteId: number) {
  return database()
    .orm.select()
    .from(surveys)
    .where(eq(surveys.siteId, siteId))
    .orderBy(desc(surveys.number))
    .limit(50);
}

/** What a section is called, for people. */
export async function sectionName(siteId: number, section: string): Promise<string> {
  if (section === '') return 'Top of the site';
  const found = (await sectionsOf(siteId)).find((one) => one.section === section);
  return found?.name ?? placeText(section);
}
