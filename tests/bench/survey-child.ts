/** Surveys a site into the database in a process of its own, and prints what that took: ms, peak memory, the lists. */
import { fileCounts, heavyPages, missingFiles, sameFiles, unusedFiles } from '@/app/_data/pages/files';
import { listPages, PAGE_FILTERS, PAGE_ORDERS } from '@/app/_data/pages/pages';
import { listPictures, PICTURE_FILTERS, PICTURE_ORDERS } from '@/app/_data/pictures/pictures';
import { ERRATA_FILTERS, listErrata } from '@/app/_data/errata/errata';
import { listProposals } from '@/app/_data/errata/proposals';
import { deskItem } from '@/app/_data/words/text-desk-item';
import { deskQueue } from '@/app/_data/words/text-desk-queue';
import { findPages } from '@/app/_data/find/found-pages';
import { findPictures } from '@/app/_data/find/found-pictures';
import { siteFrame } from '@/app/_data/frame';
import { differenceOf } from '@/app/_data/surveys/surveys';
import { connect } from '@/server/db/database';
import { migrateDatabase } from '@/server/db/migrate';
import { sites } from '@/server/db/schema/sites';
import { settings } from '@/server/settings';
import { connectSite, type NewSite } from '@/server/work/sites/connect-site';
import { haveErrataGroups } from '@/server/work/errata/group-errata';
import { checkSite } from '@/server/work/errata/check-site';
import { surveySite } from '@/server/work/surveys/survey-site';

const DESK = ['all', 'must', 'should', 'note'] as const;
const OF_ALL = { rule: null, section: null, owner: null, pictures: [] };

const db = connect(settings().databaseUrl);
await db.pool.query(
  'drop schema if exists public cascade; create schema public; drop schema if exists drizzle cascade; drop schema if exists graphile_worker cascade',
);
await migrateDatabase(db);
const actor = { id: 'bench', name: 'Bench', role: 'maintainer' } as const;
const from = JSON.parse(process.argv[2] ?? '{}') as NewSite['from'];
await connectSite(db, actor, { name: 'Large', liveUrl: null, hosts: [], from });
const first = performance.now();
await surveySite(db, 1);
const firstMs = performance.now() - first;
await db.pool.query("insert into surveys (site_id, number, reason) values (1, 2, 'bench')");
const second = performance.now();
await surveySite(db, 2);
const secondMs = performance.now() - second;
const { rows } = await db.pool.query<{ state: string }>('select state from surveys order by number');
if (rows.some(({ state }) => state !== 'done')) throw new Error(JSON.stringify(rows));
const peakBytes = process.resourceUsage().maxRSS * 1024;
const checked = await timeChecks();
process.stdout.write(
  `${JSON.stringify({ firstMs, secondMs, peakBytes, ...checked, lists: await timeLists() })}\n`,
);
await db.pool.end();

/** Checking all pages for errata, again after one in a hundred has changed, and grouping what was found, in ms. */
async function timeChecks() {
  const now = Date.now();
  const start = performance.now();
  await checkSite(db, 1, now);
  const checkMs = performance.now() - start;
  await db.pool.query('update pages set checked_in = null where id % 100 = 0');
  const again = performance.now();
  await checkSite(db, 1, now);
  const recheckMs = performance.now() - again;
  const { rows: counted } = await db.pool.query<{ n: number }>('select count(*)::int as n from placements');
  const grouping = performance.now();
  await haveErrataGroups(db, 1);
  return { checkMs, recheckMs, groupMs: performance.now() - grouping, places: counted[0]?.n ?? 0 };
}

/** The 95th percentile of each list, asked in many ways, in ms. */
async function timeLists(): Promise<Record<string, number>> {
  // As the server does by itself within a minute of so many changes.
  await db.pool.query('vacuum analyze');
  const [site] = await db.orm.select().from(sites);
  if (!site) throw new Error('the site is gone');
  const entries = await deskQueue(1, { ...OF_ALL, filter: 'all' });
  const queries = ['', 'lessons', 'ferndrake choir', 'n12'];
  const asked = queries.flatMap((query) => [1, 5].map((sheet) => ({ query, sheet, section: null })));
  const lists: Record<string, (() => Promise<unknown>)[]> = {
    pages: asked.flatMap((some) =>
      PAGE_FILTERS.flatMap((filter) =>
        PAGE_ORDERS.map((order) => () => listPages(1, { ...some, filter, order })),
      ),
    ),
    pictures: asked.flatMap((some) =>
      PICTURE_FILTERS.flatMap((filter) =>
        PICTURE_ORDERS.map((order) => () => listPictures(1, { ...some, filter, order })),
      ),
    ),
    files: [1, 20].flatMap((sheet) => [
      () => fileCounts(1),
      () => missingFiles(1, sheet),
      () => unusedFiles(1, sheet),
      () => sameFiles(1, sheet),
      () => heavyPages(1, sheet),
    ]),
    errata: ERRATA_FILTERS.flatMap((filter) =>
      ([null, 'alt/same-words', 'alt/other-words-elsewhere'] as const).flatMap((rule) =>
        [1, 9].map(
          (sheet) => () => listErrata(1, { ...{ filter, rule, sheet }, section: null, owner: null }),
        ),
      ),
    ),
    'pictures on the text desk': DESK.map((filter) => () => deskQueue(1, { ...OF_ALL, filter })),
    'one picture on the text desk': entries.slice(0, 40).map(
      ({ key }) =>
        () =>
          deskItem(site, key),
    ),
    'pages with some words': [...queries.slice(1), 'n', 'concert'].map((query) => () => findPages(1, query)),
    'pictures with some words': [...queries.slice(1), 'p', 'concert'].map(
      (query) => () => findPictures(1, query),
    ),
    'proposed texts': DESK.map((filter) => () => listProposals(site, { ...OF_ALL, filter })),
    // The first reading has nothing before it, and no screen asks what it found new.
    'what a survey found': [2, 2, 2].map((number) => () => differenceOf(1, number)),
    'the frame of every screen': Array.from({ length: 10 }, () => () => siteFrame(1)),
  };
  const found: Record<string, number> = {};
  for (const [name, calls] of Object.entries(lists)) {
    const times: number[] = [];
    for (const call of calls) {
      const start = performance.now();
      await call();
      times.push(performance.now() - start);
    }
    times.sort((a, b) => a - b);
    found[name] = times[Math.min(times.length - 1, Math.floor(times.length * 0.95))] ?? 0;
  }
  return found;
}
