/** Stopping a survey of heavy pages: the time from the press to its end, beside the two seconds that it may take. */
import { mkdtemp, rm } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { setTimeout as pause } from 'node:timers/promises';
import { connect } from '@/server/db/database';
import { migrateDatabase } from '@/server/db/migrate';
import { settings } from '@/server/settings';
import { connectSite } from '@/server/work/sites/connect-site';
import { stopSurvey } from '@/server/work/surveys/start-survey';
import { startWorkerProcess, stopSoftly } from '../fixtures/worker-process';
import { writeFiles } from '../fixtures/write-site';
import { report } from './measure';

const PAGES = 300;
const ACTOR = { id: 'm', name: 'Maud Kestle', role: 'maintainer' } as const;

/** A page on which 4,000 rules meet 3,000 paragraphs: some seconds each. */
const HEAVY = `<title>Heavy</title><style>${Array.from({ length: 4000 }, (_, n) => `p:nth-child(${n}){background:url(img/${n}.png)}`).join('')}</style>${'<p>words'.repeat(3000)}`;

export async function benchStopping(): Promise<void> {
  const root = await mkdtemp(join(tmpdir(), 'ibidem-bench-stop-'));
  const db = connect(settings().databaseUrl);
  await migrateDatabase(db);
  await writeFiles(
    root,
    Object.fromEntries(Array.from({ length: PAGES }, (_, n) => [`page${n}.html`, HEAVY])),
  );
  const from = { kind: 'folder', path: root } as const;
  const slug = await connectSite(db, ACTOR, { name: `Stop ${Date.now()}`, liveUrl: null, hosts: [], from });
  const worker = await startWorkerProcess();
  try {
    const survey = async () => {
      const { rows } = await db.pool.query<{ site_id: number; number: number; state: string; pages_done: number }>(
        'select v.site_id, v.number, v.state, v.pages_done from surveys v join sites s on s.id = v.site_id where s.slug = $1 order by v.number desc limit 1',
        [slug],
      ); // oxfmt-ignore
      return rows[0];
    };
    // In the midst of it: every thread has a page.
    for (let now = await survey(); now?.state !== 'running'; now = await survey()) await pause(50);
    await pause(5000);
    const now = await survey();
    if (!now || now.state !== 'running') throw new Error('the survey was over before it could be stopped');
    const start = performance.now();
    await stopSurvey(db, ACTOR, now.site_id, now.number);
    while ((await survey())?.state === 'running') await pause(20);
    report('stopping a survey of heavy pages ÷ 2 s', { ours: (performance.now() - start) / 1000, bare: 2, unit: 's' }, { atMost: 1 }); // oxfmt-ignore
  } finally {
    await stopSoftly(worker);
    await db.pool.end();
    await rm(root, { recursive: true, force: true });
  }
}
