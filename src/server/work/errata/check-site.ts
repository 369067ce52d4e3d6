/** Checks a site for errata: its files, and of its pages those that changed, and those whose pictures are judged otherwise now. */
import { createHash } from 'node:crypto';
import { dayOfMs, type Day } from '@/core/dating/day';
import { ALL_RULES } from '@/core/errata/all-rules';
import { checkPage, type Erratum } from '@/core/errata/check-page';
import type { PageToCheck } from '@/core/errata/page-to-check';
import { rulePage } from '@/core/errata/rule-page';
import type { Database } from '../../db/database';
import { freshStatistics } from '../../db/fresh-statistics';
import { asOne } from '../../db/in-transaction';
import { insertRows } from '../../db/insert-rows';
import { errata } from '../../db/schema/errata';
import { byHands } from '../../jobs/by-hands';
import { UNENDING, type Turn } from '../../jobs/turn';
import { checkFiles } from './check-files';
import {
  IN_TURN,
  levelsIn,
  levelsOf,
  pagesToCheck,
  peopleOf,
  titlesOf,
  type PageRow,
  type PagesKnown,
} from './pages-to-check';
import type { PlaceRow } from './places-of-pages';

const BATCH = 100;
/** SQL: pages of a site that have changed, or been marked, since they were checked. */
const UNCHECKED = 'site_id = $1 and gone_in is null and checked_in is distinct from changed_in';
/** Batches at once: while one is checked here, the database gives or takes the other. */
const HANDS = 2;

/**
 * Checks what is to be checked on a site, and keeps what is found.
 *
 * @param now ms since 1970
 * @returns how many pages were checked
 * @throws TurnOver where the worker is to end; what was checked stays
 */
export async function checkSite(
  db: Database,
  siteId: number,
  now: number,
  turn: Turn = UNENDING,
): Promise<number> {
  const today = dayOfMs(now);
  await markChanged(db, siteId, today);
  await db.pool.query(
    `delete from errata e where e.site_id = $1 and e.placement_id is not null and not exists (
       select 1 from pages p where p.site_id = e.site_id and p.path = e.page_path and p.gone_in is null)`,
    [siteId],
  );
  const { rows: pages } = await db.pool.query<{ path: string }>(
    `select path from pages where ${UNCHECKED} order by path`,
    [siteId],
  );
  const titles = await titlesOf(db, siteId);
  const batches = Array.from({ length: Math.ceil(pages.length / BATCH) }, (_, n) =>
    pages.slice(n * BATCH, (n + 1) * BATCH).map(({ path }) => path),
  );
  await byHands(batches, { hands: HANDS, turn }, (paths) => checkBatch(db, siteId, { paths, today, titles }));
  await checkFiles(db, siteId, { levels: await levelsOf(db, siteId), rulesKey: RULES_KEY });
  await freshStatistics(db.pool, ['errata']);
  return pages.length;
}

/** What all rules say, by which it is seen that a later version of them has other ones. */
const RULES_KEY = createHash('sha256').update(ALL_RULES.map(rulePage).join('\n')).digest('hex');

/**
 * Marks the pages that are to be checked though they did not change: all of them after the rules have, and those that
 * show a file of which something is another now that rules read. Marking and remembering are one statement, so that
 * nothing is passed over where the process ends in between.
 */
async function markChanged({ pool }: Database, siteId: number, today: Day): Promise<void> {
  await pool.query(
    `with other as (update sites set rules_key = $2 where id = $1 and rules_key is distinct from $2 returning id)
     update pages set checked_in = null where id in (
       select id from pages where site_id in (select id from other) ${IN_TURN})`,
    [siteId, RULES_KEY],
  );
  await pool.query(
    `with named as (
       select g.picture_id, string_agg(distinct s.name, ',') as names from picture_subjects ps join subjects s on s.id = ps.subject_id and s.kind = 'person'
       join files g on g.site_id = ps.site_id and g.sha256 = ps.sha256 and g.gone_in is null where ps.site_id = $1 group by g.picture_id
     ), everybody as (
       select string_agg(name, ',' order by name) as names from subjects where site_id = $1 and kind = 'person'
     ), twice as (
       select sha256, (array_agg(path order by length(path), path))[1] as path from files
       where site_id = $1 and gone_in is null and sha256 is not null group by sha256 having count(*) > 1
     ), changed as (
       update files f set facts_key = k.key from (
         select f.id, md5(concat_ws('|', f.sha256, f.problem, f.near_path, f.modified_ms, f.replaced_in, f.replaced_alike, f.is_master, p.id, p.kind, p.taken_from,
           p.taken_until, p.because, p.current_until < $2, p.changed, p.is_placeholder, p.clues, p.leftover_files, p.alt_texts, p.twin, t.text, n.names,
           case when n.names is not null then everybody.names end,
           d.path)) as key
         from files f left join pictures p on p.id = f.picture_id left join readings t on t.sha256 = p.master_sha
         left join named n on n.picture_id = f.picture_id left join twice d on d.sha256 = f.sha256 cross join everybody where f.site_id = $1 and f.gone_in is null) k
       where f.id = k.id and f.facts_key is distinct from k.key returning f.path
     )
     update pages set checked_in = null where id in (
       select id from pages where site_id = $1 and path in (
         select page_path from placements where site_id = $1 and until_survey is null and file_path in (select path from changed)
       ) ${IN_TURN})`,
    [siteId, today],
  );
}

interface Batch extends Omit<PagesKnown, 'people'> {
  readonly paths: readonly string[];
}

async function checkBatch(db: Database, siteId: number, { paths, ...known }: Batch): Promise<void> {
  await asOne(db, async (tx) => {
    // Whoever marks these pages waits until this is done, and they are checked again: what a check has read before a person
    // spoke must not be written over what another one found afterwards.
    const { rows: pages } = await tx.pool.query<PageRow>(
      `select path, title, language, section from pages where ${UNCHECKED} and path = any($2::text[]) ${IN_TURN}`,
      [siteId, paths],
    );
    const levels = await levelsOf(tx, siteId);
    const read = await pagesToCheck(tx, siteId, pages, { ...known, people: await peopleOf(tx, siteId) });
    const rows = read.flatMap(({ page, section }) =>
      checkPage(page, levelsIn(section, levels)).map((erratum) => rowOf(siteId, erratum, page)),
    );
    const those = pages.map(({ path }) => path);
    await tx.pool.query('delete from errata where site_id = $1 and page_path = any($2::text[])', [
      siteId,
      those,
    ]);
    await insertRows(tx.pool, errata, rows, { onConflict: ['site_id', 'page_path', 'key'] });
    await tx.pool.query(
      'update pages set checked_in = changed_in where site_id = $1 and path = any($2::text[])',
      [siteId, those],
    );
  });
}

function rowOf(
  siteId: number,
  { placement, page, rule, degree, level, evidence, branch, fix, emphasis, key }: Erratum,
  { pictures }: PageToCheck,
) {
  const { placementId, takesWords } = placement as unknown as PlaceRow;
  const picture = pictures.get(placement.filePath ?? '')?.pictureId ?? null;
  const subject =
    picture === null ? (placement.filePath ?? placement.url ?? placement.raw) : `picture ${picture}`;
  return {
    siteId,
    pagePath: page,
    placementId,
    takesWords,
    subject,
    rule,
    degree,
    level,
    evidence,
    branch,
    fix,
    emphasis,
    key,
  };
}
