/** A site as a survey reads it: its files where they lie, or its pages as the server gives them now. */
import { openFolder } from '../connections/folder';
import type { ReadableConnection, SiteListing } from '../connections/connection';
import type { Database } from '../db/database';
import type { sites } from '../db/schema/sites';
import { openLiveSite } from './survey-live-site';

type Site = typeof sites.$inferSelect;

export interface SurveyConnection extends ReadableConnection {
  /** `isWhole`: whether everything was listed, so that what is not there is gone. */
  list(): Promise<SiteListing & { readonly isWhole: boolean }>;
  /** The hash of a file whose bytes need not be read for it. */
  hashOf?(path: string): string | undefined;
}

export interface SurveyWatch {
  readonly isStopped: () => boolean;
  readonly onProgress: (done: number, total: number) => void;
}

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
