import type { Database } from '../../db/database';
import { haveListRows } from '../../db/list-rows';
import { ERRATUM_STANDS } from './erratum-stands';

/** Of one group, as many numbers of errata are kept: as many as are let stand, or chosen, at once. */
export const MOST_OF_GROUP = 2000;

/** Makes the groups of a site's errata anew where they are behind. To be awaited before `errata_groups` is read. */
export const haveErrataGroups = (db: Database, siteId: number): Promise<void> =>
  haveListRows(db, siteId, {
    ...{ list: 'errata', table: 'errata_groups', make: GROUP },
    // A day is over until which something was let stand.
    isOver: `exists (select 1 from stets where site_id = $1 and until < current_date
      and until >= (select grouped_on from errata_groups where site_id = $1 limit 1))`,
  });

/**
 * Errata are put together by a number of 64 bits for all that they have in common: by the texts themselves it takes three
 * times as long. Among 100,000 groups two have the same number once in four billion sites. Each page of a group counts once
 * for how many meet it: with the first of its errata there, whichever take words.
 */
const GROUP = `
  with told as (
    select e.id, e.rule, e.degree, e.subject, e.takes_words, ${ERRATUM_STANDS} as stands, coalesce(e.section, p.section) as section, coalesce(p.id, 0) as page,
      coalesce(p.reach, 0) as reach, coalesce(p.reach, 0) * e.emphasis as weight, e.fix is not null as has_fix
    from errata e left join pages p on p.site_id = $1 and p.path = e.page_path and p.gone_in is null
    where e.site_id = $1 and (p.id is not null or e.placement_id is null)
  ), alone as (
    select *, case when stands or subject = '' then id end as only_id from told
  ), likened as (
    select *, hash_record_extended(row(rule, degree, subject, stands, only_id), 0) as whole from alone
  ), met as (
    select *, row_number() over (partition by whole, page order by weight desc, id) as nth from likened
  )
  insert into errata_groups (site_id, rule, degree, subject, stands, only_id, section, takes_words, whole, is_split, places, pages, fixes, weight, top_weight, reach, ids, first_id)
  select $1, min(rule), min(degree), min(subject), bool_or(stands), min(only_id), section, takes_words, whole, count(*) over (partition by whole) > 1, count(*), count(*) filter (where nth = 1),
    count(*) filter (where has_fix), sum(weight), max(weight), coalesce(sum(reach) filter (where nth = 1), 0),
    (array_agg(id order by weight desc, id))[1:${MOST_OF_GROUP}], min(id)
  from met group by whole, section, takes_words`;
