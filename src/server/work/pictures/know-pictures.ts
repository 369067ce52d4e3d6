import { eq } from 'drizzle-orm';
import type { Database } from '../../db/database';
import { freshStatistics } from '../../db/fresh-statistics';
import { sites } from '../../db/schema/sites';
import { addJob } from '../../jobs/queue';
import { asOne } from '../../db/in-transaction';
import { askAnew } from '../rights/ask-anew';
import { goOn, UNENDING, type Turn } from '../../jobs/turn';
import { checkSite } from '../errata/check-site';
import { openConnection } from '../sites/site-connection';
import { judgePictures } from './judge-pictures';
import { judgeReplaced } from './judge-replaced';
import { placeFamilies } from './place-families';
import { readLooks } from './read-looks';

/**
 * After a survey, or after somebody sorted files anew: reads what is new, judges all pictures anew, and checks the pages
 * for errata of which something has changed.
 *
 * @throws TurnOver where the worker is to end; what was read stays
 */
export async function knowPictures(db: Database, siteId: number, turn: Turn = UNENDING): Promise<void> {
  const [site] = await db.orm.select().from(sites).where(eq(sites.id, siteId));
  if (!site) return;
  // What is wrong with words and addresses is told at once; pages are checked again as far as their pictures change it.
  await checkSite(db, siteId, Date.now(), turn);
  const connection = await openConnection(db, site);
  try {
    await readLooks(db, siteId, connection, turn);
  } finally {
    await connection.close();
  }
  await placeFamilies(db, siteId, turn);
  await judgeReplaced(db, siteId);
  goOn(turn);
  await freshStatistics(db.pool, ['files', 'looks', 'pictures']);
  const now = Date.now();
  await judgePictures(db, siteId, now);
  await checkSite(db, siteId, now, turn);
  await asOne(db, (tx) => askAnew(tx, siteId, 'all'));
  await addJob(db.pool, 'read-texts', { siteId }, `texts-${siteId}`);
}
