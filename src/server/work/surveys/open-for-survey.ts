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
  return { ...folder, list: async () => ({ ...(await folder.list()), isWhole: true }) };
}
