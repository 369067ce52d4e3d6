/**
 * The worker judges and checks a site while people say something of it: what they said holds. And what they say is there
 * with the job that it needs, or not at all.
 */
import { join } from 'node:path';
import { beforeAll, expect, it } from 'vitest';
import { river, stage } from '@demo/site/scenes';
import { checkSite } from '@/server/work/errata/check-site';
import { judgePictures } from '@/server/work/pictures/judge-pictures';
import { teachPlaceholder } from '@/server/work/pictures/teach-picture';
import { titlePictures } from '@/server/work/pictures/title-pictures';
import { correctFamily } from '@/server/work/pictures/correct-family';
import { setRuleLevel } from '@/server/work/errata/set-rule-level';
import { saveSection } from '@/server/work/sections/keep-sections';
import { queueSurvey } from '@/server/work/surveys/start-survey';
import { surveySite } from '@/server/work/surveys/survey-site';
import { asOne } from '@/server/db/in-transaction';
import type { Database } from '@/server/db/database';
import { connected } from '../fixtures/connected';
import { dyingAt, heldBack } from '../fixtures/held-back';
import { runJobs } from '../fixtures/run-jobs';
import { MAINTAINER, useDatabase } from '../fixtures/test-database';
import { writeFiles } from '../fixtures/write-site';
import { drawnScene } from '../fixtures/drawn-scene';

const held = useDatabase();
let siteId: number;
let id: number;

beforeAll(async () => {
  const site = join(held.folder, 'site');
  await writeFiles(site, {
    'index.html': '<html lang="en"><title>Home</title><p><img src="hall.jpg" alt="Both choirs on the stage"><img src="river.jpg" alt="The river behind the house"></p>',
    'hall.jpg': await drawnScene(stage(11), 600, 400),
    'river.jpg': await drawnScene(river(4), 600, 400),
  }); // oxfmt-ignore
  siteId = await connected(held.db, 'Side by side', site);
  const { rows } = await held.db.pool.query<{ id: number }>(
    "select picture_id as id from files where site_id = $1 and path = 'hall.jpg'",
    [siteId],
  );
  id = (rows[0] as { id: number }).id;
});

/** Long enough for what does not have to wait. */
const MEANWHILE_MS = 1500;
const meanwhile = (said: Promise<unknown>) =>
  Promise.race([said, new Promise((resolve) => setTimeout(resolve, MEANWHILE_MS))]);

const titled = async () => {
  const { rows } = await held.db.pool.query<{ title: string | null }>(
    'select title from pictures where id = $1',
    [id],
  );
  return rows[0]?.title;
};
const rulesFound = async () => {
  const { rows } = await held.db.pool.query<{ rule: string }>('select rule from errata where site_id = $1', [
    siteId,
  ]);
  return rows.map(({ rule }) => rule);
};

it('a title that was taken back does not return with a judgement that had begun before', async () => {
  await titlePictures(held.db, MAINTAINER, siteId, [{ id, title: 'The stage' }]);
  expect(await titled()).toBe('The stage');
  const { db, reached, goOn } = heldBack(held.db, 'p.is_kind_settled');
  const judging = judgePictures(db, siteId, Date.now());
  await reached;
  const said = titlePictures(held.db, MAINTAINER, siteId, [{ id, title: '' }]);
  await meanwhile(said);
  goOn();
  await Promise.all([judging, said]);
  expect(await titled()).toBeNull();
});

it('what a person says of a picture is not undone by a check that had begun before', async () => {
  await held.db.pool.query('update pages set checked_in = null where site_id = $1', [siteId]);
  const { db, reached, goOn } = heldBack(held.db, 'p.is_placeholder and p.leftover_files');
  const checking = checkSite(db, siteId, Date.now());
  await reached;
  const said = teachPlaceholder(held.db, MAINTAINER, siteId, { ids: [id], teaching: 'placeholder' });
  await meanwhile(said);
  goOn();
  await Promise.all([checking, said]);
  expect(await rulesFound()).toContain('fresh/placeholder');
});

const JOB = 'graphile_worker.add_job';
const rowsOf = async (table: 'rule_levels' | 'sections' | 'family_corrections' | 'events') => {
  const { rows } = await held.db.pool.query<{ count: number }>(
    `select count(*)::int as count from ${table} where site_id = $1`,
    [siteId],
  );
  return rows[0]?.count;
};

it.each<['rule_levels' | 'sections' | 'family_corrections', (db: Database) => Promise<unknown>]>([
  [
    'rule_levels',
    (db) =>
      setRuleLevel(db, MAINTAINER, siteId, {
        section: '',
        rule: 'alt/generic',
        level: 'off',
        reason: 'So it is here.',
      }),
  ],
  ['sections', (db) => saveSection(db, MAINTAINER, siteId, { pattern: 'news', name: 'News', ownerId: null })],
  [
    'family_corrections',
    async (db) => {
      const { rows } = await held.db.pool.query<{ sha256: string }>(
        'select sha256 from files where site_id = $1 order by path',
        [siteId],
      );
      const [a, b] = rows.map(({ sha256 }) => sha256) as [string, string];
      return correctFamily(db, MAINTAINER, siteId, { kind: 'together', a, b });
    },
  ],
])('leaves no row in %s where the process dies with its job', async (table, say) => {
  const events = await rowsOf('events');
  await expect(say(dyingAt(held.db, JOB))).rejects.toThrow(/died/);
  expect(await rowsOf(table)).toBe(0);
  expect(await rowsOf('events')).toBe(events);
  await say(held.db);
  expect(await rowsOf(table)).toBe(1);
});

it('a survey that dies at its end is run again, and what it read is looked at', async () => {
  await asOne(held.db, (tx) => queueSurvey(tx, siteId, 'asked'));
  const { rows } = await held.db.pool.query<{ id: number }>(
    "select id from surveys where site_id = $1 and state = 'waiting'",
    [siteId],
  );
  const { id: surveyId } = rows[0] as { id: number };
  const state = async () => {
    const found = await held.db.pool.query<{ state: string }>('select state from surveys where id = $1', [
      surveyId,
    ]);
    return found.rows[0]?.state;
  };
  await expect(surveySite(dyingAt(held.db, JOB), surveyId)).rejects.toThrow(/died/);
  expect(await state()).toBe('running');
  await runJobs(held.db);
  expect(await state()).toBe('done');
});
