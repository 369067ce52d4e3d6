import { eq, sql } from 'drizzle-orm';
import { requireRole, type Actor } from '../../accounts/actor';
import type { Database } from '../../db/database';
import { removals } from '../../db/schema/editions';
import { asOne } from '../../db/in-transaction';
import { addJob } from '../../jobs/queue';
import { ProblemError } from '../../problem-error';
import { draftEdition } from './draft-edition';
import { logEvent } from '../log-event';
import { EDITORS } from '@/core/edition/edition-state';

/**
 * Puts files into the edition being gathered, to be taken off the site with it. Each is then looked for in everything
 * the site holds before it counts as ready.
 *
 * @param fileIds of files that no place shows
 * @returns the edition's number
 * @throws ProblemError `FILE_USED` where a place shows one of them, and nothing is gathered
 */
export async function gatherRemovals(
  db: Database,
  actor: Actor,
  siteId: number,
  fileIds: readonly number[],
): Promise<number> {
  requireRole(actor, ['maintainer'], 'take files off the site');
  const { rows } = await db.pool.query<{
    path: string;
    sha256: string;
    size: number;
    uses: number;
    page: string | null;
  }>(
    `select f.path, f.sha256, f.size_bytes::int as size, ${USES}
     from files f where f.site_id = $1 and f.id = any($2::int[]) and f.gone_in is null and f.sha256 is not null`,
    [siteId, fileIds],
  );
  const used = rows.find(({ uses }) => uses > 0);
  if (used) throw usedProblem(used.path, used.page);
  if (rows.length === 0) {
    throw new ProblemError({
      code: 'FILES_NONE',
      what: 'No file was chosen.',
      why: 'None of those is on the site any more, or none was marked.',
      remedy: 'Mark the files to take off.',
    });
  }
  return asOne(db, (tx) => gathered(tx, actor, siteId, rows));
}

interface FileToTake {
  readonly path: string;
  readonly sha256: string;
  readonly size: number;
}

/** Writes removals and their jobs in one transaction. */
async function gathered(
  db: Database,
  actor: Actor,
  siteId: number,
  rows: readonly FileToTake[],
): Promise<number> {
  const edition = await draftEdition(db, actor, siteId);
  for (const { path, sha256, size } of rows) {
    const [made] = await db.orm
      .insert(removals)
      .values({ editionId: edition.id, path, sha256, sizeBytes: size, createdBy: actor.name })
      .onConflictDoNothing()
      .returning({ id: removals.id });
    if (made) await addJob(db.pool, 'prepare-removal', { removalId: made.id }, `removal-${made.id}`);
  }
  const details = `${rows.length} files, edition ${edition.number}`;
  await logEvent(db, actor, { siteId, verb: 'take files off', details });
  return edition.number;
}

const SHOWS = 'x.site_id = f.site_id and x.file_path = f.path and x.until_survey is null';

/** SQL: how many places show the file `f`, and one of their pages. */
const USES = `(select count(*)::int from placements x where ${SHOWS}) as uses,
  (select min(x.page_path) from placements x where ${SHOWS}) as page`;

/**
 * How many places show a file once an edition is live, and one of their pages: what the edition swaps, or takes off its
 * page, counts no longer; what could not be taken off still does.
 */
export async function usesAfter(
  { pool }: Database,
  siteId: number,
  { path, editionId }: { readonly path: string; readonly editionId: number },
): Promise<{ uses: number; page: string | null }> {
  const { rows } = await pool.query<{ uses: number; page: string | null }>(
    `with given_up as (
       select placed.id::bigint as id from changes c, jsonb_array_elements_text(c.placement_ids) as placed(id)
       where c.edition_id = $3 and (c.takes_off or c.intake_id is not null) and c.state = 'ready'
     ), refused as (
       select o ->> 'source' as source, (o ->> 'start')::int as start from changes c, jsonb_array_elements(c.offs) o
       where c.edition_id = $3 and c.takes_off and o ->> 'refused' is not null
     )
     select count(*)::int as uses, min(x.page_path) as page from placements x
     where x.site_id = $1 and x.file_path = $2 and x.until_survey is null
       and (x.id not in (select id from given_up)
         or (x.source_path, x.start) in (select source, start from refused))`,
    [siteId, path, editionId],
  );
  return rows[0] ?? { uses: 0, page: null };
}

export function usedProblem(path: string, page: string | null): ProblemError {
  return new ProblemError({
    code: 'FILE_USED',
    what: `${path} stays.`,
    why: page ? `It is shown on ${page}.` : 'A place shows it.',
    remedy: 'Swap it there first, or leave it out.',
  });
}

/** Takes a removal out of an edition that is still a draft. */
export async function dropRemoval(db: Database, actor: Actor, removalId: number): Promise<void> {
  requireRole(actor, EDITORS, 'change an edition');
  await db.orm
    .delete(removals)
    .where(
      sql`${eq(removals.id, removalId)} and edition_id in (select id from editions where state = 'draft')`,
    );
}
