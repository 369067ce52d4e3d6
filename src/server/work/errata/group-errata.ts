import type { Database } from '../../db/database';
import { asOne } from '../../db/in-transaction';
import { ERRATUM_STANDS } from './erratum-stands';

/** Of one group, as many numbers of errata are kept: as many as are let stand, or chosen, at once. */
export const MOST_OF_GROUP = 2000;

/** SQL: whether the groups of the site `$1` are to be made anew: something changed, or a day is over until which something was let stand. */
const IS_BEHIND = `exists (select 1 from errata_changes where site_id = $1)
  or exists (select 1 from stets where site_id = $1 and until < current_date
    and until >= (select grouped_on from errata_groups where site_id = $1 limit 1))`;

/**
 * Makes the groups of a site's errata anew where they are behind. To be awaited before `errata_groups` is read; where nothing
 * changed it asks one short question. Of writers that have not committed it knows nothing, and they do not wait for it.
 */
export async function haveErrataGroups(db: Database, siteId: number): Promise<void> {
  const isBehind = async ({ pool }: Database) =>
    (await pool.query<{ behind: boolean }>(`select ${IS_BEHIND} as behind`, [siteId])).rows[0]?.behind;
  if (!(await isBehind(db))) return;
  await asOne(db, async (tx) => {
    // One makes them, and whoever comes meanwhile waits for that instead of doing it again.
    await tx.pool.query("select pg_advisory_xact_lock(hashtext('errata groups'), $1)", [siteId]);
    if (!(await isBehind(tx))) return;
    // What is committed after this statement has its own row, and is grouped the next time at the latest.
    await tx.pool.query('delete from errata_changes where site_id = $1', [siteId]);
    await tx.pool.query('delete from errata_groups where site_id = $1', [siteId]);
    await tx.pool.query(GROUP, [siteId]);
  });
}

/**
 * Errata are put together by a number of 64 bits for all that they have in common: by the texts themselves it takes three
 * times as long. Among 100,000 groups two have the same number once in four billion sites. Each page of a group counts once
 * for how many meet it: with the first of its errata there.
 */
const GROUP = `
  with told as (
    select e.id, e.rule, e.degree, e.subject, ${ERRATUM_STANDS} as stands, coalesce(e.section, p.section) as section, coalesce(p.id, 0) as page,
      coalesce(p.reach, 0) as reach, coalesce(p.reach, 0) * e.emphasis as weight, e.fix is not null as has_fix
    from errata e left join pages p on p.site_id = $1 and p.path = e.page_path and p.gone_in is null
    where e.site_id = $1 and (p.id is not null or e.placement_id is null)
  ), alone as (
    select *, case when stands or subject = '' then id end as only_id from told
  ), likened as (
    select *, hashtextextended(jsonb_build_array(rule, degree, subject, stands, only_id, section)::text, 0) as likeness from alone
  ), met as (
    select *, row_number() over (partition by likeness, page order by weight desc, id) as nth from likened
  )
  insert into errata_groups (site_id, rule, degree, subject, stands, only_id, section, places, pages, fixes, weight, top_weight, reach, ids, first_id)
  select $1, min(rule), min(degree), min(subject), bool_or(stands), min(only_id), min(section), count(*), count(*) filter (where nth = 1),
    count(*) filter (where has_fix), sum(weight), max(weight), sum(reach) filter (where nth = 1),
    (array_agg(id order by weight desc, id))[1:${MOST_OF_GROUP}], min(id)
  from met group by likeness`;
