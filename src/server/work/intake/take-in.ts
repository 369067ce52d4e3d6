/** Takes in what has arrived: a picture, or all pictures of a ZIP. What dies in the middle goes on where it was. */
import { readFile } from 'node:fs/promises';
import { join } from 'node:path';
import { eq } from 'drizzle-orm';
import { isPictureAddress } from '@/core/address/resolve-address';
import type { Problem } from '@/core/problem';
import { openZip } from '../../connections/zip';
import type { Database } from '../../db/database';
import { asOne } from '../../db/in-transaction';
import { uploads } from '../../db/schema/editions';
import { headFinder } from '../../imaging/head-finder';
import { addJob } from '../../jobs/queue';
import { problemOf, ProblemError } from '../../problem-error';
import { MAX_INTAKE_BYTES } from './intake-limits';
import { keepIntake } from './receive-intake';
import { dropBytes, uploadsFolder } from './uploads-folder';

type Upload = typeof uploads.$inferSelect & { readonly deliveryId: number };

export async function takeIn(db: Database, uploadId: string): Promise<void> {
  const [upload] = await db.orm.select().from(uploads).where(eq(uploads.id, uploadId));
  if (upload?.state !== 'arrived' || upload.deliveryId === null) return;
  const { deliveryId } = upload;
  const file = join(uploadsFolder(), uploadId);
  const problem = await keepAll(db, { ...upload, deliveryId }, file);
  await asOne(db, async ({ orm, pool }) => {
    await orm
      .update(uploads)
      .set({ state: problem?.code === 'NOTHING_TAKEN' ? 'refused' : 'taken in', problem })
      .where(eq(uploads.id, uploadId));
    await addJob(pool, 'know-delivery', { deliveryId }, `know-delivery-${deliveryId}`);
  });
  // Only now that it is noted: what died before finds the bytes again.
  await dropBytes(uploadId);
}

/** @returns what was not taken, and why; `NOTHING_TAKEN` where that is all of it */
async function keepAll(db: Database, upload: Upload, file: string): Promise<Problem | null> {
  const { siteId, deliveryId, id: uploadId, sentBy: receivedBy } = upload;
  const heads = await headFinder();
  const keep = (fileName: string, entry: string, bytes: Uint8Array) =>
    keepIntake(db, { siteId, fileName, bytes, receivedBy, heads, deliveryId, uploadId, entry });
  if (!/\.zip$/i.test(upload.fileName)) {
    const bytes = await readFile(/* turbopackIgnore: true */ file);
    const refusal = await refusalOf(keep(upload.fileName, upload.path, bytes));
    return refusal && { ...refusal, code: 'NOTHING_TAKEN' };
  }
  const zip = await openZip(file).catch((error: unknown) => {
    if (!(error instanceof ProblemError)) throw error;
    // The bytes lie under the upload's number, of which nobody knows.
    const named = (text: string) => text.replaceAll(uploadId, upload.fileName);
    const { what, why, remedy } = error.problem;
    return { code: 'ZIP', what: named(what), why: named(why), remedy };
  });
  if ('what' in zip) return { ...zip, code: 'NOTHING_TAKEN' };
  try {
    return await keepEntries(upload, zip, keep);
  } finally {
    await zip.close();
  }
}

async function keepEntries(
  { fileName }: Upload,
  zip: Awaited<ReturnType<typeof openZip>>,
  keep: (fileName: string, entry: string, bytes: Uint8Array) => Promise<unknown>,
): Promise<Problem | null> {
  const { files } = await zip.list();
  const pictures = files.filter(({ path }) => isPictureAddress({ kind: 'site', path }));
  const refused: string[] = [];
  for (const { path, sizeBytes } of pictures) {
    if (sizeBytes > MAX_INTAKE_BYTES) {
      refused.push(`${path}: it has more than ${MAX_INTAKE_BYTES / 1024 ** 2} MB.`);
      continue;
    }
    const name = path.split('/').at(-1) ?? path;
    const refusal = await refusalOf(zip.read(path).then((bytes) => keep(name, path, bytes)));
    if (refusal) refused.push(`${path}: ${refusal.why}`);
  }
  if (refused.length === 0 && pictures.length > 0) return null;
  const isNothing = refused.length === pictures.length;
  return {
    code: isNothing ? 'NOTHING_TAKEN' : 'PARTLY_TAKEN',
    what: isNothing ? `Nothing of “${fileName}” was taken in.` : `${refused.length} of the ${pictures.length} pictures in “${fileName}” were not taken in.`, // oxfmt-ignore
    why: pictures.length === 0 ? 'It holds no pictures.' : refused.slice(0, 5).join(' '),
    remedy: 'Save those anew as JPEG or PNG, and send them by themselves.',
  };
}

/** What a picture is refused for; anything else that goes wrong is thrown, and the job tried again. */
async function refusalOf(keeping: Promise<unknown>): Promise<Problem | null> {
  try {
    await keeping;
    return null;
  } catch (error) {
    if (error instanceof ProblemError) return problemOf(error);
    throw error;
  }
}
