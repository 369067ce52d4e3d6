/** Pages as rules read them, out of the database, and the degrees that rules have there. */
import type { Day } from '@/core/dating/day';
import type { RuleLevels } from '@/core/errata/check-page';
import { withBearers, type PageToCheck } from '@/core/errata/page-to-check';
import { elementOfSpot } from '@/core/markup/element-path';
import type { Degree, RuleId } from '@/core/errata/rule';
import type { Database } from '../../db/database';
import { picturesShown } from './pictures-shown';
import { placesBefore } from './places-before';
import { placesOfPages, type PlaceRow } from './places-of-pages';

/**
 * SQL, behind a `select` from `pages` of one site: locks them in one order, so that of several who mark pages or check them
 * nobody waits for another in turn.
 */
export const IN_TURN = 'order by path for no key update';

export interface PageRow {
  readonly path: string;
  readonly title: string;
  readonly language: string | null;
  readonly section: string;
}

export interface PageRead {
  readonly section: string;
  readonly page: PageToCheck;
  /** Its places as the database has them, in the order of `page.placements`. */
  readonly rows: readonly PlaceRow[];
}

/** What rules ask beyond the page itself. */
export interface PagesKnown {
  readonly today: Day;
  readonly people: readonly string[];
  readonly titles: ReadonlyMap<string, string>;
}

/** Some pages with their places and what is known of the pictures there. */
export async function pagesToCheck(
  db: Database,
  siteId: number,
  pages: readonly PageRow[],
  { today, people, titles }: PagesKnown,
): Promise<PageRead[]> {
  const byPage = await placesOfPages(
    db,
    siteId,
    pages.map(({ path }) => path),
  );
  const files = [...byPage.values()].flatMap((rows) => rows.flatMap(({ filePath }) => filePath ?? []));
  const pictures = await picturesShown(db, siteId, [...new Set(files)]);
  const earlier = await placesBefore(
    db,
    siteId,
    pages.map(({ path }) => path),
  );
  return pages.map(({ path, title, language, section }) => {
    const rows = byPage.get(path) ?? [];
    // The rows are this call's own: they are completed where they lie, for there are tens of thousands.
    const all = rows.map((row) =>
      Object.assign(row, {
        element: elementOfSpot(row.spot),
        before: earlier.get(row.placementId) ?? null,
      }),
    );
    return {
      section,
      rows,
      page: { path, title, language, placements: withBearers(all), pictures, people, titles, today },
    };
  });
}

/** The titles of a site's pages, by their paths; of all of them, or of those with certain paths. */
export async function titlesOf(
  { pool }: Database,
  siteId: number,
  paths: readonly string[] | null = null,
): Promise<ReadonlyMap<string, string>> {
  const { rows } = await pool.query<{ path: string; title: string }>(
    'select path, title from pages where site_id = $1 and gone_in is null and ($2::text[] is null or path = any($2))',
    [siteId, paths],
  );
  return new Map(rows.map(({ path, title }) => [path, title]));
}

export type SectionLevels = ReadonlyMap<string, RuleLevels>;

/** The degrees that were set, by section; those of the whole site under the empty one. */
export async function levelsOf({ pool }: Database, siteId: number): Promise<SectionLevels> {
  const { rows } = await pool.query<{ section: string; rule: RuleId; level: Degree | 'off' }>(
    'select section, rule, level from rule_levels where site_id = $1',
    [siteId],
  );
  const bySection = new Map<string, Map<RuleId, Degree | 'off'>>();
  for (const { section, rule, level } of rows) {
    const own = bySection.get(section) ?? new Map<RuleId, Degree | 'off'>();
    bySection.set(section, own.set(rule, level));
  }
  return bySection;
}

/** The degrees that hold in a section: its own before those of the site. */
export function levelsIn(section: string, levels: SectionLevels): RuleLevels {
  return new Map([...(levels.get('') ?? []), ...(levels.get(section) ?? [])]);
}

/** Names of all people that pictures of the site are known to show. */
export async function peopleOf({ pool }: Database, siteId: number): Promise<string[]> {
  const { rows } = await pool.query<{ name: string }>(
    `select name from subjects where site_id = $1 and kind = 'person' order by length(name) desc, name`,
    [siteId],
  );
  return rows.map(({ name }) => name);
}
