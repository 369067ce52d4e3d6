import Joi from 'joi';
import { EDITORS } from '@/core/edition/edition-state';
import { slugOfFile } from '@/core/swap/file-name';
import { requireRole, type Actor } from '../../accounts/actor';
import type { Database } from '../../db/database';
import { intake } from '../../db/schema/editions';
import { inspectImage } from '../../imaging/inspect-image';
import { makeThumbnail } from '../../imaging/make-rendition';
import { ProblemError } from '../../problem-error';
import { storeBytes, storeDerived } from '../../store/store';
import { logEvent } from '../log-event';

/** Largest file that is taken in one piece, in bytes. */
const MAX_INTAKE_BYTES = 60 * 1024 ** 2;

/** Types that pages show, and those that a rendition is made of. */
const USABLE = new Set(['jpeg', 'png', 'webp', 'avif', 'gif', 'svg', 'tiff', 'heic']);

const NAME = Joi.string().trim().min(1).max(255).required();

/**
 * Takes a new picture in, before it belongs anywhere.
 *
 * @returns its number in the intake
 * @throws ProblemError where the file is no picture, empty, too large or of a type that pages can't use
 */
export async function receiveIntake(
  db: Database,
  actor: Actor,
  input: { readonly siteId: number; readonly fileName: string; readonly bytes: Uint8Array },
): Promise<number> {
  requireRole(actor, EDITORS, 'bring in pictures');
  const name: string = Joi.attempt(input.fileName, NAME);
  if (input.bytes.length > MAX_INTAKE_BYTES) {
    throw new ProblemError({
      code: 'INTAKE_TOO_LARGE',
      what: `“${name}” was not taken in.`,
      why: `It has ${Math.round(input.bytes.length / 1024 ** 2)} MB; up to ${MAX_INTAKE_BYTES / 1024 ** 2} MB are taken.`,
      remedy: 'Save it as JPEG in ordinary quality.',
    });
  }
  const facts = await inspectImage(input.bytes, name);
  if (!USABLE.has(facts.format)) {
    throw new ProblemError({
      code: 'INTAKE_FORMAT',
      what: `“${name}” was not taken in.`,
      why: `Browsers do not show ${facts.format.toUpperCase()}.`,
      remedy: 'Save it as JPEG or PNG.',
    });
  }
  const hash = await storeBytes(input.bytes);
  await storeDerived(hash, 'thumbnail', await makeThumbnail(input.bytes));
  const [row] = await db.orm
    .insert(intake)
    .values({
      siteId: input.siteId,
      sha256: hash,
      fileName: name,
      title: titleOf(name),
      sizeBytes: input.bytes.length,
      ...facts,
      receivedBy: actor.name,
    })
    .returning({ id: intake.id });
  if (!row) throw new Error('the new picture was not returned');
  await logEvent(db, actor, { siteId: input.siteId, verb: 'bring in picture', details: name });
  return row.id;
}

/** A first title from a file's name: `choir-summer_03.jpg` gives “Choir summer 03”. */
function titleOf(fileName: string): string {
  const words = slugOfFile(fileName).replaceAll('-', ' ');
  return words.charAt(0).toUpperCase() + words.slice(1);
}
