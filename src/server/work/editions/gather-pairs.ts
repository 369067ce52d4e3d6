/** Puts many swaps at once into the edition being gathered: pictures that go, each with the one that comes, or with none. */
import Joi from 'joi';
import { EDITORS } from '@/core/edition/edition-state';
import { requireRole, type Actor } from '../../accounts/actor';
import { checkedInput } from '../../checked-input';
import type { Database } from '../../db/database';
import { asOne } from '../../db/in-transaction';
import { ProblemError } from '../../problem-error';
import { swapWithin } from './gather-swap';
import { takeOffWithin } from './gather-take-off';

export interface Pair {
  /** The picture that goes, with all its files. */
  readonly pictureId: number;
  /** The one that comes; `null` takes the places off their pages. */
  readonly intakeId: number | null;
}

const PAIRS = Joi.object<{ pairs: Pair[] }>({
  pairs: Joi.array()
    .items(
      Joi.object({
        pictureId: Joi.number().integer().required(),
        intakeId: Joi.number().integer().allow(null).required(),
      }),
    )
    .min(1)
    .max(500)
    .required(),
});

/** A place that stands, by its number and its file. */
export interface StandingRow {
  readonly id: string;
  readonly file_path: string;
}

/**
 * Gathers pairs, all in one transaction or none of them. Each picture's places get the new one with its words as they
 * were written in the intake, and its focal point; words that were not written leave those of the place.
 *
 * @returns the edition's number
 * @throws ProblemError `PAIRS_INPUT`, or as `gatherSwap` and `gatherTakeOff`
 */
export async function gatherPairs(
  db: Database,
  actor: Actor,
  siteId: number,
  pairs: readonly Pair[],
): Promise<number> {
  requireRole(actor, EDITORS, 'change pictures');
  const told = { code: 'PAIRS_INPUT', what: 'Nothing was put into an edition.' };
  const { pairs: wanted } = checkedInput(PAIRS, { pairs: [...pairs] }, told);
  if (new Set(wanted.map(({ pictureId }) => pictureId)).size < wanted.length)
    throw new ProblemError({ ...told, why: 'A picture is in two pairs.', remedy: 'Open the sheet again.' });
  return asOne(db, async (tx) => {
    const standing = await placesOf(tx, siteId, wanted.map(({ pictureId }) => pictureId)); // oxfmt-ignore
    let edition: number | null = null;
    const off: number[] = [];
    for (const { pictureId, intakeId } of wanted) {
      const places = standing.filter(({ picture_id }) => picture_id === pictureId);
      if (intakeId === null) off.push(...places.map(({ id }) => Number(id)));
      else edition = await swapEverywhere(tx, actor, { siteId, intakeId, places });
    }
    if (off.length > 0)
      edition = await takeOffWithin(tx, actor, { siteId, placementIds: off, files: [], mustGo: false });
    if (edition !== null) return edition;
    throw new ProblemError({
      ...told,
      why: 'None of the pictures stands anywhere any more.',
      remedy: 'Open the sheet again: it shows what is there now.',
    });
  });
}

/**
 * A change for each file of a picture, within a transaction: its sizes and croppings each follow.
 *
 * @returns the edition's number; `null` where no places were given
 */
export async function swapEverywhere(
  tx: Database,
  actor: Actor,
  { siteId, intakeId, places }: { siteId: number; intakeId: number; places: readonly StandingRow[] },
): Promise<number | null> {
  const { rows } = await tx.pool.query<{ alt: string; caption: string; x: number; y: number }>(
    'select alt, caption, focal_x as x, focal_y as y from intake where id = $1 and site_id = $2',
    [intakeId, siteId],
  );
  const { alt = '', caption = '', x = 0.5, y = 0.5 } = rows[0] ?? {};
  let edition: number | null = null;
  for (const fromPath of new Set(places.map(({ file_path }) => file_path))) {
    const placementIds = places.filter(({ file_path }) => file_path === fromPath).map(({ id }) => Number(id));
    const words = { alt: alt || null, caption: caption || null };
    edition = await swapWithin(tx, actor, { siteId, intakeId, fromPath, placementIds, ...words, focal: { x, y } }); // oxfmt-ignore
  }
  return edition;
}

async function placesOf(
  { pool }: Database,
  siteId: number,
  pictureIds: readonly number[],
): Promise<(StandingRow & { readonly picture_id: number })[]> {
  const { rows } = await pool.query<StandingRow & { readonly picture_id: number }>(
    `select p.id, p.file_path, f.picture_id from placements p
     join files f on f.site_id = p.site_id and f.path = p.file_path and f.gone_in is null
     where p.site_id = $1 and p.until_survey is null and f.picture_id = any($2::int[])
     order by f.picture_id, p.id`,
    [siteId, pictureIds],
  );
  return rows;
}
