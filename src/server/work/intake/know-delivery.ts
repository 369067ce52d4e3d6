/** Looks at the pictures of a delivery: whether the site has them already, and whether they are fit to be shown. */
import { and, eq, isNull } from 'drizzle-orm';
import { findingsOf, type IntakeRules, type KnownThere } from '@/core/intake/findings';
import { CandidateIndex } from '@/core/picture/candidate-index';
import { linksTo } from '@/core/picture/compare';
import type { Fingerprint } from '@/core/picture/fingerprint';
import type { Database } from '../../db/database';
import { deliveries, intake } from '../../db/schema/editions';
import { headFinder } from '../../imaging/head-finder';
import type { HeadFinder } from '../../imaging/look-for-focus';
import { brokenPixels, decodedOnce } from '../../imaging/read-pixels';
import { recentPrints } from '../../imaging/recent-prints';
import { byHands } from '../../jobs/by-hands';
import type { Turn } from '../../jobs/turn';
import { ProblemError } from '../../problem-error';
import { hasDerived, storedBytes } from '../../store/store';
import { storedLandmarks, storedPrint } from '../pictures/stored-prints';
import { JUDGED_PX, lookAtArrived } from './look-at-arrived';

type Row = typeof intake.$inferSelect;

/** Pictures of the site that are compared with each that arrives. */
const COMPARED = 8;
/** Pictures that are looked at side by side: one is decoded while another's looks are taken. */
const HANDS = 3;
/** Where a site says nothing of its widths, in pixels. */
const USUAL_PX = 1200;

/** @throws TurnOver where the worker is to end; what was looked at stays */
export async function knowDelivery(db: Database, deliveryId: number, turn: Turn): Promise<void> {
  const [delivery] = await db.orm.select().from(deliveries).where(eq(deliveries.id, deliveryId));
  if (!delivery) return;
  const rows = await db.orm
    .select()
    .from(intake)
    .where(and(eq(intake.deliveryId, deliveryId), isNull(intake.findings)))
    .orderBy(intake.id);
  if (rows.length === 0) return;
  const { siteId } = delivery;
  const heads = await headFinder();
  const site = await pictureShelf(db, siteId);
  const rules = { asked: await askedWidth(db, siteId), thisYear: new Date().getUTCFullYear() };
  await byHands(rows, { hands: HANDS, turn }, async (row) => {
    // One that can't be looked at hinders none of the others.
    await knowOne(db, row, { site, rules, heads }).catch(async (error: unknown) => {
      if (!(error instanceof ProblemError)) throw error;
      const findings = [{ kind: 'unseen', why: error.problem.why }] as const;
      await db.orm.update(intake).set({ findings }).where(eq(intake.id, row.id));
    });
  });
}

interface Knowing {
  readonly site: Shelf;
  readonly rules: IntakeRules;
  readonly heads: HeadFinder | null;
}

async function knowOne(db: Database, row: Row, { site, rules, heads }: Knowing): Promise<void> {
  const { print, softness } = await looksOf(db, row, heads);
  const arrived = { ...row, softness, twin: await earlierTwin(db, row), known: site.alike(row, print) };
  await db.orm
    .update(intake)
    .set({ findings: findingsOf(arrived, rules) })
    // One that was made anew meanwhile is looked at anew.
    .where(and(eq(intake.id, row.id), eq(intake.sha256, row.sha256)));
}

/** As it was looked at when it came; one that was fetched, or made anew, is looked at now. */
async function looksOf({ pool }: Database, row: Row, heads: HeadFinder | null) {
  if (row.softness !== null && (await hasDerived(row.sha256, 'landmarks')))
    return { print: storedPrint(row.sha256), softness: row.softness };
  const picture = await decodedOnce(await storedBytes(row.sha256), JUDGED_PX).catch((error: unknown) => {
    throw brokenPixels(row.fileName, error);
  });
  const { print, softness, ...points } = await lookAtArrived({ ...row, picture }, heads);
  // A point that a person has moved meanwhile stays where it was put.
  await pool.query(
    `update intake set softness = $7, focal_x = case when focal_because is null then focal_x else $2 end,
       focal_y = case when focal_because is null then focal_y else $3 end,
       focal_because = case when focal_because is null then null else $4::jsonb end,
       shapes = case when focal_because is null then shapes else $6::jsonb end
     where id = $1 and sha256 = $5`,
    [
      row.id,
      points.focalX,
      points.focalY,
      JSON.stringify(points.focalBecause),
      row.sha256,
      JSON.stringify(points.shapes),
      softness,
    ],
  );
  return { print, softness };
}

async function earlierTwin(
  { pool }: Database,
  { id, deliveryId, sha256 }: Pick<Row, 'id' | 'deliveryId' | 'sha256'>,
): Promise<string | null> {
  const { rows } = await pool.query<{ file_name: string }>(
    'select file_name from intake where delivery_id = $1 and sha256 = $2 and id < $3 and struck_at is null order by id limit 1',
    [deliveryId, sha256, id],
  );
  return rows[0]?.file_name ?? null;
}

/** Width in image pixels that three of four content pictures of the site do with: twice what their places declare. */
async function askedWidth({ pool }: Database, siteId: number): Promise<number> {
  const { rows } = await pool.query<{ width: number | null }>(
    `select percentile_disc(0.75) within group (order by (declared ->> 'widthPx')::int) as width from placements
     where site_id = $1 and until_survey is null and kind = 'img' and (declared ->> 'widthPx')::int >= 100`,
    [siteId],
  );
  const width = rows[0]?.width;
  return width ? Math.min(2 * width, 2 * USUAL_PX) : USUAL_PX;
}

interface Shelf {
  /** The files of the site that show what a picture shows, the one on most pages first. */
  alike(row: Pick<Row, 'sha256' | 'widthPx'>, print: Fingerprint): KnownThere[];
}

/** The looks of all pictures of a site, to be searched. */
async function pictureShelf({ pool }: Database, siteId: number): Promise<Shelf> {
  const { rows } = await pool.query<{ sha256: string; path: string; width_px: number; pages: number }>(
    `select distinct on (f.sha256) f.sha256, f.path, l.width_px,
       (select count(distinct x.page_path)::int from placements x
        where x.site_id = f.site_id and x.file_path = f.path and x.until_survey is null) as pages
     from files f join looks l on l.sha256 = f.sha256 and l.problem is null
     where f.site_id = $1 and f.gone_in is null order by f.sha256, pages desc, f.path`,
    [siteId],
  );
  const index = new CandidateIndex(rows.length);
  const there: typeof rows = [];
  for (const row of rows) {
    if (!(await hasDerived(row.sha256, 'landmarks'))) continue;
    index.add(storedLandmarks(row.sha256));
    there.push(row);
  }
  const printOfFile = recentPrints(storedPrint);
  return {
    alike: ({ sha256, widthPx }, print) => {
      const same = rows.filter((row) => row.sha256 === sha256).map((row) => knownAs(row, { isSameBytes: true, widthPx, own: 1, other: 1 })); // oxfmt-ignore
      if (same.length > 0) return same;
      const compared = index.find(print, COMPARED).flatMap((candidate) => {
        const row = there[candidate.picture];
        return row ? [{ candidate, row, print: printOfFile(row.sha256) }] : [];
      });
      return linksTo(print, compared)
        .links.filter(({ link }) => !link.isMirrored)
        .map(({ to, link }) =>
          knownAs(to.row, { isSameBytes: false, widthPx, own: link.own.width, other: link.other.width }),
        ) // oxfmt-ignore
        .toSorted((a, b) => b.pages - a.pages);
    },
  };
}

function knownAs(
  { path, pages, width_px }: { readonly path: string; readonly pages: number; readonly width_px: number },
  how: {
    readonly isSameBytes: boolean;
    readonly widthPx: number;
    readonly own: number;
    readonly other: number;
  },
): KnownThere {
  const { isSameBytes, widthPx, own, other } = how;
  return {
    ...{ path, pages, isSameBytes },
    ...{ ownPx: own * widthPx, therePx: other * width_px, ownShare: own, thereShare: other },
  };
}
