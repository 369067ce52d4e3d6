import 'server-only';
import type { RuleId } from '@/core/errata/rule';
import { database } from '@/server/db/database';
import { ERRATUM_STANDS } from '@/server/work/errata/erratum-stands';
import { haveErrataGroups } from '@/server/work/errata/group-errata';
import { TAKES_WORDS } from '@/server/work/words/takes-words';
import { degreeOrder, isDegree, ownedBy, type ErrataFilter } from '../errata/errata';

/** More than anybody settles in one sitting. */
const MOST = 400;

/** What is laid on the text desk: pictures whose words a rule found fault with, or those that were chosen. */
export interface DeskQuery {
  readonly filter: ErrataFilter;
  readonly rule: RuleId | null;
  readonly section: string | null;
  readonly owner: string | null;
  /** Numbers of pictures; where there are any, they alone are laid on it. */
  readonly pictures: readonly number[];
}

/** One picture of the desk; a file that is not known as a picture stands for itself, and so does one of elsewhere. */
export interface DeskEntry {
  /** `p12` for a picture, `f34` for a file, `e56` for a place that shows something of elsewhere. */
  readonly key: string;
  readonly name: string;
  readonly sha256: string | null;
  /** Errata of its words, and the gravest of them. */
  readonly errata: number;
  readonly worst: 'must' | 'should' | 'note' | null;
  /** Whether the edition being gathered has words for all places at fault. */
  readonly isGathered: boolean;
}

const KEY = `coalesce('p' || f.picture_id, 'f' || f.id, 'e' || x.id)`;
/** SQL: what a place shows, or what it is where it shows no file. */
export const SHOWN = `coalesce(x.file_path, x.url, case x.kind when 'drawn' then '<' || x.raw || '>' else x.raw end)`;
const NAME = `coalesce(min(p.title), regexp_replace(min(${SHOWN}), '^.*/', ''))`;

/** SQL: the places for which the draft of the site `$1` has words. */
export const WORDED = `select jsonb_object_keys(c.place_words)::bigint from changes c join editions d on d.id = c.edition_id where d.site_id = $1 and d.state = 'draft'`;

/** The pictures to go through: the gravest first, and of those the ones that most readers meet. */
export async function deskQueue(siteId: number, query: DeskQuery): Promise<DeskEntry[]> {
  const { pool } = database();
  if (query.pictures.length > 0) {
    const { rows } = await pool.query<DeskEntry>(
      `select ${KEY} as key, ${NAME} as name, min(p.master_sha) as sha256,
         (select count(*)::int from errata e join placements y on y.id = e.placement_id join files g on g.site_id = e.site_id and g.path = y.file_path
           where e.site_id = $1 and g.picture_id = p.id and g.gone_in is null and ${onWords('e')} and not ${ERRATUM_STANDS}) as errata,
         null as worst, bool_and(x.id in (${WORDED})) as "isGathered"
       from pictures p join files f on f.picture_id = p.id and f.gone_in is null
       join placements x on x.site_id = p.site_id and x.file_path = f.path and x.until_survey is null and not x.dormant and ${TAKES_WORDS}
       where p.site_id = $1 and p.id = any($2::int[]) group by p.id, ${KEY} order by array_position($2::int[], p.id) limit ${MOST}`,
      [siteId, query.pictures],
    );
    return rows;
  }
  await haveErrataGroups(database(), siteId);
  const { rows } = await pool.query<DeskEntry>(ENTRIES, [
    ...[siteId, query.rule, query.section, isDegree(query.filter) ? query.filter : null, query.owner],
  ]);
  return rows;
}

/** SQL: whether the erratum, or the group of errata, is one of words. */
export const onWords = (of: 'e' | 'w') => `(${of}.rule like 'alt/%' or ${of}.rule like 'caption/%')`;

/**
 * SQL: whether a group of errata of the site `$1`, or an erratum, takes words and is of the rule `$2`, the section `$3`, the
 * degree `$4` and the owner `$5`, as far as these are not null.
 *
 * @param section SQL that gives its section
 * @param rules SQL: which rules count
 */
export const asked = (of: 'e' | 'w', section: string, rules = onWords(of)) =>
  `${of}.site_id = $1 and ${rules} and ${of}.takes_words and ($2::text is null or ${of}.rule = $2)
    and ($3::text is null or ${section} = $3) and ($4::text is null or ${of}.degree = $4) and ${ownedBy(section, '$5')}`;

/**
 * SQL: one entry for all places of a file, from the groups of errata; what is of elsewhere, or drawn, is one at each place,
 * and its errata are gone through. Whether all is gathered is counted from the words gathered, which are few.
 */
const ENTRIES = `
  with heads as (
    select w.subject, w.only_id, ${degreeOrder('w')} as worst, w.weight, w.places, w.first_id, w.ids, y.file_path is not null as is_file
    from errata_groups w join errata h on h.id = w.first_id join placements y on y.id = h.placement_id
    where not w.stands and ${asked('w', 'w.section')}
  ), entries as (
    select min(first_id) as first_id, sum(places) as errata, min(worst) as worst, sum(weight) as weight, subject, null::bigint as alone
      from heads where is_file group by subject, only_id
    union all select min(e.id), count(*), min(worst), sum(coalesce(g.reach, 0) * e.emphasis), '', e.placement_id
      from heads cross join unnest(ids) as u(id) join errata e on e.id = u.id
      left join pages g on g.site_id = $1 and g.path = e.page_path and g.gone_in is null where not is_file group by e.placement_id
  ), gathered as (
    select e.subject, count(*) as errata from errata e join pages g on g.site_id = e.site_id and g.path = e.page_path and g.gone_in is null
    where e.placement_id in (${WORDED}) and ${asked('e', 'g.section')} and not ${ERRATUM_STANDS} group by e.subject
  ), first as (select * from entries order by worst, weight desc, first_id limit ${MOST})
  select ${KEY} as key, ${NAME} as name, coalesce(min(p.master_sha), min(f.sha256)) as sha256,
    sum(w.errata)::int as errata, (array['must', 'should', 'note'])[1 + min(w.worst)] as worst,
    bool_and(case when w.alone is null then w.errata <= coalesce(d.errata, 0) else x.id in (${WORDED}) end) as "isGathered"
  from first w join errata e on e.id = w.first_id join placements x on x.id = e.placement_id
  left join files f on f.site_id = e.site_id and f.path = x.file_path and f.gone_in is null
  left join pictures p on p.id = f.picture_id left join gathered d on d.subject = w.subject
  group by ${KEY} order by min(w.worst), sum(w.weight) desc, min(w.first_id)`;
