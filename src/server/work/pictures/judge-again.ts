import type { Database } from '../../db/database';
import { checkSite } from '../errata/check-site';
import { judgePictures } from './judge-pictures';

/**
 * After a person said something of pictures: judges them anew, and checks the pages that show them.
 *
 * @param only the pictures that it was said of; all of the site where it is left out
 */
export async function judgeAgain(db: Database, siteId: number, only?: readonly number[]): Promise<void> {
  const now = Date.now();
  await judgePictures(db, siteId, now, only);
  await checkSite(db, siteId, now);
}
