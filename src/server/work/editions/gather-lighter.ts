/** Puts pictures that are far larger than their places in again, in the sizes that the places need. */
import { eq } from 'drizzle-orm';
import { EDITORS } from '@/core/edition/edition-state';
import { requireRole, type Actor } from '../../accounts/actor';
import type { Database } from '../../db/database';
import { asOne } from '../../db/in-transaction';
import { sites } from '../../db/schema/sites';
import { ProblemError } from '../../problem-error';
import { keepOwn } from '../intake/keep-own';
import { openConnection } from '../sites/site-connection';
import { swapWithin } from './gather-swap';

interface HeavyRow {
  readonly id: string;
  readonly file_path: string;
}

/**
 * Gathers, for every picture on a page that an erratum calls too heavy, its exchange for itself: in all places of the site
 * that an erratum names, in the pixels that each can show on a dense screen. Its words stay, its file stays.
 *
 * @returns the edition's number
 * @throws ProblemError `NOTHING_HEAVY` where no such erratum stands on the page any more
 */
export async function gatherLighter(
  db: Database,
  actor: Actor,
  siteId: number,
  pagePath: string,
): Promise<number> {
  requireRole(actor, EDITORS, 'change pictures');
  const heavy = await heavyPlaces(db, siteId, pagePath);
  const [site] = await db.orm.select().from(sites).where(eq(sites.id, siteId));
  // What moves, or is drawn in lines, has no sizes to choose from.
  const paths = [...new Set(heavy.map(({ file_path }) => file_path))].filter((path) => !/\.(?:gif|svg)$/iu.test(path)); // prettier-ignore
  if (!site || paths.length === 0)
    throw new ProblemError({
      code: 'NOTHING_HEAVY',
      what: 'Nothing was put into an edition.',
      why: 'No picture on this page is far larger than its place, or it was let stand.',
      remedy: 'Survey the site again if that is not so.',
    });
  const connection = await openConnection(db, site);
  const files: { readonly path: string; readonly bytes: Uint8Array }[] = [];
  try {
    for (const path of paths) files.push({ path, bytes: await connection.read(path) });
  } finally {
    await connection.close();
  }
  return asOne(db, async (tx) => {
    let edition = 0;
    for (const { path, bytes } of files) {
      const intakeId = await keepOwn(tx, actor, { siteId, path, bytes });
      const placementIds = heavy.filter(({ file_path }) => file_path === path).map(({ id }) => Number(id));
      const request = { siteId, fromPath: path, intakeId, placementIds, focal: { x: 0.5, y: 0.5 } };
      edition = await swapWithin(tx, actor, { ...request, alt: null, caption: null });
    }
    return edition;
  });
}

/** The places of all pictures that are too heavy on the page, wherever an erratum says so of them. */
async function heavyPlaces({ pool }: Database, siteId: number, pagePath: string): Promise<HeavyRow[]> {
  const { rows } = await pool.query<HeavyRow>(
    `with heavy as (
       select p.id, p.file_path, p.page_path from errata e
       join placements p on p.id = e.placement_id and p.until_survey is null
       where e.site_id = $1 and e.rule = 'file/too-heavy' and p.file_path is not null
         and not exists (select 1 from stets s where s.site_id = $1 and s.page_path = e.page_path and s.key = e.key
           and (s.until is null or s.until >= current_date)))
     select id, file_path from heavy
     where file_path in (select file_path from heavy where page_path = $2) order by file_path, id`,
    [siteId, pagePath],
  );
  return rows;
}
