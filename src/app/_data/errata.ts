import 'server-only';
import type { AltBranch } from '@/core/errata/alt-branch';
import type { Degree, EvidenceLevel, Finding, RuleId } from '@/core/errata/rule';
import { database } from '@/server/db/database';

const ROWS = 40;

export const ERRATA_FILTERS = ['all', 'must', 'should', 'note', 'stet'] as const;
export type ErrataFilter = (typeof ERRATA_FILTERS)[number];

export interface ErrataQuery {
  readonly filter: ErrataFilter;
  readonly rule: string | null;
  readonly section: string | null;
  /** From 1. */
  readonly sheet: number;
}

export interface ErratumRow {
  readonly id: number;
  readonly rule: RuleId;
  readonly degree: Degree;
  readonly level: EvidenceLevel;
  readonly evidence: string;
  readonly branch: AltBranch | null;
  readonly fix: Finding['fix'] | null;
  readonly page_id: number;
  readonly page_path: string;
  readonly title: string;
  readonly line: number;
  readonly file_id: number | null;
  readonly path: string | null;
  readonly sha256: string | null;
  /** Why it stands, and who said so; `null` where nobody did. */
  readonly stet: { readonly reason: string; readonly saidBy: string; readonly until: string | null } | null;
}

const STANDS = `exists (select 1 from stets s where s.site_id = e.site_id and s.page_path = e.page_path and s.key = e.key
  and (s.until is null or s.until >= current_date))`;
const CONDITION: Readonly<Record<ErrataFilter, string>> = {
  all: 'not stands',
  must: `not stands and degree = 'must'`,
  should: `not stands and degree = 'should'`,
  note: `not stands and degree = 'note'`,
  stet: 'stands',
};

/** What is wrong on a site: by rule and degree, the pages that most readers meet first. */
export async function listErrata(siteId: number, { filter, rule, section, sheet }: ErrataQuery) {
  const { pool } = database();
  const found = `select e.*, p.id as page_id, p.title, p.reach, p.section, ${STANDS} as stands
    from errata e join pages p on p.site_id = e.site_id and p.path = e.page_path and p.gone_in is null
    where e.site_id = $1 and ($2::text is null or p.section = $2)`;
  const { rows: counts } = await pool.query<Record<ErrataFilter, number>>(
    `select ${ERRATA_FILTERS.map((name) => `count(*) filter (where ${CONDITION[name]})::int as "${name}"`).join(', ')} from (${found}) f`,
    [siteId, section],
  );
  const { rows: rules } = await pool.query<{ rule: RuleId; count: number; worst: number }>(
    `select rule, count(*)::int as count, min(case degree when 'must' then 0 when 'should' then 1 else 2 end) as worst
     from (${found}) f where ${CONDITION[filter]} group by rule order by 3, 2 desc, 1`,
    [siteId, section],
  );
  const { rows } = await pool.query<ErratumRow>(
    `select f.id::int as id, f.rule, f.degree, f.level, f.evidence, f.branch, f.fix, f.page_id, f.page_path, f.title, x.line,
       g.id as file_id, g.path, g.sha256,
       (select jsonb_build_object('reason', s.reason, 'saidBy', s.said_by, 'until', s.until) from stets s
         where s.site_id = f.site_id and s.page_path = f.page_path and s.key = f.key) as stet
     from (${found}) f join placements x on x.id = f.placement_id
     left join files g on g.site_id = f.site_id and g.path = x.file_path and g.gone_in is null
     where ${CONDITION[filter]} and ($3::text is null or f.rule = $3)
     order by case f.degree when 'must' then 0 when 'should' then 1 else 2 end, f.reach desc, f.page_path, x.ordinal, f.rule
     limit ${ROWS} offset $4`,
    [siteId, section, rule, (sheet - 1) * ROWS],
  );
  const total = rule ? (rules.find((one) => one.rule === rule)?.count ?? 0) : (counts[0]?.[filter] ?? 0);
  return { rows, counts: counts[0], rules, sheets: Math.max(1, Math.ceil(total / ROWS)) };
}
