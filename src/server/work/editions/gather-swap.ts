import { and, eq, sql } from 'drizzle-orm';
import Joi from 'joi';
import { requireRole, type Actor } from '../../accounts/actor';
import { checkedInput } from '../../checked-input';
import type { Database } from '../../db/database';
import { changes, intake } from '../../db/schema/editions';
import { asOne } from '../../db/in-transaction';
import { addJob } from '../../jobs/queue';
import { ProblemError } from '../../problem-error';
import { draftEdition } from './draft-edition';
import { releaseWords } from '../words/gather-words';
import { logEvent } from '../log-event';
import { prepareBeside, wordedSources } from './prepare-beside';
import { prepareRemovalsOf } from './prepare-removals-of';
import { releasePlacements } from './release-placements';
import type { PlaceWords } from '@/core/edit/word-edits';
import type { FocalPoint } from '@/core/swap/crop';
import { keepRemoval, type KnownFile } from './keep-removal';
import { EDITORS } from '@/core/edition/edition-state';

export interface SwapRequest {
  readonly siteId: number;
  /** Path of the picture that is put out. */
  readonly fromPath: string;
  readonly intakeId: number;
  readonly placementIds: readonly number[];
  /** `null` or empty leaves the words that are there. */
  readonly alt: string | null;
  readonly caption: string | null;
  readonly focal: FocalPoint;
  /** What is other in one place than in all, by the number of the placement. */
  readonly own?: Readonly<Record<string, OwnOfPlace>>;
  /** Whether the old file goes from the site with it, once nothing shows it any more: for maintainers. */
  readonly isOldTakenOff?: boolean;
}

/** What one place has of its own. */
export interface OwnOfPlace {
  readonly focal?: FocalPoint;
  /** Empty: as everywhere. */
  readonly alt?: string;
  readonly caption?: string;
}

const SHARE = Joi.number().min(0).max(1).required();
const FOCAL = Joi.object<FocalPoint>({ x: SHARE, y: SHARE });
const TEXT = Joi.string().trim().max(2000);

const SCHEMA = Joi.object<SwapRequest>({
  siteId: Joi.number().integer().required(),
  fromPath: Joi.string().required(),
  intakeId: Joi.number().integer().required().messages({ '*': 'Choose the picture to put in' }),
  placementIds: Joi.array()
    .items(Joi.number().integer())
    .min(1)
    .required()
    .messages({ '*': 'Choose at least one place' }),
  alt: TEXT.allow(null, '').required(),
  caption: TEXT.allow(null, '').required(),
  focal: FOCAL.required(),
  own: Joi.object().pattern(
    /^\d+$/,
    Joi.object({ focal: FOCAL, alt: TEXT.allow(''), caption: TEXT.allow('') }),
  ),
  isOldTakenOff: Joi.boolean(),
});

/**
 * Puts a swap into the edition that is being gathered, and has its renditions and edits prepared. A placement that
 * an earlier change of the edition had chosen follows the newer one.
 *
 * @returns the edition's number
 */
export async function gatherSwap(db: Database, actor: Actor, request: SwapRequest): Promise<number> {
  requireRole(actor, EDITORS, 'change pictures');
  const value = checkedInput(SCHEMA, request, { code: 'SWAP_INPUT', what: 'The swap was not added.' });
  return asOne(db, (tx) => swapWithin(tx, actor, value));
}

/**
 * The same within a transaction of the caller's, who has looked at the role and the request.
 *
 * @param old what the old file holds, where surveys do not write it down
 */
export async function swapWithin(
  db: Database,
  actor: Actor,
  value: SwapRequest,
  old?: KnownFile,
): Promise<number> {
  await refuseMissingPicture(db, value);
  const edition = await draftEdition(db, actor, value.siteId);
  await refuseOtherPlaces(db, value);
  await releasePlacements(db, edition.id, value.placementIds, 'both');
  // Words that were written for these places stay, unless the swap brings others.
  const own = (id: number): OwnOfPlace => value.own?.[id] ?? {};
  const brings = value.placementIds.map(
    (id) =>
      [id, { alt: Boolean(own(id).alt || value.alt), caption: Boolean(own(id).caption || value.caption), block: false }] as const, // oxfmt-ignore
  );
  const wordy = brings.filter(([, { alt, caption }]) => alt || caption);
  if (wordy.length > 0) await releaseWords(db, value.siteId, new Map(wordy));
  const [change] = await db.orm
    .insert(changes)
    .values({
      editionId: edition.id,
      fromPath: value.fromPath,
      intakeId: value.intakeId,
      words: { alt: value.alt || null, caption: value.caption || null },
      placementIds: value.placementIds,
      ...ownColumns(value),
      createdBy: actor.name,
    })
    .returning({ id: changes.id });
  await db.orm
    .update(intake)
    .set({
      focalX: value.focal.x,
      focalY: value.focal.y,
      // Where somebody moved it, no later look moves it back.
      focalBecause: sql`case when focal_x = ${value.focal.x} and focal_y = ${value.focal.y} then focal_because end`,
    })
    .where(eq(intake.id, value.intakeId));
  if (change) await addJob(db.pool, 'prepare-change', { changeId: change.id }, `change-${change.id}`);
  if (value.isOldTakenOff) await takeOldOff(db, actor, { editionId: edition.id, known: old }, value);
  await logEvent(db, actor, {
    siteId: value.siteId,
    verb: 'swap picture',
    details: `${value.fromPath}, edition ${edition.number}`,
  });
  return edition.number;
}

/** What single places have of their own, of those that were chosen. */
function ownColumns({ own = {}, placementIds }: SwapRequest): {
  placeFocals: Record<string, FocalPoint>;
  placeWords: Record<string, PlaceWords>;
} {
  const chosen = new Set(placementIds.map(String));
  const entries = Object.entries(own).filter(([id]) => chosen.has(id));
  return {
    placeFocals: Object.fromEntries(entries.flatMap(([id, { focal }]) => (focal ? [[id, focal]] : []))),
    placeWords: Object.fromEntries(
      entries.flatMap(([id, { alt, caption }]) =>
        alt || caption ? [[id, { alt: alt || null, caption: caption || null }]] : [],
      ),
    ),
  };
}

/** Looked at again once the swap is prepared: where anything shows or names the old file, it stays, and the edition says so. */
async function takeOldOff(
  db: Database,
  actor: Actor,
  going: { readonly editionId: number; readonly known: KnownFile | undefined },
  { siteId, fromPath: path }: SwapRequest,
): Promise<void> {
  requireRole(actor, ['maintainer'], 'take files off the site');
  await keepRemoval(db, actor, { ...going, path, siteId, mustGo: false });
}

async function refuseMissingPicture({ orm }: Database, { siteId, intakeId }: SwapRequest): Promise<void> {
  const [picture] = await orm
    .select({ id: intake.id })
    .from(intake)
    .where(and(eq(intake.id, intakeId), eq(intake.siteId, siteId)));
  if (picture) return;
  throw new ProblemError({
    code: 'INTAKE_MISSING',
    what: 'The swap was not added.',
    why: 'The picture to put in is no longer there.',
    remedy: 'Bring it in again.',
  });
}

/** The places must be of that site, and show that picture, as it is known now. */
async function refuseOtherPlaces(
  { pool }: Database,
  { siteId, fromPath, placementIds }: SwapRequest,
): Promise<void> {
  const { rows } = await pool.query<{ found: number }>(
    `select count(*)::int as found from placements
     where site_id = $1 and id = any($2::bigint[]) and file_path = $3 and until_survey is null`,
    [siteId, placementIds, fromPath],
  );
  if (rows[0]?.found === new Set(placementIds).size) return;
  throw new ProblemError({
    code: 'PLACES_GONE',
    what: 'The swap was not added.',
    why: 'Some of the places do not show that picture any more, or are not of this site.',
    remedy: 'Open the swap desk again and choose the places as they are now.',
  });
}

/** Takes a change out of an edition that is still a draft. */
export async function dropChange(db: Database, actor: Actor, changeId: number): Promise<void> {
  requireRole(actor, EDITORS, 'change an edition');
  await asOne(db, (tx) => dropped(tx, changeId));
}

async function dropped(db: Database, changeId: number): Promise<void> {
  const sources = await wordedSources(db, [changeId]);
  const { rows } = await db.pool.query<{ site_id: number; edition_id: number; moves: boolean }>(
    `delete from changes c using editions e where c.id = $1 and e.id = c.edition_id and e.state = 'draft'
     returning e.site_id, e.id as edition_id,
       c.takes_off or c.intake_id is not null as moves`,
    [changeId],
  );
  if (rows[0]) {
    // Words move no picture: what was unused stays so.
    if (rows[0].moves) await prepareRemovalsOf(db, rows[0].edition_id);
    return prepareBeside(db, rows[0].site_id, sources);
  }
  throw new ProblemError({
    code: 'CHANGE_FIXED',
    what: 'The change was not taken out.',
    why: 'Its edition is no longer a draft, or the change is gone.',
    remedy: 'Look at the edition again; what is live can be withdrawn as a whole.',
  });
}
