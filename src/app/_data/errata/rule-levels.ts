import 'server-only';
import type { Degree, RuleId } from '@/core/errata/rule';
import { database } from '@/server/db/database';

export interface RuleLevelRow {
  readonly section: string;
  readonly rule: RuleId;
  readonly level: Degree | 'off';
  readonly reason: string;
  readonly saidBy: string;
}

/**
 * How much rules count on a site otherwise than by themselves, and how often each speaks.
 *
 * @param section where they are counted; empty for the whole site
 */
export async function ruleLevelsOf(siteId: number, section = '') {
  const { pool } = database();
  const { rows: levels } = await pool.query<RuleLevelRow>(
    `select section, rule, level, reason, said_by as "saidBy" from rule_levels where site_id = $1 order by section, rule`,
    [siteId],
  );
  const { rows } = await pool.query<{ rule: RuleId; count: number }>(
    `select e.rule, count(*)::int as count from errata e left join pages p on p.site_id = e.site_id and p.path = e.page_path and p.gone_in is null
     where e.site_id = $1 and ($2 = '' or coalesce(e.section, p.section) = $2) group by e.rule`,
    [siteId, section],
  );
  return { levels, counts: new Map(rows.map(({ rule, count }) => [rule, count])) };
}
