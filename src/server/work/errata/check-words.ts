/** What the rules say of words before they are gathered: on the pages as they are, with the words in place. */
import { dayOfMs } from '@/core/dating/day';
import type { PlaceWords } from '@/core/edit/word-edits';
import { checkPage } from '@/core/errata/check-page';
import { linkedPaths } from '@/core/errata/words/link-target';
import { isOnWords, type Degree, type RuleId } from '@/core/errata/rule';
import { withWords } from '@/core/wording/with-words';
import type { Database } from '../../db/database';
import { levelsIn, levelsOf, pagesToCheck, peopleOf, titlesOf, type PageRow } from './pages-to-check';

/** Words for one place. */
export interface WordsOfPlace extends PlaceWords {
  readonly placementId: number;
}

/** Something that a rule on words finds at a place. */
export interface WordsFinding {
  readonly placementId: number;
  readonly rule: RuleId;
  readonly degree: Degree;
  readonly evidence: string;
  /** Whether a person lets it stand. */
  readonly stands: boolean;
}

/**
 * Checks places with other words.
 *
 * @param places `null` for words that stay as they are on the site
 * @param now ms since 1970
 */
export async function checkWords(
  db: Database,
  siteId: number,
  places: readonly WordsOfPlace[],
  now: number,
): Promise<WordsFinding[]> {
  const wanted = new Map<number, PlaceWords>(places.map((one) => [one.placementId, one]));
  const { rows: pages } = await db.pool.query<PageRow>(
    `select path, title, language, section from pages where site_id = $1 and gone_in is null and path in (
       select page_path from placements where site_id = $1 and id = any($2::bigint[]) and until_survey is null) order by path`,
    [siteId, [...wanted.keys()]],
  );
  const levels = await levelsOf(db, siteId);
  const stets = await stetsOn(
    db,
    siteId,
    pages.map(({ path }) => path),
  );
  const found: WordsFinding[] = [];
  const known = {
    today: dayOfMs(now),
    people: await peopleOf(db, siteId),
    titles: new Map<string, string>(),
  };
  const read = await pagesToCheck(db, siteId, pages, known);
  // Of a large site few titles are asked for here: those of the pages that links around places lead to.
  const linked = read.flatMap(({ page }) => linkedPaths(page.placements, page.path));
  const titles = await titlesOf(db, siteId, [...new Set(linked)]);
  for (const { page, rows, section } of read) {
    const words = new Map<number, PlaceWords>();
    rows.forEach(({ placementId }, at) => {
      const own = wanted.get(placementId);
      if (own) words.set(at, own);
    });
    const worded = withWords({ ...page, titles }, words);
    const idOf = new Map(worded.placements.map((place, at) => [place, rows[at]?.placementId ?? 0]));
    for (const { rule, degree, evidence, placement, key } of checkPage(worded, levelsIn(section, levels))) {
      const placementId = idOf.get(placement) ?? 0;
      if (!wanted.has(placementId) || !isOnWords(rule)) continue;
      found.push({ placementId, rule, degree, evidence, stands: stets.has(`${page.path} ${key}`) });
    }
  }
  return found;
}

async function stetsOn({ pool }: Database, siteId: number, paths: readonly string[]): Promise<Set<string>> {
  const { rows } = await pool.query<{ key: string }>(
    `select page_path || ' ' || key as key from stets where site_id = $1 and page_path = any($2::text[])
       and (until is null or until >= current_date)`,
    [siteId, paths],
  );
  return new Set(rows.map(({ key }) => key));
}
