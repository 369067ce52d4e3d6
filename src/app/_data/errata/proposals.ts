import 'server-only';
import { takesWords, type WordField } from '@/core/edit/word-edits';
import type { Finding, RuleId } from '@/core/errata/rule';
import type { WordAnchors } from '@/core/markup/placement';
import type { Draft, DraftSource } from '@/core/wording/drafts';
import { database } from '@/server/db/database';
import type { sites } from '@/server/db/schema/sites';
import { haveErrataGroups } from '@/server/work/errata/group-errata';
import { draftsOfPlaces, type DraftedPlace } from '../words/drafts-of-places';
import { asked, onWords, SHOWN, WORDED } from '../words/text-desk-queue';
import { degreeOrder, isDegree, type ErrataQuery } from './errata';

/** Places that are looked at: more than anybody reads through at once. */
const MOST = 600;
/** Of these so many at most are of one group, so that one picture that stands everywhere does not hide all others. */
const MOST_OF_ONE = 150;

/** A text that would put an erratum right at some places that are alike. */
export interface Proposal {
  readonly ids: readonly number[];
  readonly rule: RuleId;
  readonly field: WordField;
  readonly before: string | null;
  readonly after: string;
  /** The rule itself, or where the draft comes from. */
  readonly from: 'rule' | DraftSource;
  readonly page: { readonly id: number; readonly path: string };
  readonly pages: number;
  readonly fileId: number | null;
  readonly sha256: string | null;
  readonly name: string;
}

interface Row extends DraftedPlace {
  readonly rule: RuleId;
  readonly degree: string;
  readonly fix: Finding['fix'] | null;
  readonly words: WordAnchors;
  readonly page_id: number;
  readonly file_id: number | null;
  readonly sha256: string | null;
  readonly name: string;
}

/** Sources that say what is to be seen, or where it leads; a heading or a title only begins a text. */
const STRONG = new Set<DraftSource>(['link target', 'elsewhere', 'file', 'in the picture']);

/** What can be put right at once: by the rule’s own text, else by what other places or the file say. */
export async function listProposals(
  site: typeof sites.$inferSelect,
  { filter, rule, section, owner }: Omit<ErrataQuery, 'sheet'>,
): Promise<Proposal[]> {
  await haveErrataGroups(database(), site.id);
  const { rows } = await database().pool.query<Row & { id: string }>(PLACES, [
    ...[site.id, rule, section, isDegree(filter) ? filter : null, owner],
  ]);
  const places = rows.map((row) => ({ ...row, id: Number(row.id) }));
  const drafts = await draftsOfPlaces(site, places);
  const found = new Map<string, Omit<Proposal, 'pages'> & { readonly ids: number[] }>();
  const taken = new Set<string>();
  for (const row of places) {
    const text = proposed(row, drafts.get(row.id) ?? []);
    if (!text || taken.has(`${row.id} ${text.field}`)) continue;
    taken.add(`${row.id} ${text.field}`);
    const before = text.field === 'block' ? null : row[text.field];
    const likeness = JSON.stringify([row.rule, row.filePath, before, text]);
    const known = found.get(likeness);
    if (known) known.ids.push(row.id);
    else
      found.set(likeness, {
        ...{ ids: [row.id], rule: row.rule, before, ...text },
        page: { id: row.page_id, path: row.page },
        ...{ fileId: row.file_id, sha256: row.sha256, name: row.name },
      });
  }
  return [...found.values()].map((one) => ({ ...one, pages: one.ids.length }));
}

const RULES = `(${onWords('w')} or w.rule = 'rights/credit-missing')`;

/**
 * SQL: the places to look at, by groups as the list of errata has them, until there are enough. As many more are looked at
 * as have words in the draft: they are left out.
 */
const PLACES = `
  with worded as (
    select w.place from (${WORDED}) w(place)
  ), wanted as (
    select count(*) as left_out from errata e where e.placement_id in (select place from worded)
  ), groups as (
    select min(${degreeOrder('w')}) as worst, sum(w.weight) as weight, sum(w.places) as places, min(w.first_id) as first_id, array_agg(w.id) as parts
    from errata_groups w where not w.stands and ${asked('w', 'w.section', RULES)} group by w.whole
  ), counted as (
    select *, row_number() over o as place, sum(least(places, ${MOST_OF_ONE})) over o - least(places, ${MOST_OF_ONE}) as before
    from groups window o as (order by worst, weight desc, first_id rows unbounded preceding)
  ), looked_at as (
    select g.place, u.id from counted g, wanted, lateral (
      select i.id from errata_groups w, unnest(w.ids) with ordinality as i(id, n) where w.id = any(g.parts)
      order by w.top_weight desc, w.first_id, i.n limit ${MOST_OF_ONE} + wanted.left_out) u
    where g.before < ${MOST} + wanted.left_out
  )
  select x.id, x.page_path as page, g.language, x.file_path as "filePath", x.raw, x.alt, x.caption, x.link, x.context -> 'headings' as headings, coalesce(x.context -> 'stored', '[]') as stored,
    e.rule, e.degree, e.fix, x.words, g.id as page_id, f.id as file_id, f.sha256, regexp_replace(${SHOWN}, '^.*/', '') as name
  from looked_at l join errata e on e.id = l.id join placements x on x.id = e.placement_id
  join pages g on g.site_id = e.site_id and g.path = e.page_path and g.gone_in is null
  left join files f on f.site_id = e.site_id and f.path = x.file_path and f.gone_in is null
  where x.id not in (select place from worded)
  order by l.place, g.reach desc, g.path, x.ordinal limit ${MOST}`;

function proposed(
  { rule, degree, fix, words, caption }: Row,
  drafts: readonly Draft[],
): Pick<Proposal, 'field' | 'after' | 'from'> | null {
  const takes = takesWords(words);
  // Where there is no caption to be changed, a credit stands below the picture as a text of its own.
  const isBelow = rule === 'rights/credit-missing' && !takes.caption && takes.block && !caption;
  if (fix && isBelow) return { field: 'block', after: fix.text, from: 'rule' };
  if (fix && takes[fix.field]) return { field: fix.field, after: fix.text, from: 'rule' };
  if (!rule.startsWith('alt/') || degree === 'note' || !takes.alt) return null;
  // What a button does no other place of its picture says.
  if (rule === 'alt/empty-button') return null;
  const draft = drafts.find(({ from }) => STRONG.has(from));
  return draft ? { field: 'alt', after: draft.text, from: draft.from } : null;
}
