import 'server-only';
import type { Degree, RuleId } from '@/core/errata/rule';
import { database } from '@/server/db/database';
import { ERRATUM_STANDS } from '@/server/work/errata/erratum-stands';
import { DEGREE_ORDER } from './errata';

export interface PictureErratum {
  readonly rule: RuleId;
  readonly degree: Degree;
  /** Places at which the rule speaks. */
  readonly count: number;
  /** What it says at one of them. */
  readonly evidence: string;
}

const MOST_RULES = 12;

/**
 * What is wrong with a file as such, and where any file of its picture stands: rule by rule, the gravest first. What a
 * person lets stand is left out.
 *
 * @param paths of all files of the picture
 */
export async function errataOfPicture(
  siteId: number,
  own: string,
  paths: readonly string[],
): Promise<PictureErratum[]> {
  const { rows } = await database().pool.query<PictureErratum>(
    `select e.rule, e.degree, count(*)::int as count, min(e.evidence) as evidence
     from errata e left join placements x on x.id = e.placement_id
     where e.site_id = $1 and case when e.placement_id is null then e.page_path = $2 else x.file_path = any($3::text[]) end
       and not ${ERRATUM_STANDS}
     group by e.rule, e.degree order by ${DEGREE_ORDER}, count(*) desc, e.rule limit ${MOST_RULES}`,
    [siteId, own, paths],
  );
  return rows;
}
