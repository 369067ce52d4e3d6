/** What the running head tells of the work at a site, and by what a screen knows that it is out of date. */
import { join } from 'node:path';
import { beforeAll, expect, it } from 'vitest';
import { workMark, workStatus } from '@/app/_data/work-status';
import { addJob } from '@/server/jobs/queue';
import { gatherSwap } from '@/server/work/editions/gather-swap';
import { publishEdition, withdrawEdition } from '@/server/work/editions/publish-edition';
import { receiveIntake } from '@/server/work/intake/receive-intake';
import { startSurvey } from '@/server/work/surveys/start-survey';
import { connected } from '../fixtures/connected';
import { runJobs } from '../fixtures/run-jobs';
import { MAINTAINER, useDatabase } from '../fixtures/test-database';
import { flatPicture, writeFiles } from '../fixtures/write-site';

const held = useDatabase();
let siteId: number;
let slug: string;

beforeAll(async () => {
  for (const [name, picture] of [['Status', 'old'], ['Beside it', 'other']] as const) {
    const root = join(held.folder, picture);
    await writeFiles(root, {
      'index.html': `<title>T</title><p><img src="${picture}.png" alt="A picture">`,
      [`${picture}.png`]: await flatPicture(60, 40, 'png'),
    });
    siteId = await connected(held.db, name, root);
  } // oxfmt-ignore
  const { rows } = await held.db.pool.query<{ slug: string }>('select slug from sites where id = $1', [
    siteId,
  ]);
  slug = rows[0]?.slug ?? '';
});

/** The mark and what is worked on after a deed, and after the jobs that it asks for. */
async function after(deed: () => Promise<unknown>) {
  await deed();
  const [made, begun] = [await workMark(slug), await workStatus(slug)];
  // The mark that a screen is made with is the one that its running head compares it with.
  expect(begun.mark).toBe(made);
  await runJobs(held.db);
  const ended = await workStatus(slug);
  expect(ended.work).toBeNull();
  return { mark: begun.mark, label: begun.work?.label ?? null, ended: ended.mark };
}

it('is another after everything that is begun or ended at the site, and the same while nothing is', async () => {
  const { db } = held;
  const bytes = await flatPicture(60, 40, 'png');
  const edition = () =>
    db.pool
      .query<{ id: number }>('select max(id) as id from editions where site_id = $1', [siteId])
      .then(({ rows }) => rows[0]?.id ?? 0);
  const swap = async () => {
    const intakeId = await receiveIntake(db, MAINTAINER, { siteId, fileName: 'new.png', bytes });
    const { rows } = await db.pool.query<{ id: string }>('select id from placements where site_id = $1', [
      siteId,
    ]);
    await gatherSwap(db, MAINTAINER, { siteId, fromPath: 'other.png', intakeId, placementIds: rows.map(({ id }) => Number(id)), alt: 'New words', caption: null, focal: { x: 0.5, y: 0.5 } }); // oxfmt-ignore
  };
  const [mark, again] = [await workMark(slug), await workMark(slug)];
  expect(mark).toBe(again);
  const survey = await after(() => startSurvey(db, MAINTAINER, siteId));
  const gathered = await after(swap);
  const published = await after(async () => publishEdition(db, MAINTAINER, await edition()));
  const withdrawn = await after(async () => withdrawEdition(db, MAINTAINER, await edition()));
  const steps = [survey, gathered, published, withdrawn];
  expect(steps.map(({ label }) => label)).toEqual([
    'Surveying',
    'Preparing the change',
    'Publishing',
    'Withdrawing',
  ]);
  const marks = [mark, ...steps.flatMap(({ mark: begun, ended }) => [begun, ended])];
  expect(new Set(marks).size).toBe(marks.length);
});

it('is another while pages wait for their check, pictures to be looked at, and rights to be answered', async () => {
  const { db } = held;
  const calm = await workMark(slug);
  await db.pool.query('update pages set checked_in = null where site_id = $1', [siteId]);
  const waiting = await workMark(slug);
  await db.pool.query('update pages set checked_in = changed_in where site_id = $1', [siteId]);
  expect(await workMark(slug)).toBe(calm);
  await addJob(db.pool, 'know-pictures', { siteId }, `pictures-${siteId}`);
  const looking = await workMark(slug);
  await runJobs(db);
  expect(await workMark(slug)).toBe(calm);
  await addJob(db.pool, 'answer-rights', { siteId }, `rights-${siteId}`);
  const answering = await workMark(slug);
  await runJobs(db);
  expect(await workMark(slug)).toBe(calm);
  expect(new Set([calm, waiting, looking, answering]).size).toBe(4);
});

it('says nothing of another site, or of one that is none', async () => {
  const mark = await workMark(slug);
  await startSurvey(held.db, MAINTAINER, siteId - 1);
  expect(await workMark(slug)).toBe(mark);
  expect(await workStatus('none')).toEqual({ siteId: null, mark: '', work: null });
  expect(await workMark('none')).toBe('');
});
