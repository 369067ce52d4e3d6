import 'server-only';
import { wasReadWhole } from '../read-whole';
import { database } from '@/server/db/database';
import { readingOf } from '../pictures/picture-narrowing';

/** How far the worker is with checking the pages of a site. */
export interface CheckedSoFar {
  /** Whether the site is being read for the first time: then nothing is known of it as a whole. */
  readonly isReading: boolean;
  readonly pages: number;
  readonly checked: number;
  /** How many pictures it has looked at, of how many; `null` where they are all known. */
  readonly looking: { readonly read: number; readonly all: number } | null;
}

export async function checkedSoFar(siteId: number): Promise<CheckedSoFar> {
  const { rows } = await database().pool.query<{ pages: number; unchecked: number; is_looking: boolean }>(
    // Each by an index of its own: it is asked of every screen, and while one is open time and again.
    `select (select count(*)::int from pages where site_id = $1 and gone_in is null) as pages,
       (select count(*)::int from pages where site_id = $1 and gone_in is null and checked_in is distinct from changed_in) as unchecked,
       exists (select 1 from graphile_worker.jobs where key = $2 and attempts < max_attempts) as is_looking`,
    [siteId, `pictures-${siteId}`],
  );
  const { pages = 0, unchecked = 0, is_looking: isLooking = false } = rows[0] ?? {};
  const isReading = !(await wasReadWhole(siteId));
  return {
    isReading,
    pages,
    checked: pages - unchecked,
    looking: isLooking ? await readingOf(siteId) : null,
  };
}
