/** Pictures of the site itself, as ones that could be put into a place. */
import { and, eq, isNull } from 'drizzle-orm';
import { EDITORS } from '@/core/edition/edition-state';
import { requireRole, type Actor } from '../../accounts/actor';
import type { Database } from '../../db/database';
import { files } from '../../db/schema/content';
import { sites } from '../../db/schema/sites';
import { sha256 } from '../../hash';
import { ProblemError } from '../../problem-error';
import { bytesOfPicture } from '../sites/bytes-of-picture';
import { keepIntake } from './receive-intake';

/** @returns its number in the intake; it is in no list of those that arrived */
export async function keepOwn(
  tx: Database,
  actor: Actor,
  { siteId, path, bytes }: { readonly siteId: number; readonly path: string; readonly bytes: Uint8Array },
): Promise<number> {
  const { rows } = await tx.pool.query<{ id: number }>(
    `select id from intake where site_id = $1 and sha256 = $2 and source ->> 'address' = $3
       and (source ->> 'isOwn')::boolean order by id limit 1`,
    [siteId, sha256(bytes), path],
  );
  if (rows[0]) return rows[0].id;
  const fileName = path.split('/').at(-1) ?? path;
  const source = { address: path, on: new Date().toISOString().slice(0, 10), isOwn: true };
  const id = await keepIntake(tx, { siteId, fileName, bytes, receivedBy: actor.name, source });
  if (id === null) throw new Error('the picture was not kept');
  // By its own name, so that the new files stand beside the old one; struck out, since nobody brought it.
  await tx.pool.query('update intake set title = $2, struck_at = now() where id = $1', [id, fileName.replace(/\.[^.]*$/u, '')]); // oxfmt-ignore
  return id;
}

/**
 * Takes a file of the site as a picture that could be put into a place.
 *
 * @returns its number in the intake
 * @throws ProblemError `OWN_GONE` where the site has no such file any more, or as `receiveIntake`
 */
export async function takeFromSite(
  db: Database,
  actor: Actor,
  siteId: number,
  fileId: number,
): Promise<number> {
  requireRole(actor, EDITORS, 'change pictures');
  const [site] = await db.orm.select().from(sites).where(eq(sites.id, siteId));
  const [file] = await db.orm
    .select()
    .from(files)
    .where(and(eq(files.siteId, siteId), eq(files.id, fileId), isNull(files.goneIn)));
  if (!site || !file?.sha256)
    throw new ProblemError({
      code: 'OWN_GONE',
      what: 'The picture was not taken.',
      why: 'The site has it no longer.',
      remedy: 'Open the swap desk again.',
    });
  const { path, sha256: hash } = file;
  const bytes = await bytesOfPicture(db, site, { sha256: hash, path });
  return keepOwn(db, actor, { siteId, path, bytes });
}
