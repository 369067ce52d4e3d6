/** Keeps a picture that was made anew: over its line, as another picture, or in all the places of the old one. */
import { eq } from 'drizzle-orm';
import Joi from 'joi';
import { EDITORS } from '@/core/edition/edition-state';
import { pointInResult } from '@/core/revision/frames';
import { changesNothing, type Revision } from '@/core/revision/steps';
import type { FocalPoint } from '@/core/swap/crop';
import { requireRole, type Actor } from '../../accounts/actor';
import { checkedInput } from '../../checked-input';
import type { Database } from '../../db/database';
import { asOne } from '../../db/in-transaction';
import { changes, editions, intake } from '../../db/schema/editions';
import { makeRevision } from '../../imaging/make-revision';
import { makeThumbnail } from '../../imaging/make-rendition';
import { brokenPixels } from '../../imaging/read-pixels';
import { MetadataWriter } from '../../imaging/write-metadata';
import { addJob } from '../../jobs/queue';
import { ProblemError } from '../../problem-error';
import { hasDerived, storeBytes, storeDerived } from '../../store/store';
import { swapEverywhere, type StandingRow } from '../editions/gather-pairs';
import { needDelivery } from '../intake/deliveries';
import { logEvent } from '../log-event';
import { openRevision, type OpenedRevision, type RevisedSubject } from './open-revision';
import { FOCAL, REVISION } from './revision-input';

export interface KeptRevision {
  readonly siteId: number;
  readonly subject: RevisedSubject;
  readonly revision: Revision;
  /** In shares of the original; `null` where nobody moved it. */
  readonly focal: FocalPoint | null;
  /** `line`: the line it came in shows it. `another`: a picture beside it. `places`: in all places of the file's picture. */
  readonly as: 'line' | 'another' | 'places';
}

const KEPT = Joi.object<KeptRevision>({
  siteId: Joi.number().integer().required(),
  subject: Joi.alternatives(
    Joi.object({ line: Joi.number().integer().required() }),
    Joi.object({ file: Joi.number().integer().required() }),
  ).required(),
  revision: REVISION.required(),
  focal: FOCAL.allow(null).required(),
  as: Joi.string().valid('line', 'another', 'places').required(),
});

const NOT_KEPT = { code: 'REVISION_INPUT', what: 'The picture was not kept.' };

/**
 * Makes the picture by its steps, in all its pixels, and keeps it with its original and the steps.
 *
 * @returns its number in the intake, and the edition's where it goes into one
 * @throws ProblemError `REVISION_INPUT`, `REVISION_LIVE` for a line that went live as it was, or as `openRevision`
 */
export async function keepRevision(
  db: Database,
  actor: Actor,
  request: KeptRevision,
): Promise<{ readonly id: number; readonly edition: number | null }> {
  requireRole(actor, EDITORS, 'correct pictures');
  const wanted = checkedInput(KEPT, request, NOT_KEPT);
  const { siteId, as } = wanted;
  const opened = await openRevision(db, siteId, wanted.subject);
  if (changesNothing(wanted.revision) && as !== 'line')
    throw new ProblemError({
      ...NOT_KEPT,
      why: 'No step is taken: it would be the very picture that is there.',
      remedy: 'Crop, turn or correct it first.',
    });
  const made = await madeAnew(opened, wanted);
  const delivery = as === 'another' ? (await needDelivery(db, actor, siteId)).id : null;
  return asOne(db, async (tx) => {
    const id = as === 'line' ? await overLine(tx, opened, made) : await another(tx, actor, { siteId, opened, made, delivery }); // oxfmt-ignore
    const edition = as === 'places' ? await intoPlaces(tx, actor, { siteId, id, file: opened.file }) : null;
    const details = `${opened.line?.title ?? opened.file?.path ?? ''}${edition === null ? '' : `, edition ${edition}`}`; // oxfmt-ignore
    await logEvent(tx, actor, { siteId, verb: 'correct picture', details });
    return { id, edition };
  });
}

type Made = Pick<
  typeof intake.$inferInsert,
  | 'shapes'
  | 'sha256'
  | 'sizeBytes'
  | 'widthPx'
  | 'heightPx'
  | 'format'
  | 'isAnimated'
  | 'originalSha'
  | 'revision'
> & { readonly focal: Partial<Pick<typeof intake.$inferInsert, 'focalX' | 'focalY' | 'focalBecause'>> };

async function madeAnew({ original, focal }: OpenedRevision, wanted: KeptRevision): Promise<Made> {
  const { revision } = wanted;
  // The original itself, where all steps are struck out: not a copy of it in other bytes.
  const isOriginal = changesNothing(revision);
  const result = isOriginal ? original : await revised(original, revision);
  const sha256 = await storeBytes(result.bytes);
  if (!(await hasDerived(sha256, 'thumbnail')))
    await storeDerived(sha256, 'thumbnail', await makeThumbnail(result.bytes));
  const point = pointInResult(original, revision, wanted.focal ?? focal);
  const { widthPx, heightPx, format } = result;
  return {
    // Its crops are other ones now: a delivery's are looked for again.
    ...{ sha256, widthPx, heightPx, format, isAnimated: false, sizeBytes: result.bytes.length, shapes: null },
    originalSha: isOriginal && revision.struck.length === 0 ? null : await storeBytes(original.bytes),
    revision: isOriginal && revision.struck.length === 0 ? null : revision,
    focal: { focalX: point.x, focalY: point.y, ...(wanted.focal ? { focalBecause: null } : {}) },
  };
}

async function revised(original: OpenedRevision['original'], revision: Revision) {
  const made = await makeRevision(original, revision).catch((error: unknown) => {
    throw brokenPixels('The picture', error);
  });
  const writer = new MetadataWriter();
  try {
    return { ...made, bytes: await writer.carry(original.bytes, made) };
  } finally {
    await writer.end();
  }
}

/** The line shows the new picture; what a draft does with it is prepared anew. */
async function overLine(tx: Database, { line }: OpenedRevision, { focal, ...made }: Made): Promise<number> {
  if (!line) throw new ProblemError({ ...NOT_KEPT, why: 'It came in no delivery.', remedy: 'Keep it as another picture.' }); // oxfmt-ignore
  const used = await tx.orm
    .select({ id: changes.id, state: editions.state, number: editions.number })
    .from(changes)
    .innerJoin(editions, eq(editions.id, changes.editionId))
    .where(eq(changes.intakeId, line.id))
    .for('update');
  const live = used.find(({ state }) => state !== 'draft');
  if (live)
    throw new ProblemError({
      code: 'REVISION_LIVE',
      what: 'The picture was not kept.',
      why: `It is in edition ${live.number}, which is no draft any more: what was published must stay what it was.`,
      remedy: 'Keep it as another picture.',
    });
  await tx.orm.update(intake).set({ ...made, ...focal, softness: null, findings: null }).where(eq(intake.id, line.id)); // oxfmt-ignore
  await lookAt(tx, line.deliveryId);
  for (const { id } of used) {
    await tx.orm.update(changes).set({ state: 'preparing', problem: null }).where(eq(changes.id, id));
    await addJob(tx.pool, 'prepare-change', { changeId: id }, `change-${id}`);
  }
  return line.id;
}

interface Beside {
  readonly siteId: number;
  readonly opened: OpenedRevision;
  readonly made: Made;
  /** The delivery it is listed in, `null` where it goes into its places at once. */
  readonly delivery: number | null;
}

/** A picture of its own, with the words of the one it was made from. */
async function another(
  tx: Database,
  actor: Actor,
  { siteId, opened, made, delivery }: Beside,
): Promise<number> {
  const { line, file } = opened;
  const { focal, ...facts } = made;
  const name = file?.path.split('/').at(-1) ?? line?.fileName ?? 'picture';
  const words = line && delivery !== null ? wordsOf(line) : {};
  const [row] = await tx.orm
    .insert(intake)
    .values({
      ...{ siteId, fileName: name, title: line?.title ?? name.replace(/\.[^.]*$/u, '') },
      ...{ receivedBy: actor.name, deliveryId: delivery },
      ...words,
      ...facts,
      ...focal,
      source: file
        ? { address: file.path, on: new Date().toISOString().slice(0, 10) }
        : (line?.source ?? null),
    })
    .returning({ id: intake.id });
  if (!row) throw new Error('the new picture was not returned');
  await lookAt(tx, delivery);
  return row.id;
}

const wordsOf = ({ alt, caption, credit, folder, tags, takenYear }: typeof intake.$inferSelect) => ({
  ...{ alt, caption, credit, folder, tags, takenYear },
});

async function lookAt(tx: Database, deliveryId: number | null): Promise<void> {
  if (deliveryId !== null)
    await addJob(tx.pool, 'know-delivery', { deliveryId }, `know-delivery-${deliveryId}`);
}

/** All places of the picture that the file shows, whichever of its files each of them has. */
async function intoPlaces(
  tx: Database,
  actor: Actor,
  {
    siteId,
    id,
    file,
  }: { readonly siteId: number; readonly id: number; readonly file: OpenedRevision['file'] },
): Promise<number> {
  const { rows: places } = await tx.pool.query<StandingRow>(
    `select p.id, p.file_path from placements p where p.site_id = $1 and p.until_survey is null and p.file_path in (
       select path from files where site_id = $1 and gone_in is null and (id = $2 or picture_id = $3))
     order by p.id`,
    [siteId, file?.id ?? 0, file?.pictureId ?? null],
  );
  const edition = await swapEverywhere(tx, actor, { siteId, intakeId: id, places });
  if (edition !== null) return edition;
  throw new ProblemError({
    ...NOT_KEPT,
    why: 'The picture stands nowhere any more.',
    remedy: 'Keep it as another picture.',
  });
}
