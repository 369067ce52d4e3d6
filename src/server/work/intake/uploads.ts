/** Files on their way into a delivery: each is known again when it is sent a second time, and taken in once. */
import { and, eq } from 'drizzle-orm';
import Joi from 'joi';
import { EDITORS } from '@/core/edition/edition-state';
import { requireRole, type Actor } from '../../accounts/actor';
import { checkedInput } from '../../checked-input';
import type { Database } from '../../db/database';
import { asOne } from '../../db/in-transaction';
import { uploads, type UploadState } from '../../db/schema/editions';
import { addJob } from '../../jobs/queue';
import { ProblemError } from '../../problem-error';
import { MAX_INTAKE_BYTES, MAX_ZIP_BYTES } from './intake-limits';
import { needDelivery } from './deliveries';
import { dropBytes } from './uploads-folder';

export interface UploadBegun {
  readonly siteId: number;
  /** What the upload is called; by it the bytes are found. */
  readonly id: string;
  readonly fileName: string;
  readonly path: string;
  readonly fingerprint: string;
  readonly sizeBytes: number;
}

const SCHEMA = Joi.object<UploadBegun>({
  siteId: Joi.number().integer().required(),
  id: Joi.string().hex().length(32).required(),
  fileName: Joi.string().trim().min(1).max(255).required(),
  path: Joi.string().trim().max(1000).allow('').required(),
  fingerprint: Joi.string().min(1).max(400).required(),
  sizeBytes: Joi.number().integer().min(1).required(),
});

const isZip = (name: string) => /\.zip$/i.test(name);

/**
 * Notes that a file begins to arrive.
 *
 * @returns the state it was in before: `null` for a new one, else nothing was noted and the one before goes on
 * @throws ProblemError where it may not come
 */
export async function beginUpload(
  db: Database,
  actor: Actor,
  begun: UploadBegun,
): Promise<UploadState | null> {
  requireRole(actor, EDITORS, 'bring in pictures');
  const value = checkedInput(SCHEMA, begun, { code: 'UPLOAD_INPUT', what: 'The file was not taken.' });
  const most = isZip(value.fileName) ? MAX_ZIP_BYTES : MAX_INTAKE_BYTES;
  if (value.sizeBytes > most) {
    throw new ProblemError({
      code: 'INTAKE_TOO_LARGE',
      what: `“${value.fileName}” was not taken in.`,
      why: `It has ${Math.round(value.sizeBytes / 1024 ** 2)} MB; up to ${most / 1024 ** 2} MB are taken.`,
      remedy: isZip(value.fileName) ? 'Pack it in parts.' : 'Save it as JPEG in ordinary quality.',
    });
  }
  const delivery = await needDelivery(db, actor, value.siteId);
  return asOne(db, async ({ orm }) => {
    const rows = await orm
      .insert(uploads)
      .values({ ...value, deliveryId: delivery.id, sentBy: actor.name })
      .onConflictDoNothing()
      .returning({ id: uploads.id });
    if (rows.length > 0) return null;
    const [known] = await orm
      .select({ state: uploads.state })
      .from(uploads)
      .where(and(eq(uploads.deliveryId, delivery.id), eq(uploads.fingerprint, value.fingerprint)));
    return known?.state ?? 'arriving';
  });
}

/** Whether an upload is one of an actor's own on a site: nobody else adds to it, or asks after it. */
export async function isOwnUpload(db: Database, actor: Actor, siteId: number, id: string): Promise<boolean> {
  const [row] = await db.orm
    .select({ id: uploads.id })
    .from(uploads)
    .where(and(eq(uploads.id, id), eq(uploads.siteId, siteId), eq(uploads.sentBy, actor.name)));
  return row !== undefined;
}

/** Notes that all bytes of a file are there, and has it taken in. Told twice, it does so once. */
export async function uploadArrived(db: Database, id: string): Promise<void> {
  await asOne(db, async ({ orm, pool }) => {
    const rows = await orm
      .update(uploads)
      .set({ state: 'arrived' })
      .where(and(eq(uploads.id, id), eq(uploads.state, 'arriving')))
      .returning({ id: uploads.id });
    if (rows.length > 0) await addJob(pool, 'take-in', { uploadId: id }, `take-in-${id}`);
  });
}

/** Gives a file up that has not arrived: its bytes go, and it can be sent again from the beginning. */
export async function forgetUpload(db: Database, actor: Actor, siteId: number, id: string): Promise<void> {
  requireRole(actor, EDITORS, 'bring in pictures');
  const rows = await db.orm
    .delete(uploads)
    .where(
      and(
        eq(uploads.id, id),
        eq(uploads.siteId, siteId),
        eq(uploads.sentBy, actor.name),
        eq(uploads.state, 'arriving'),
      ),
    )
    .returning({ id: uploads.id });
  for (const row of rows) await dropBytes(row.id);
}
