/** Reads every picture file of a site that was not read before: its small picture for screens, its looks, its metadata. */
import { drawnSign } from '@/core/picture/drawn-signs';
import { emptinessOf } from '@/core/picture/placeholder';
import { fingerprintOf } from '@/core/picture/fingerprint';
import type { ReadableConnection } from '../../connections/connection';
import type { Database } from '../../db/database';
import { insertRows } from '../../db/insert-rows';
import { looks } from '../../db/schema/pictures';
import { inspectImage } from '../../imaging/inspect-image';
import { jpegQuality } from '../../imaging/jpeg-quality';
import { makeThumbnail } from '../../imaging/make-rendition';
import { readMetadata } from '../../imaging/read-metadata';
import { readPlanes } from '../../imaging/read-pixels';
import { packLandmarks, packPlanes } from '../../imaging/stored-print';
import { byHands } from '../../jobs/by-hands';
import type { Turn } from '../../jobs/turn';
import { problemOf } from '../../problem-error';
import { hasDerived, storeDerived } from '../../store/store';

/** To be raised whenever the same bytes are read otherwise: pictures are then read again, and families made anew. */
export const LOOKS_VERSION = 5;

/** Pictures that are read side by side: one is decoded while another's looks are taken. */
const HANDS = 4;

interface Unread {
  readonly path: string;
  readonly sha256: string;
}

/** @returns how many were read; @throws TurnOver */
export async function readLooks(
  db: Database,
  siteId: number,
  connection: ReadableConnection,
  turn: Turn,
): Promise<number> {
  const { rows } = await db.pool.query<Unread>(
    `select min(f.path) as path, f.sha256 from files f
     where f.site_id = $1 and f.gone_in is null and f.sha256 is not null and f.problem is null
       and not exists (select 1 from looks l where l.sha256 = f.sha256 and l.version >= $2)
     group by f.sha256 order by 1`,
    [siteId, LOOKS_VERSION],
  );
  await byHands(rows, { hands: HANDS, turn }, (file) => readOne(db, connection, file));
  // The same broken bytes may stand under other names, or have been read for another site.
  await db.pool.query(
    `update files f set problem = l.problem from looks l
     where f.site_id = $1 and f.sha256 = l.sha256 and l.problem is not null and f.problem is null`,
    [siteId],
  );
  return rows.length;
}

async function readOne(
  db: Database,
  connection: ReadableConnection,
  { path, sha256 }: Unread,
): Promise<void> {
  try {
    const bytes = await connection.read(path);
    const name = path.slice(path.lastIndexOf('/') + 1);
    const { widthPx, heightPx, format } = await inspectImage(bytes, name);
    const print = fingerprintOf(await readPlanes(bytes, name));
    if (!(await hasDerived(sha256, 'thumbnail')))
      await storeDerived(sha256, 'thumbnail', await makeThumbnail(bytes));
    await storeDerived(sha256, 'planes', packPlanes(print));
    await storeDerived(sha256, 'landmarks', packLandmarks(print));
    const row = {
      ...{ sha256, widthPx, heightPx },
      quality: format === 'jpeg' ? jpegQuality(bytes) : null,
      emptiness: emptinessOf(print.plane),
      sign: drawnSign(print.plane),
      metadata: await readMetadata(bytes),
      ...{ problem: null, version: LOOKS_VERSION },
    };
    await insertRows(db.pool, looks, [row], { onConflict: ['sha256'] });
  } catch (error) {
    // One broken picture is named, and hinders none of the others.
    const { what, why } = problemOf(error);
    const problem = `Its picture can’t be shown. ${what} ${why}`.slice(0, 500);
    const row = { sha256, widthPx: 0, heightPx: 0, emptiness: 0, problem, version: LOOKS_VERSION };
    await insertRows(db.pool, looks, [row], { onConflict: ['sha256'] });
  }
}
