/** Surveys a folder into the database in a process of its own, and prints what that took: ms and peak memory. */
import { connect } from '@/server/db/database';
import { migrateDatabase } from '@/server/db/migrate';
import { settings } from '@/server/settings';
import { connectSite } from '@/server/work/connect-site';
import { surveySite } from '@/server/work/survey-site';

const db = connect(settings().databaseUrl);
await migrateDatabase(db);
const actor = { id: 'bench', name: 'Bench', role: 'maintainer' } as const;
await connectSite(db, actor, {
  name: 'Large',
  liveUrl: null,
  hosts: [],
  from: { kind: 'folder', path: process.argv[2] ?? '' },
});
const first = performance.now();
await surveySite(db, 1);
const firstMs = performance.now() - first;
await db.pool.query("update surveys set state = 'waiting'");
const second = performance.now();
await surveySite(db, 1);
const secondMs = performance.now() - second;
const { rows } = await db.pool.query<{ count: number }>(
  'select count(*)::int as count from placements where until_survey is null',
);
const peakBytes = process.resourceUsage().maxRSS * 1024;
process.stdout.write(`${JSON.stringify({ firstMs, secondMs, peakBytes, placements: rows[0]?.count })}\n`);
await db.pool.end();
