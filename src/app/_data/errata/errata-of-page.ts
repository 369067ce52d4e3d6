import 'server-only';
import type { Degree, RuleId } from '@/core/errata/rule';
import { database } from '@/server/db/database';
import { ERRATUM_STANDS } from '@/server/work/errata/erratum-stands';
import { DEGREE_ORDER } from './errata';

/** An erratum of one place of a page. */
export interface PlaceErratum {
  /** Order of the place on its page as it was last read, from 1, and what is written there. */
  readonly ordinal: number;
  readonly raw: string;
  /** Number of the place. */
  readonly placement_id: number;
  readonly rule: RuleId;
  readonly degree: Degree;
  readonly evidence: string;
}

/** What is wrong on a page, place by place, the gravest first; what a person lets stand is left out. */
export async function errataOfPage(siteId: number, path: string): Promise<readonly PlaceErratum[]> {
  const { rows } = await database().pool.query<PlaceErratum>(
    `select x.ordinal, x.raw, x.id::float8 as placement_id, e.rule, e.degree, e.evidence
     from errata e join placements x on x.id = e.placement_id and x.until_survey is null
     where e.site_id = $1 and e.page_path = $2 and not ${ERRATUM_STANDS}
     order by x.ordinal, ${DEGREE_ORDER}, e.rule`,
    [siteId, path],
  );
  return rows;
}
