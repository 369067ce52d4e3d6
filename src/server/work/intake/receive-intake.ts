import Joi from 'joi';
import { EDITORS } from '@/core/edition/edition-state';
import { shapePoints } from '@/core/focus/shape-points';
import { proposeTitle } from '@/core/picture/title-from-name';
import { slugOfFile } from '@/core/swap/file-name';
import type { PixelSize } from '@/core/swap/slot';
import { requireRole, type Actor } from '../../accounts/actor';
import type { Database } from '../../db/database';
import { intake } from '../../db/schema/editions';
import { inspectImage } from '../../imaging/inspect-image';
import { lookForFocus } from '../../imaging/look-for-focus';
import { makeThumbnail } from '../../imaging/make-rendition';
import { readMetadata } from '../../imaging/read-metadata';
import { brokenPixels } from '../../imaging/read-pixels';
import { ProblemError } from '../../problem-error';
import { hasDerived, storeBytes, storeDerived } from '../../store/store';
import { logEvent } from '../log-event';
import { MAX_INTAKE_BYTES } from './intake-limits';

/** Types that pages show, and those that a rendition is made of. */
const USABLE = new Set(['jpeg', 'png', 'webp', 'avif', 'gif', 'svg', 'tiff', 'heic']);

const NAME = Joi.string().trim().min(1).max(255).required();

const UNSEEN = { focus: { x: 0.5, y: 0.5, because: ['middle'] }, shapes: null };

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

type Origin = Pick<typeof intake.$inferInsert, 'deliveryId' | 'uploadId' | 'entry' | 'source'>;

/**
 * Keeps a picture with what its bytes and its name tell.
 *
 * @returns its number; `null` where it was kept before, from the same place of the same upload
 * @throws ProblemError as `receiveIntake`
 */
export async function keepIntake(
  db: Database,
  { siteId, fileName, bytes, receivedBy, ...origin }: Received & Origin & { readonly receivedBy: string },
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
  // Made before anything is kept: it is by this that pixels which can't be read are found.
  const thumbnail = await thumbnailOf(bytes, name);
  const hash = await storeBytes(bytes);
  if (!(await hasDerived(hash, 'thumbnail'))) await storeDerived(hash, 'thumbnail', thumbnail);
  const metadata = await readMetadata(bytes);
  // A delivery is looked at as a whole, with the heads in its pictures; at the swap desk the point is wanted at once.
  const { focus, shapes } = origin.deliveryId ? UNSEEN : await looked(bytes, name);
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
      ...{ focalX: focus.x, focalY: focus.y, focalBecause: focus.because, shapes },
    })
    .onConflictDoNothing()
    .returning({ id: intake.id });
  return row?.id ?? null;
}

async function looked(bytes: Uint8Array, name: string) {
  const found = await lookForFocus(bytes, name, null);
  return { focus: found.focus, shapes: shapePoints(found, found) };
}

/** @throws ProblemError `IMAGE_BROKEN` where its header can be read and its pixels can’t */
async function thumbnailOf(bytes: Uint8Array, name: string): Promise<Uint8Array> {
  return makeThumbnail(bytes).catch((error: unknown) => {
    throw brokenPixels(name, error);
  });
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
