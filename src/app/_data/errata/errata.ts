import 'server-only';
import type { AltBranch } from '@/core/errata/alt-branch';
import type { Degree, EvidenceLevel, Finding, RuleId } from '@/core/errata/rule';
import type { PlacementKind } from '@/core/markup/kinds/kind';
import { database } from '@/server/db/database';
import { haveErrataGroups, MOST_OF_GROUP } from '@/server/work/errata/group-errata';

const ROWS = 40;
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
  /** Views of the pages that they are on, each page counted once, in the measure of a page's reach. */
  readonly reach: number;
  /** The first of its places, this one left out. */
  readonly others: readonly GroupPlace[];
}

/** SQL: 0 for must, 1 for should, 2 for note. */
export const degreeOrder = (of: string) =>
  `case ${of}.degree when 'must' then 0 when 'should' then 1 else 2 end`;
/** SQL: the same of the erratum `e`. */
export const DEGREE_ORDER = degreeOrder('e');
const CONDITION: Readonly<Record<ErrataFilter, string>> = {
  all: `not w.stands`,
  must: `not w.stands and w.degree = 'must'`,
  should: `not w.stands and w.degree = 'should'`,
  note: `not w.stands and w.degree = 'note'`,
  stet: `w.stands`,
};

/**
 * SQL: whether a section of the site `$1` has an owner, or any where the parameter is null; `none` for what nobody owns.
 *
 * @param section SQL that gives its pattern
 */
export const ownedBy = (section: string, parameter: string) =>
  `(${parameter}::text is null or coalesce((select s.owner_id from sections s where s.site_id = $1 and s.pattern = ${section}), 'none') = ${parameter})`;

interface Tally {
  readonly rule: RuleId;
  readonly degree: Degree;
  readonly stands: boolean;
  readonly count: number;
  /** Groups that it is in. */
  readonly groups: number;
}

const DEGREES: readonly Degree[] = ['must', 'should', 'note'];

/** Orders counts by degree, the gravest degree first, the most first. */
function moreOf(some: readonly number[], others: readonly number[]): number {
  const at = some.findIndex((count, n) => count !== others[n]);
  return at < 0 ? 0 : (others[at] ?? 0) - (some[at] ?? 0);
}

/** Whether a filter has what is counted there. */
const fits = ({ stands, degree }: Tally, name: ErrataFilter): boolean =>
  name === 'stet' ? stands : !stands && (name === 'all' || name === degree);

/** How many each filter has, and the rules that found something of the chosen one, the gravest first. */
function summed(tally: readonly Tally[], filter: ErrataFilter) {
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
  await haveErrataGroups(database(), siteId);
  const of = `errata_groups w where w.site_id = $1 and ($2::text is null or w.section = $2) and ${ownedBy('w.section', '$3')}`;
  const asked = `${of} and ${CONDITION[filter]} and ($4::text is null or w.rule = $4)`;
  const [{ rows: tally }, { rows }] = await Promise.all([
    pool.query<Tally>(
      `select rule, degree, stands, sum(places)::int as count, count(*)::int as groups from (
         select w.rule, w.degree, w.stands, w.places from ${of} and not w.is_split
         union all select min(w.rule), min(w.degree), bool_or(w.stands), sum(w.places) from ${of} and w.is_split group by w.whole) w
       group by 1, 2, 3`,
      [siteId, section, owner],
    ),
    // Groups are kept by section: those that several have are put together, with what those of the sheet show.
    pool.query<Omit<ErrataGroup, 'ids'> & { readonly ids: string }>(
      `with sheet as (
         (select ${degreeOrder('w')} as worst, w.weight, w.places, w.pages, w.fixes, w.reach, w.first_id, array[w.id] as parts
           from ${asked} and not w.is_split order by worst, w.weight desc, w.first_id limit $5 + ${ROWS})
         union all
         (select min(${degreeOrder('w')}), sum(w.weight), sum(w.places)::int, sum(w.pages)::int, sum(w.fixes)::int, sum(w.reach), min(w.first_id), array_agg(w.id)
           from ${asked} and w.is_split group by w.whole)
         order by worst, weight desc, first_id limit ${ROWS} offset $5
       ), shown as materialized (
         select w.*, o.ids, (array(select u.id from errata_groups g, unnest(g.ids[1:${OTHERS_SHOWN + 1}]) with ordinality as u(id, n)
           where g.id = any(w.parts) order by g.top_weight desc, g.first_id, u.n limit ${OTHERS_SHOWN + 1})) as first_ids
         from sheet w, lateral (
           select string_agg(array_to_string(g.ids[1:${MOST_OF_GROUP} - g.before], ','), ',' order by g.top_weight desc, g.first_id) as ids from (
             select g.*, sum(cardinality(g.ids)) over (order by g.top_weight desc, g.first_id rows unbounded preceding) - cardinality(g.ids) as before
             from errata_groups g where g.id = any(w.parts)) g
           where g.before < ${MOST_OF_GROUP}) o
       )
       select e.id::int as id, e.rule, e.degree, e.level, e.evidence, e.branch, e.fix, p.id as page_id, e.page_path, p.title, x.line, x.kind, x.id::float8 as placement_id,
         g.id as file_id, g.picture_id, g.path, g.sha256, w.places, w.pages, w.fixes, w.reach, w.ids,
         (select coalesce(jsonb_agg(jsonb_build_object('page_id', q.id, 'page_path', o.page_path, 'line', y.line) order by n), '[]')
           from unnest(w.first_ids[2:]) with ordinality as u(other, n) join errata o on o.id = u.other
           left join pages q on q.site_id = o.site_id and q.path = o.page_path and o.placement_id is not null
           left join placements y on y.id = o.placement_id) as others,
         (select jsonb_build_object('reason', s.reason, 'saidBy', s.said_by, 'until', s.until, 'isOver', coalesce(s.until < current_date, false)) from stets s
           where s.site_id = e.site_id and s.page_path = e.page_path and s.key = e.key) as stet
       from shown w join errata e on e.id = w.first_ids[1]
       left join pages p on p.site_id = e.site_id and p.path = e.page_path and e.placement_id is not null
       left join placements x on x.id = e.placement_id
       left join files g on g.site_id = e.site_id and g.path = case when e.placement_id is null then e.page_path else x.file_path end and g.gone_in is null
       order by w.worst, w.weight desc, w.first_id`,
      [siteId, section, owner, rule, (sheet - 1) * ROWS],
    ),
  ]);
  const { counts, rules } = summed(tally, filter);
  const groups = tally
    .filter((one) => fits(one, filter) && (rule === null || one.rule === rule))
    .reduce((sum, one) => sum + one.groups, 0);
  // As text they come in a tenth of the time that lists of numbers take.
  const listed = rows.map(({ ids, ...row }): ErrataGroup => ({ ...row, ids: ids.split(',').map(Number) }));
  return { rows: listed, counts, rules, groups, sheets: Math.max(1, Math.ceil(groups / ROWS)) };
}
