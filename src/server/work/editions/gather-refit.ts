/** Puts pictures that do not fit their places in again, fitted: lighter, in the place's shape, or by a larger file. */
import { eq } from 'drizzle-orm';
import Joi from 'joi';
import { EDITORS } from '@/core/edition/edition-state';
import { REFITTED } from '@/core/errata/remedy';
import type { RuleId } from '@/core/errata/rule';
import type { FocalPoint } from '@/core/swap/crop';
import { requireRole, type Actor } from '../../accounts/actor';
import type { Database } from '../../db/database';
import { asOne } from '../../db/in-transaction';
import { sites } from '../../db/schema/sites';
import { ProblemError } from '../../problem-error';
import { ERRATUM_STANDS } from '../errata/erratum-stands';
import { keepOwn } from '../intake/keep-own';
import { bytesOfPicture } from '../sites/bytes-of-picture';
import { swapWithin } from './gather-swap';

/** The errata that are to be put right: some by their numbers, or all that call a picture of a page too heavy. */
export type Unfitting = { readonly page: string } | { readonly ids: readonly number[] };

interface Row {
  readonly placement: number;
  readonly rule: RuleId;
  readonly path: string;
  readonly sha256: string;
  /** The largest file of the same picture that is larger than this one; `null` where there is none. */
  readonly larger: { readonly path: string; readonly sha256: string } | null;
}

/** One file's places with what is put there. */
interface Refit {
  readonly from: string;
  readonly by: { readonly path: string; readonly sha256: string };
  readonly places: number[];
}

const IDS = Joi.array<number[]>().items(Joi.number().integer().positive()).min(1).max(2000).required();

/**
 * Gathers the exchange of pictures for themselves where they do not fit: in the pixels that each place can show on a
 * dense screen, cut to its shape about what matters in them; and where they have too few, by a larger file of the same
 * picture. Their words stay, their files stay.
 *
 * @returns the edition's number
 * @throws ProblemError `NOTHING_TO_FIT` where no such erratum stands any more, `NO_LARGER` where a picture has too few
 *   pixels and the site has no larger file of it
 */
export async function gatherRefit(
  db: Database,
  actor: Actor,
  siteId: number,
  wanted: Unfitting,
): Promise<number> {
  requireRole(actor, EDITORS, 'change pictures');
  const [site] = await db.orm.select().from(sites).where(eq(sites.id, siteId));
  const rows = await unfitting(db, siteId, wanted);
  const refits = refitsOf(rows);
  if (!site || rows.length === 0)
    throw new ProblemError({
      code: 'NOTHING_TO_FIT',
      what: 'Nothing was put into an edition.',
      why: 'No such picture stands in a place that it does not fit, or it was let stand, or it moves or is drawn in lines.',
      remedy: 'Survey the site again if that is not so.',
    });
  if (refits.length === 0)
    throw new ProblemError({
      code: 'NO_LARGER',
      what: 'Nothing was put into an edition.',
      why: 'The site has no larger file of this picture.',
      remedy: 'Bring a larger one, or another picture, at the swap desk.',
    });
  const bytesOf = new Map<string, Uint8Array>();
  for (const { by } of refits)
    if (!bytesOf.has(by.path)) bytesOf.set(by.path, await bytesOfPicture(db, site, by));
  return asOne(db, async (tx) => {
    let edition = 0;
    for (const { from, by, places } of refits) {
      const bytes = bytesOf.get(by.path) ?? new Uint8Array();
      const intakeId = await keepOwn(tx, actor, { siteId, path: by.path, bytes });
      const focal = await focalOf(tx, intakeId);
      const request = { siteId, fromPath: from, intakeId, placementIds: places, focal };
      edition = await swapWithin(tx, actor, { ...request, alt: null, caption: null });
    }
    return edition;
  });
}

/** What of some errata can be put right by a file that is there. */
function refitsOf(rows: readonly Row[]): Refit[] {
  const found = new Map<string, Refit>();
  for (const { placement, rule, path, sha256, larger } of rows) {
    const by = rule === 'file/too-small' ? larger : { path, sha256 };
    if (!by) continue;
    const key = `${path}\n${by.path}`;
    const known = found.get(key) ?? { from: path, by, places: [] };
    if (!known.places.includes(placement)) known.places.push(placement);
    found.set(key, known);
  }
  return [...found.values()];
}

async function focalOf({ pool }: Database, intakeId: number): Promise<FocalPoint> {
  const { rows } = await pool.query<FocalPoint>(
    'select focal_x as x, focal_y as y from intake where id = $1',
    [intakeId],
  );
  return rows[0] ?? { x: 0.5, y: 0.5 };
}

/** The places of the errata; of a page those of all its heavy pictures, wherever an erratum says so of them. */
async function unfitting({ pool }: Database, siteId: number, wanted: Unfitting): Promise<Row[]> {
  const page = 'page' in wanted ? wanted.page : null;
  const ids = 'ids' in wanted ? (Joi.attempt(wanted.ids, IDS) as number[]) : null;
  const rules = ids ? Object.keys(REFITTED) : ['file/too-heavy'];
  // What moves, or is drawn in lines, has no sizes to choose from.
  const { rows } = await pool.query<Row>(
    `with found as (
       select e.id, e.rule, x.id as placement, x.file_path, x.page_path from errata e
       join placements x on x.id = e.placement_id and x.until_survey is null
       where e.site_id = $1 and e.rule = any($2::text[]) and x.file_path is not null
         and not ${ERRATUM_STANDS})
     select o.placement::float8 as placement, o.rule, f.path, f.sha256,
       (select jsonb_build_object('path', g.path, 'sha256', g.sha256) from files g
         where g.site_id = $1 and g.picture_id = f.picture_id and g.gone_in is null and g.sha256 is not null
           and g.width_px > 1.1 * f.width_px and g.format in ('jpeg', 'png', 'webp', 'avif')
         order by g.width_px desc, g.path limit 1) as larger
     from found o join files f on f.site_id = $1 and f.path = o.file_path and f.gone_in is null and f.sha256 is not null
     where f.format not in ('gif', 'svg') and ($3::text is null or o.file_path in (select file_path from found where page_path = $3))
       and ($4::bigint[] is null or o.id = any($4))
     order by f.path, o.placement`,
    [siteId, rules, page, ids],
  );
  return rows;
}
