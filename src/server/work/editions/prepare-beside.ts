/** Where a change of words leaves an edition, those that had yielded a spot to it get it back. */
import type { Database } from '../../db/database';
import { addJob } from '../../jobs/queue';

/** The files into which some changes put words. */
export async function wordedSources(db: Database, changeIds: readonly number[]): Promise<string[]> {
  const { rows } = await db.pool.query<{ path: string }>(
    `select distinct source_path as path from edits where change_id = any($1::int[]) and subject not in ('reference', 'place')`,
    [changeIds],
  );
  return rows.map(({ path }) => path);
}

/** Has the other changes of the drafts prepared anew that put words into the same files. */
export async function prepareBeside(db: Database, siteId: number, sources: readonly string[]): Promise<void> {
  if (sources.length === 0) return;
  const { rows } = await db.pool.query<{ id: number }>(
    `update changes c set state = 'preparing' from editions e
     where e.id = c.edition_id and e.site_id = $1 and e.state = 'draft' and c.state = 'ready' and not c.takes_off
       and (c.intake_id is null or c.words ->> 'alt' is not null or c.words ->> 'caption' is not null)
       and exists (select 1 from edits t where t.change_id = c.id and t.source_path = any($2::text[])) returning c.id`,
    [siteId, sources],
  );
  for (const { id } of rows) await addJob(db.pool, 'prepare-change', { changeId: id }, `change-${id}`);
}
