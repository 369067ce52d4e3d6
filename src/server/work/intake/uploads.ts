/**
 * Files on their way: into a delivery, where each is known again when it is sent a second time, and taken in once; or a
 * clip, into an edition.
 */
import { and, eq, isNull } from 'drizzle-orm';
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

/** Where a file goes when it is there: onto the note of the open delivery, or, a clip, where its sender puts it. */
export type UploadGoal = 'delivery' | 'clip';

export interface UploadBegun {
  readonly siteId: number;
  readonly goal: UploadGoal;
  /** What the upload is called; by it the bytes are found. */
  readonly id: string;
  readonly fileName: string;
  readonly path: string;
  readonly fingerprint: string;
  readonly sizeBytes: number;
}

const SCHEMA = Joi.object<UploadBegun>({
  siteId: Joi.number().integer().required(),
  goal: Joi.string().valid('delivery', 'clip').required(),
  id: Joi.string().hex().length(32).required(),
  fileName: Joi.string().trim().min(1).max(255).required(),
  path: Joi.string().trim().max(1000).allow('').required(),
  fingerprint: Joi.string().min(1).max(400).required(),
  sizeBytes: Joi.number().integer().min(1).required(),
});

const TOO_LARGE: Readonly<Record<UploadGoal, string>> = {
  delivery: 'Save it as JPEG in ordinary quality.',
  clip: 'Export it shorter or smaller: 720 lines are enough for most pages.',
};

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
  const { goal, ...value } = checkedInput(SCHEMA, begun, { code: 'UPLOAD_INPUT', what: 'The file was not taken.' }); // oxfmt-ignore
  const isPacked = goal === 'delivery' && isZip(value.fileName);
  const most = isPacked ? MAX_ZIP_BYTES : MAX_INTAKE_BYTES;
  if (value.sizeBytes > most) {
    throw new ProblemError({
      code: 'INTAKE_TOO_LARGE',
      what: `“${value.fileName}” was not taken in.`,
      why: `It has ${Math.round(value.sizeBytes / 1024 ** 2)} MB; up to ${most / 1024 ** 2} MB are taken.`,
      remedy: isPacked ? 'Pack it in parts.' : TOO_LARGE[goal],
    });
  }
  if (goal === 'clip') {
    await forgetClips(db, actor, value);
    await db.orm.insert(uploads).values({ ...value, deliveryId: null, sentBy: actor.name });
    return null;
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

/** Gives up what somebody sent of a clip before and put nowhere: it begins anew, and no other waits for longer than a day. */
async function forgetClips(
  { pool }: Database,
  { name }: Actor,
  { siteId, fingerprint }: Pick<UploadBegun, 'siteId' | 'fingerprint'>,
): Promise<void> {
  const { rows } = await pool.query<{ id: string }>(
    `delete from uploads where site_id = $1 and delivery_id is null
       and ((sent_by = $2 and fingerprint = $3) or started_at < now() - interval '1 day') returning id`,
    [siteId, name, fingerprint],
  );
  for (const { id } of rows) await dropBytes(id);
}

/**
 * The clip that an actor has sent.
 *
 * @returns `null` where it is not there, or not whole
 */
export async function sentClip(
  db: Database,
  actor: Actor,
  siteId: number,
  id: string,
): Promise<{ readonly fileName: string } | null> {
  const [row] = await db.orm
    .select({ fileName: uploads.fileName })
    .from(uploads)
    .where(
      and(
        ...[eq(uploads.id, id), eq(uploads.siteId, siteId), eq(uploads.sentBy, actor.name)],
        ...[eq(uploads.state, 'arrived'), isNull(uploads.deliveryId)],
      ),
    );
  return row ?? null;
}

/** Lets go of a clip that was put in. */
export async function forgetSentClip(db: Database, id: string): Promise<void> {
  await db.orm.delete(uploads).where(and(eq(uploads.id, id), isNull(uploads.deliveryId)));
  await dropBytes(id);
}

/** Whether an upload is one of an actor's own on a site: nobody else adds to it, or asks after it. */
export async function isOwnUpload(db: Database, actor: Actor, siteId: number, id: string): Promise<boolean> {
  const [row] = await db.orm
    .select({ id: uploads.id })
    .from(uploads)
    .where(and(eq(uploads.id, id), eq(uploads.siteId, siteId), eq(uploads.sentBy, actor.name)));
  return row !== undefined;
}

/** Notes that all bytes of a file are there, and has what belongs to a delivery taken in. Told twice, it does so once. */
export async function uploadArrived(db: Database, id: string): Promise<void> {
  await asOne(db, async ({ orm, pool }) => {
    const rows = await orm
      .update(uploads)
      .set({ state: 'arrived' })
      .where(and(eq(uploads.id, id), eq(uploads.state, 'arriving')))
      .returning({ deliveryId: uploads.deliveryId });
    if (rows.some(({ deliveryId }) => deliveryId !== null))
      await addJob(pool, 'take-in', { uploadId: id }, `take-in-${id}`);
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
