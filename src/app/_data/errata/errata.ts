import 'server-only';
import type { AltBranch } from '@/core/errata/alt-branch';
import type { Degree, EvidenceLevel, Finding, RuleId } from '@/core/errata/rule';
import type { PlacementKind } from '@/core/markup/kinds/kind';
import { database } from '@/server/db/database';
import { ERRATUM_STANDS } from '@/server/work/errata/erratum-stands';

const ROWS = 40;
/** As many as are let stand, or chosen, at once. */
const MOST_OF_GROUP = 2000;
const OTHERS_SHOWN = 30;

export const ERRATA_FILTERS = ['all', 'must', 'should', 'note', 'stet'] as const;
export type ErrataFilter = (typeof ERRATA_FILTERS)[number];

/** Whether a filter is one by degree. */
export const isDegree = (filter: ErrataFilter): filter is Degree => filter !== 'all' && filter !== 'stet';

export interface ErrataQuery {
  readonly filter: ErrataFilter;
  readonly rule: RuleId | null;
  readonly section: string | null;
  /** Number of the person who answers for the section, or `none`. */
  readonly owner: string | null;
  /** From 1. */
  readonly sheet: number;
}

export interface StetRow {
  readonly reason: string;
  readonly saidBy: string;
  /** The last day on which it stands: an ISO day. */
  readonly until: string | null;
  /** That day has passed: it is to be looked at again. */
  readonly isOver: boolean;
}

export interface ErratumRow {
  readonly id: number;
  readonly rule: RuleId;
  readonly degree: Degree;
  readonly level: EvidenceLevel;
  readonly evidence: string;
  readonly branch: AltBranch | null;
  readonly fix: Finding['fix'] | null;
  /** `null` for what is wrong with a file as such, and so are title, line, kind and place. */
  readonly page_id: number | null;
  /** Of the page, or of the file. */
  readonly page_path: string;
  readonly title: string | null;
  readonly line: number | null;
  readonly kind: PlacementKind | null;
  readonly placement_id: number | null;
  readonly file_id: number | null;
  readonly picture_id: number | null;
  readonly path: string | null;
  readonly sha256: string | null;
  /** Why it stands, or stood, and who said so; `null` where nobody did. */
  readonly stet: StetRow | null;
}

/** Where one erratum of a group stands. */
interface GroupPlace {
  readonly page_id: number | null;
  readonly page_path: string;
  readonly line: number | null;
}

/**
 * What one act settles: the errata of a rule that one picture has, wherever it stands. The columns of an erratum are those
 * of the one that most readers meet.
 */
export interface ErrataGroup extends ErratumRow {
  /** Numbers of all of them, the first `MOST_OF_GROUP`. */
  readonly ids: readonly number[];
  readonly places: number;
  readonly pages: number;
  /** How many of them have a text that can be put in place at once. */
  readonly fixes: number;
  /** Views of the pages that `ids` are on, each page counted once, in the measure of a page's reach. */
  readonly reach: number;
  /** The first of its places, this one left out. */
  readonly others: readonly GroupPlace[];
}

/** SQL: 0 for must, 1 for should, 2 for note. */
export const DEGREE_ORDER = `case e.degree when 'must' then 0 when 'should' then 1 else 2 end`;
const CONDITION: Readonly<Record<ErrataFilter, string>> = {
  all: `not ${ERRATUM_STANDS}`,
  must: `not ${ERRATUM_STANDS} and e.degree = 'must'`,
  should: `not ${ERRATUM_STANDS} and e.degree = 'should'`,
  note: `not ${ERRATUM_STANDS} and e.degree = 'note'`,
  stet: ERRATUM_STANDS,
};

/**
 * SQL: whether a section of the site `$1` has an owner, or any where the parameter is null; `none` for what nobody owns.
 *
 * @param section SQL that gives its pattern
 */
export const ownedBy = (section: string, parameter: string) =>
  `(${parameter}::text is null or coalesce((select s.owner_id from sections s where s.site_id = $1 and s.pattern = ${section}), 'none') = ${parameter})`;

/** SQL: where it belongs: the section of its page, or the one in which its file lies. */
const SECTION = 'coalesce(e.section, p.section)';

interface Tally {
  readonly rule: RuleId;
  readonly degree: Degree;
  readonly stands: boolean;
  readonly count: number;
}

const DEGREES: readonly Degree[] = ['must', 'should', 'note'];

/** Orders counts by degree, the gravest degree first, the most first. */
function moreOf(some: readonly number[], others: readonly number[]): number {
  const at = some.findIndex((count, n) => count !== others[n]);
  return at < 0 ? 0 : (others[at] ?? 0) - (some[at] ?? 0);
}

/** How many each filter has, and the rules that found something of the chosen one, the gravest first. */
function summed(tally: readonly Tally[], filter: ErrataFilter) {
  const fits = ({ stands, degree }: Tally, name: ErrataFilter) =>
    name === 'stet' ? stands : !stands && (name === 'all' || name === degree);
  const counts = Object.fromEntries(
    ERRATA_FILTERS.map((name) => [
      name,
      tally.filter((one) => fits(one, name)).reduce((sum, { count }) => sum + count, 0),
    ]),
  ) as Record<ErrataFilter, number>;
  const rules = new Map<
    RuleId,
    { readonly rule: RuleId; readonly count: number; readonly by: readonly number[] }
  >();
  for (const { rule, degree, count } of tally.filter((one) => fits(one, filter))) {
    const { count: before, by } = rules.get(rule) ?? { count: 0, by: DEGREES.map(() => 0) };
    rules.set(rule, {
      rule,
      count: before + count,
      by: by.with(DEGREES.indexOf(degree), (by[DEGREES.indexOf(degree)] ?? 0) + count),
    });
  }
  // By how many are grave: one grave one among five hundred notes makes no rule the first.
  const order = [...rules.values()].sort((a, b) => moreOf(a.by, b.by) || (a.rule < b.rule ? -1 : 1));
  return { counts, rules: order };
}

/** What is wrong on a site, in groups of what one act settles: the gravest first, and of those what most readers meet. */
export async function listErrata(siteId: number, { filter, rule, section, owner, sheet }: ErrataQuery) {
  const { pool } = database();
  const of = `errata e left join pages p on p.site_id = $1 and p.path = e.page_path and p.gone_in is null
    where e.site_id = $1 and (p.id is not null or e.placement_id is null)
      and ($2::text is null or ${SECTION} = $2) and ${ownedBy(SECTION, '$3')}`;
  // What stands has a reason of its own each.
  const subject = filter === 'stet' ? 'e.id::text' : `coalesce(nullif(e.subject, ''), e.id::text)`;
  // Both go through all errata of the site: side by side they take the time of one. The sheet is grouped by few columns;
  // what it shows is told of its own rows only.
  const [{ rows: tally }, { rows }] = await Promise.all([
    pool.query<Tally>(
      `select e.rule, e.degree, ${ERRATUM_STANDS} as stands, count(*)::int as count from ${of} group by 1, 2, 3`,
      [siteId, section, owner],
    ),
    pool.query<ErrataGroup & { readonly groups: number }>(
      `with one as (
         select e.id, e.rule, ${subject} as subject, e.page_path, ${DEGREE_ORDER} as worst, coalesce(p.reach, 0) * e.emphasis as weight, e.fix is not null as has_fix
         from ${of} and ${CONDITION[filter]} and ($4::text is null or e.rule = $4)
       ), grouped as (
         select worst, sum(weight) as weight, count(*)::int as places, count(distinct page_path)::int as pages, count(*) filter (where has_fix)::int as fixes,
           (array_agg(id order by weight desc, id))[1:${MOST_OF_GROUP}] as ids, count(*) over ()::int as groups
         from one group by rule, subject, worst order by worst, sum(weight) desc, min(id) limit ${ROWS} offset $5
       )
       select e.id::int as id, e.rule, e.degree, e.level, e.evidence, e.branch, e.fix, p.id as page_id, e.page_path, p.title, x.line, x.kind, x.id::float8 as placement_id,
         g.id as file_id, g.picture_id, g.path, g.sha256, w.places, w.pages, w.fixes, w.groups,
         (select coalesce(sum(q.reach), 0) from pages q where q.site_id = $1 and q.gone_in is null and q.path in
           (select o.page_path from errata o where o.id = any(w.ids) and o.placement_id is not null)) as reach, to_jsonb(w.ids) as ids,
         (select coalesce(jsonb_agg(jsonb_build_object('page_id', q.id, 'page_path', o.page_path, 'line', y.line) order by n), '[]')
           from unnest(w.ids[2:${OTHERS_SHOWN + 1}]) with ordinality as u(other, n) join errata o on o.id = u.other
           left join pages q on q.site_id = o.site_id and q.path = o.page_path and o.placement_id is not null
           left join placements y on y.id = o.placement_id) as others,
         (select jsonb_build_object('reason', s.reason, 'saidBy', s.said_by, 'until', s.until, 'isOver', coalesce(s.until < current_date, false)) from stets s
           where s.site_id = e.site_id and s.page_path = e.page_path and s.key = e.key) as stet
       from grouped w join errata e on e.id = w.ids[1]
       left join pages p on p.site_id = e.site_id and p.path = e.page_path and e.placement_id is not null
       left join placements x on x.id = e.placement_id
       left join files g on g.site_id = e.site_id and g.path = case when e.placement_id is null then e.page_path else x.file_path end and g.gone_in is null
       order by w.worst, w.weight desc, e.id`,
      [siteId, section, owner, rule, (sheet - 1) * ROWS],
    ),
  ]);
  const { counts, rules } = summed(tally, filter);
  const groups = rows[0]?.groups ?? 0;
  return { rows, counts, rules, groups, sheets: Math.max(1, Math.ceil(groups / ROWS)) };
}
