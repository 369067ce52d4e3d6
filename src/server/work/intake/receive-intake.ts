import Joi from 'joi';
import { EDITORS } from '@/core/edition/edition-state';
import { proposeTitle } from '@/core/picture/title-from-name';
import { slugOfFile } from '@/core/swap/file-name';
import type { PixelSize } from '@/core/swap/slot';
import { requireRole, type Actor } from '../../accounts/actor';
import type { Database } from '../../db/database';
import { intake } from '../../db/schema/editions';
import { inspectImage } from '../../imaging/inspect-image';
import type { HeadFinder } from '../../imaging/look-for-focus';
import { thumbnailOf } from '../../imaging/make-rendition';
import { readMetadata } from '../../imaging/read-metadata';
import { brokenPixels, decodedOnce } from '../../imaging/read-pixels';
import { ProblemError } from '../../problem-error';
import { hasDerived, storeBytes, storeDerived } from '../../store/store';
import { logEvent } from '../log-event';
import { MAX_INTAKE_BYTES } from './intake-limits';
import { JUDGED_PX, lookAtArrived, pointsOf, type ArrivedPicture } from './look-at-arrived';

/** Types that pages show, and those that a rendition is made of. */
const USABLE = new Set(['jpeg', 'png', 'webp', 'avif', 'gif', 'svg', 'tiff', 'heic']);

const NAME = Joi.string().trim().min(1).max(255).required();

export interface Received {
  readonly siteId: number;
  readonly fileName: string;
  readonly bytes: Uint8Array;
}

/**
 * Takes a new picture in, before it belongs anywhere.
 *
 * @returns its number in the intake
 * @throws ProblemError where the file is no picture, empty, too large or of a type that pages can't use
 */
export async function receiveIntake(db: Database, actor: Actor, input: Received): Promise<number> {
  requireRole(actor, EDITORS, 'bring in pictures');
  const id = await keepIntake(db, { ...input, receivedBy: actor.name });
  if (id === null) throw new Error('the new picture was not returned');
  await logEvent(db, actor, { siteId: input.siteId, verb: 'bring in picture', details: input.fileName });
  return id;
}

interface Receiving {
  readonly receivedBy: string;
  /** Given where there is time for a look: what finds heads, or `null` where none are looked for. */
  readonly heads?: HeadFinder | null;
}

type Origin = Pick<typeof intake.$inferInsert, 'deliveryId' | 'uploadId' | 'entry' | 'source'>;

/**
 * Keeps a picture with what its bytes and its name tell.
 *
 * @returns its number; `null` where it was kept before, from the same place of the same upload
 * @throws ProblemError as `receiveIntake`
 */
export async function keepIntake(
  db: Database,
  { siteId, fileName, bytes, receivedBy, heads, ...origin }: Received & Origin & Receiving,
): Promise<number | null> {
  const name: string = Joi.attempt(fileName, NAME);
  if (bytes.length > MAX_INTAKE_BYTES) {
    throw new ProblemError({
      code: 'INTAKE_TOO_LARGE',
      what: `“${name}” was not taken in.`,
      why: `It has ${Math.round(bytes.length / 1024 ** 2)} MB; up to ${MAX_INTAKE_BYTES / 1024 ** 2} MB are taken.`,
      remedy: 'Save it as JPEG in ordinary quality.',
    });
  }
  const facts = await inspectImage(bytes, name);
  if (!USABLE.has(facts.format)) {
    throw new ProblemError({
      code: 'INTAKE_FORMAT',
      what: `“${name}” was not taken in.`,
      why: `Browsers do not show ${facts.format.toUpperCase()}.`,
      remedy: 'Save it as JPEG or PNG.',
    });
  }
  // Decoded before anything is kept: it is by this that pixels which can't be read are found.
  const picture = await decodedOnce(bytes, JUDGED_PX).catch((error: unknown) => {
    throw brokenPixels(name, error);
  });
  const hash = await storeBytes(bytes);
  if (!(await hasDerived(hash, 'thumbnail')))
    await storeDerived(hash, 'thumbnail', await thumbnailOf(picture()));
  const metadata = await readMetadata(bytes);
  const looks = await looksOf({ ...facts, sha256: hash, picture }, { heads, isAwaited: !origin.deliveryId });
  const [row] = await db.orm
    .insert(intake)
    .values({
      ...{ siteId, sha256: hash, fileName: name, sizeBytes: bytes.length, receivedBy },
      ...facts,
      ...origin,
      title: titleFor(name, facts, metadata.title),
      caption: metadata.description?.slice(0, 2000) ?? '',
      alt: metadata.altText?.slice(0, 2000) ?? '',
      credit: (metadata.credit ?? metadata.creator ?? '').slice(0, 500),
      tags: metadata.keywords?.slice(0, 20) ?? [],
      takenYear: yearOf(metadata.taken),
      ...looks,
    })
    .onConflictDoNothing()
    .returning({ id: intake.id });
  return row?.id ?? null;
}

/**
 * In a worker, all that the pixels tell. Elsewhere a person waits: at the swap desk the point is wanted at once, without
 * heads, and a delivery is looked at afterwards.
 */
async function looksOf(
  arrived: ArrivedPicture,
  { heads, isAwaited }: { readonly heads: HeadFinder | null | undefined; readonly isAwaited: boolean },
) {
  if (heads === undefined) return isAwaited ? pointsOf(arrived.picture(), arrived, null) : {};
  const { print: _, ...looks } = await lookAtArrived(arrived, heads);
  return looks;
}

/** A first title: what the file carries, else what its name says, tidied. */
function titleFor(name: string, { widthPx, heightPx }: PixelSize, carried: string | undefined): string {
  if (carried?.trim()) return carried.trim().slice(0, 200);
  const proposed = proposeTitle({ path: name, widthPx, heightPx, captions: [], altTexts: [] });
  if (proposed) return proposed.title;
  const words = slugOfFile(name).replaceAll('-', ' ');
  return words.charAt(0).toUpperCase() + words.slice(1);
}

/** The year of an EXIF date, as in `2026:06:20 18:05:00`. */
function yearOf(taken: string | undefined): number | null {
  const year = Number(/^(\d{4})[:-]/.exec(taken ?? '')?.[1]);
  return year >= 1990 && year <= new Date().getUTCFullYear() ? year : null;
}
