import 'server-only';
import type { RuleId } from '@/core/errata/rule';
import { database } from '@/server/db/database';
import { ERRATUM_STANDS } from '@/server/work/errata/erratum-stands';
import { DEGREE_ORDER, isDegree, ownedBy, type ErrataFilter } from '../errata/errata';

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
           where e.site_id = $1 and g.picture_id = p.id and g.gone_in is null and ${ON_WORDS} and not ${ERRATUM_STANDS}) as errata,
         null as worst, bool_and(x.id in (${WORDED})) as "isGathered"
       from pictures p join files f on f.picture_id = p.id and f.gone_in is null
       join placements x on x.site_id = p.site_id and x.file_path = f.path and x.until_survey is null and not x.dormant and ${TAKES_WORDS}
       where p.site_id = $1 and p.id = any($2::int[]) group by p.id, ${KEY} order by array_position($2::int[], p.id) limit ${MOST}`,
      [siteId, query.pictures],
    );
    return rows;
  }
  const { rows } = await pool.query<DeskEntry>(
    `select ${KEY} as key, ${NAME} as name, coalesce(min(p.master_sha), min(f.sha256)) as sha256, count(*)::int as errata,
       (array['must', 'should', 'note'])[1 + min(${DEGREE_ORDER})] as worst, bool_and(x.id in (${WORDED})) as "isGathered"
     from errata e join placements x on x.id = e.placement_id
     join pages g on g.site_id = e.site_id and g.path = e.page_path and g.gone_in is null
     left join files f on f.site_id = e.site_id and f.path = x.file_path and f.gone_in is null
     left join pictures p on p.id = f.picture_id
     where e.site_id = $1 and ${ON_WORDS} and not ${ERRATUM_STANDS} and ${TAKES_WORDS}
       and ($2::text is null or e.rule = $2) and ($3::text is null or g.section = $3) and ($4::text is null or e.degree = $4) and ${ownedBy('g.section', '$5')}
     group by ${KEY} order by min(${DEGREE_ORDER}), sum(g.reach) desc, 1 limit ${MOST}`,
    [siteId, query.rule, query.section, isDegree(query.filter) ? query.filter : null, query.owner],
  );
  return rows;
}

/** SQL: whether the erratum `e` is one of words. */
export const ON_WORDS = `(e.rule like 'alt/%' or e.rule like 'caption/%')`;
/** SQL: whether the place `x` has words that can be written. */
export const TAKES_WORDS = `(x.words -> 'alt' <> 'null' or x.words -> 'addAttribute' <> 'null' or x.words -> 'caption' <> 'null')`;
