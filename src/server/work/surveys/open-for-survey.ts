import { openFolder } from '../../connections/folder/open-folder';
import type { Database } from '../../db/database';
import type { sites } from '../../db/schema/sites';
import type { SurveyConnection, SurveyWatch } from './survey-connection';
import { openLiveSite } from './survey-live-site';

type Site = typeof sites.$inferSelect;

/** Opens a site for a survey: its files where they lie, or its pages as the server gives them now. */
export async function openForSurvey(
  db: Database,
  site: Site,
  survey: number,
  watch: SurveyWatch,
): Promise<SurveyConnection> {
  if (site.connection.kind === 'http')
    return openLiveSite(db, { ...site, connection: site.connection }, survey, watch);
  const folder = await openFolder(site.connection.folder);
  // Under the site's lock nothing writes: what is unfinished here, nobody comes back to.
  const tidied = (await folder.tidy?.()) ?? [];
  const skipped = tidied.map((path) => ({
    path,
    reason: 'left by a write that was cut off; it was taken away',
  }));
  return {
    ...folder,
    async list() {
      const listing = await folder.list();
      return { ...listing, skipped: [...skipped, ...listing.skipped], isWhole: true };
    },
  };
}
