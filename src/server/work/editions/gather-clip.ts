/** Puts another clip or sound into places of one, in the edition being gathered: its bytes as they are, nothing recoded. */
import { eq } from 'drizzle-orm';
import Joi from 'joi';
import { EDITORS } from '@/core/edition/edition-state';
import { CLIP_HEAD_BYTES, clipOfBytes, whyNotAt, type Clip } from '@/core/swap/clip';
import { proposeTitle } from '@/core/picture/title-from-name';
import { requireRole, type Actor } from '../../accounts/actor';
import { checkedInput } from '../../checked-input';
import type { Database } from '../../db/database';
import { asOne } from '../../db/in-transaction';
import { intake } from '../../db/schema/editions';
import { sites } from '../../db/schema/sites';
import { sha256 as sha256Of } from '../../hash';
import { ProblemError } from '../../problem-error';
import { storeBytes } from '../../store/store';
import { MAX_INTAKE_BYTES } from '../intake/intake-limits';
import { clipBytes } from '../sites/clip-bytes';
import { swapWithin } from './gather-swap';
import type { KnownFile } from './keep-removal';

export interface ClipRequest {
  readonly siteId: number;
  /** Path of the clip that is put out. */
  readonly fromPath: string;
  readonly placementIds: readonly number[];
  readonly fileName: string;
  readonly bytes: Uint8Array;
  /** Whether the old file goes from the site with it, once nothing plays it any more: for maintainers. */
  readonly isOldTakenOff?: boolean;
}

const SCHEMA = Joi.object({
  siteId: Joi.number().integer().required(),
  fromPath: Joi.string().required(),
  placementIds: Joi.array()
    .items(Joi.number().integer())
    .min(1)
    .max(5000)
    .required()
    .messages({ '*': 'Choose at least one place' }),
  fileName: Joi.string().trim().min(1).max(255).required().messages({ '*': 'Choose the file to put in' }),
});

type Chosen = Omit<ClipRequest, 'bytes' | 'isOldTakenOff'>;

/** For a clip no part of it must stay in view. */
const MIDDLE = { x: 0.5, y: 0.5 };

/**
 * @returns the edition's number
 * @throws ProblemError `CLIP_INPUT`, `CLIP_TOO_LARGE`, `CLIP_UNKNOWN` or `CLIP_PLACE`, or as `gatherSwap`
 */
export async function gatherClip(
  db: Database,
  actor: Actor,
  { bytes, isOldTakenOff = false, ...request }: ClipRequest,
): Promise<number> {
  requireRole(actor, EDITORS, 'change clips');
  if (isOldTakenOff) requireRole(actor, ['maintainer'], 'take files off the site');
  const value = checkedInput(SCHEMA, request, { code: 'CLIP_INPUT', what: 'The clip was not added.' }) as Chosen; // oxfmt-ignore
  const { siteId, fromPath, placementIds, fileName } = value;
  const clip = await clipToPutIn(fileName, bytes);
  const sha256 = await storeBytes(bytes);
  const old = isOldTakenOff ? await oldClip(db, value) : null;
  return asOne(db, async (tx) => {
    await refuseUnfit(tx, value, clip);
    const [row] = await tx.orm
      .insert(intake)
      .values({
        ...{ siteId, sha256, fileName, sizeBytes: bytes.length, receivedBy: actor.name },
        ...{ title: titleOf(fileName), widthPx: 0, heightPx: 0, format: clip.format, isAnimated: true },
        findings: [],
      })
      .returning({ id: intake.id });
    if (!row) throw new Error('the new clip was not returned');
    const swap = {
      ...{ siteId, fromPath, placementIds, intakeId: row.id },
      ...{ alt: null, caption: null, focal: MIDDLE, isOldTakenOff: old !== null },
    };
    return swapWithin(tx, actor, swap, old ?? undefined);
  });
}

/** What the file that is put out holds; `null` where it is not there any more, and needs no taking off. */
async function oldClip(db: Database, { siteId, fromPath: path }: Chosen): Promise<KnownFile | null> {
  const [site] = await db.orm.select().from(sites).where(eq(sites.id, siteId));
  const found = site ? await clipBytes(db, site, { path }) : null;
  return found && { sha256: sha256Of(found.bytes), size: found.bytes.length };
}

async function clipToPutIn(fileName: string, bytes: Uint8Array): Promise<Clip> {
  const what = `“${fileName}” was not added.`;
  if (bytes.length > MAX_INTAKE_BYTES) {
    throw new ProblemError({
      code: 'CLIP_TOO_LARGE',
      what,
      why: `It has ${Math.round(bytes.length / 1024 ** 2)} MB; up to ${MAX_INTAKE_BYTES / 1024 ** 2} MB are taken.`,
      remedy: 'Export it shorter or smaller: 720 lines are enough for most pages.',
    });
  }
  const clip = await clipOfBytes(bytes.subarray(0, CLIP_HEAD_BYTES));
  if (clip) return clip;
  throw new ProblemError({
    code: 'CLIP_UNKNOWN',
    what,
    why:
      bytes.length === 0
        ? 'The file holds 0 bytes.'
        : 'Its content is not MP4, WebM, Ogg, MP3, M4A, WAV or FLAC, whatever its name says; QuickTime films are not played by every browser.',
    remedy: 'Export it anew, a film as MP4 and a sound as MP3.',
  });
}

/** Every chosen place must be able to play it. */
async function refuseUnfit({ pool }: Database, { siteId, placementIds }: Chosen, clip: Clip): Promise<void> {
  const { rows } = await pool.query<{ page: string; kind: 'video' | 'audio' }>(
    `select page_path as page, kind from placements
     where site_id = $1 and id = any($2::bigint[]) and until_survey is null order by page_path, ordinal`,
    [siteId, placementIds],
  );
  const isPlayer = rows.every(({ kind }) => kind === 'video' || kind === 'audio');
  const unfit = rows.flatMap((place) => {
    const why = isPlayer ? whyNotAt(place, clip) : null;
    return why === null ? [] : [`The place on ${place.page} ${why}.`];
  });
  if (isPlayer && unfit.length === 0) return;
  throw new ProblemError({
    code: 'CLIP_PLACE',
    what: 'The clip was not added.',
    why: isPlayer ? unfit.slice(0, 3).join(' ') : 'Some of the places show a picture.',
    remedy: isPlayer ? 'Choose another file, or leave those places out.' : 'Swap those at the swap desk.',
  });
}

/** From the file's name; without one that tells, the name itself. */
function titleOf(fileName: string): string {
  const proposed = proposeTitle({
    path: fileName,
    widthPx: null,
    heightPx: null,
    captions: [],
    altTexts: [],
  });
  return proposed?.title ?? fileName.replace(/\.\w{2,5}$/u, '');
}
