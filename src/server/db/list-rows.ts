/** Rows that a long list reads in place of all that they are made of: made anew by who reads them first after a change. */
import type { Database } from './database';
import { asOne } from './in-transaction';

/** A list with rows of its own. `$1` is the site in all of its SQL. */
export interface ListRows {
  /** As triggers call it in `list_changes`. */
  readonly list: 'errata' | 'pictures';
  readonly table: 'errata_groups' | 'picture_rows';
  /** SQL that puts in the rows of the site, of which there are none then. */
  readonly make: string;
  /** SQL: whether they are to be made anew though nothing was changed. */
  readonly isOver?: string;
}

/**
 * Makes the rows of a site's list anew where they are behind. To be awaited before they are read; where nothing changed it
 * asks one short question. Of writers that have not committed it knows nothing, and they do not wait for it.
 */
export async function haveListRows(db: Database, siteId: number, of: ListRows): Promise<void> {
  const { list, table, make, isOver = 'false' } = of;
  const isBehind = async ({ pool }: Database) => {
    const asked = `select exists (select 1 from list_changes where site_id = $1 and list = $2) or ${isOver} as behind`;
    return (await pool.query<{ behind: boolean }>(asked, [siteId, list])).rows[0]?.behind;
  };
  if (!(await isBehind(db))) return;
  await asOne(db, async (tx) => {
    // One makes them, and whoever comes meanwhile waits for that instead of doing it again.
    await tx.pool.query('select pg_advisory_xact_lock(hashtext($2), $1)', [siteId, table]);
    if (!(await isBehind(tx))) return;
    // What is committed after this statement has its own row, and is reckoned in the next time at the latest.
    await tx.pool.query('delete from list_changes where site_id = $1 and list = $2', [siteId, list]);
    await tx.pool.query(`delete from ${table} where site_id = $1`, [siteId]);
    await tx.pool.query(make, [siteId]);
  });
}
