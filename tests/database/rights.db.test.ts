/** Records of rights come in, are given out, and every place is answered from them. */
import { join } from 'node:path';
import sharp from 'sharp';
import { beforeAll, describe, expect, it } from 'vitest';
import { facade, stage } from '@demo/site/scenes';
import { dayOf } from '@/core/dating/day';
import { answerRights } from '@/server/work/rights/answer-rights';
import { queueDueAnswers } from '@/server/work/rights/queue-due-answers';
import { endingsCalendar } from '@/server/work/rights/endings-calendar';
import { exportRecords } from '@/server/work/rights/export-records';
import { importRecords, recordPicture } from '@/server/work/rights/keep-records';
import { connected } from '../fixtures/connected';
import { dyingAt, heldBack } from '../fixtures/held-back';
import { runJobs } from '../fixtures/run-jobs';
import { MAINTAINER, useDatabase } from '../fixtures/test-database';
import { writeFiles } from '../fixtures/write-site';
import { drawnScene } from '../fixtures/drawn-scene';

const held = useDatabase();
const OWNER = { ...MAINTAINER, name: 'An owner', role: 'owner' as const };
const VIEWER = { ...MAINTAINER, name: 'A viewer', role: 'viewer' as const };
let siteId: number;

const NOON = Date.UTC(2026, 10, 27, 12);
const RECORDS = [
  { record: 'site', host: 'www.ferndrake.example' },
  { record: 'section', pattern: 'lessons/**', purpose: 'teaching' },
  { record: 'picture', files: ['img/hall.jpg'], creator: ['Ann Lee'], title: 'The hall', licence: 'CC-BY-ND-4.0' },
  { record: 'picture', files: ['img/choir*'], licence: 'own-work' },
  { record: 'shows', files: ['img/choir.jpg'], people: ['p17'] },
  { record: 'person', id: 'p17', releases: [{ purposes: ['teaching'], until: '2026-12-31' }] },
]; // oxfmt-ignore
const fileOf = (rows: readonly object[], name = 'records.jsonl') => ({
  name,
  bytes: new TextEncoder().encode(rows.map((row) => JSON.stringify(row)).join('\n')),
  isInstead: true,
});

beforeAll(async () => {
  const site = join(held.folder, 'site');
  const hall = await drawnScene(facade(3, 'red'), 900, 600); // oxfmt-ignore
  await writeFiles(site, {
    'img/hall.jpg': hall,
    'img/hall-crop.jpg': await sharp(hall).extract({ left: 150, top: 80, width: 520, height: 400 }).jpeg().toBuffer(),
    'img/choir.jpg': await drawnScene(stage(11), 900, 600),
    'index.html': '<html lang="en"><title>Home</title><body><figure><img src="img/hall.jpg" alt="The hall"><figcaption>Photo: Ann Lee, CC BY-ND 4.0</figcaption></figure><p>Words</p><figure><img src="img/hall-crop.jpg" alt="Doors"><figcaption>Doors</figcaption></figure><img src="img/choir.jpg" alt="The choir">',
    'lessons/index.html': '<html lang="en"><title>Lessons</title><body><img src="../img/choir.jpg" alt="The choir"><img src="https://other.example/a.jpg" alt="A map">',
  }); // oxfmt-ignore
  siteId = await connected(held.db, 'Rights', site);
});

interface Row {
  readonly page_path: string;
  readonly file_path: string;
  readonly because: readonly string[];
  readonly until: number | null;
}

const answers = async () => {
  const { rows } = await held.db.pool.query<Row>(
    'select page_path, file_path, because, until from rights_answers where site_id = $1 order by page_path, placement_id',
    [siteId],
  );
  return rows.map(({ page_path: page, file_path: file, because }) => `${page} ${file}: ${because.join(' ')}`);
};
const records = async () => {
  const { rows } = await held.db.pool.query('select id from rights_records where site_id = $1', [siteId]);
  return rows.length;
};

it('answers nothing where nothing is recorded', async () => {
  expect(await answers()).toEqual([]);
});

it('leaves no record where the process dies with its job', async () => {
  await expect(importRecords(dyingAt(held.db, 'graphile_worker.add_job'), MAINTAINER, siteId, fileOf(RECORDS))).rejects.toThrow(/died/); // oxfmt-ignore
  expect(await records()).toBe(0);
});

it('takes all records of a file over, or none, and only from the maintainer', async () => {
  await expect(importRecords(held.db, OWNER, siteId, fileOf(RECORDS))).rejects.toMatchObject({ problem: { code: 'NOT_ALLOWED' } }); // oxfmt-ignore
  const bad = fileOf([...RECORDS, { record: 'picture' }]);
  await expect(importRecords(held.db, MAINTAINER, siteId, bad)).rejects.toMatchObject({
    problem: { code: 'RECORDS_UNREADABLE', why: expect.stringContaining('Line 7') as string },
  });
  expect(await records()).toBe(0);
  expect(await importRecords(held.db, MAINTAINER, siteId, fileOf(RECORDS))).toBe(RECORDS.length);
  await answerRights(held.db, siteId, NOON);
  expect(await answers()).toEqual([
    'index.html img/hall.jpg: ',
    'index.html img/hall-crop.jpg: credit-missing licence-noderivatives',
    'index.html img/choir.jpg: release-purpose',
    'lessons/index.html img/choir.jpg: ',
    'lessons/index.html https://other.example/a.jpg: source-unknown',
  ]);
});

it('lists what stands against them among the errata, without saying who', async () => {
  const { rows } = await held.db.pool.query<{ page_path: string; rule: string; evidence: string }>(
    "select page_path, rule, evidence from errata where site_id = $1 and rule like 'rights/%' order by page_path, rule",
    [siteId],
  );
  expect(rows.map(({ page_path: page, rule }) => `${page} ${rule}`)).toEqual([
    ...['index.html rights/credit-incomplete', 'index.html rights/credit-missing'],
    ...['index.html rights/no-derivatives', 'index.html rights/release-purpose'],
    ...['lessons/index.html rights/ends-soon', 'lessons/index.html rights/other-server'],
    'lessons/index.html rights/source-unknown',
  ]);
  expect(rows.some(({ evidence }) => evidence.includes('p17'))).toBe(false);
});

it('says on which day a place will have to be empty', async () => {
  const { rows } = await held.db.pool.query<Row>(
    "select until from rights_answers where site_id = $1 and page_path like 'lessons%' and until is not null",
    [siteId],
  );
  expect(rows).toEqual([{ until: dayOf(2027, 1, 1) }]);
});

it('gives out what ends when as a calendar, without saying who', async () => {
  const calendar = await endingsCalendar(held.db, { id: siteId, name: 'Rights', slug: 'rights' });
  const lines = calendar.replace(/\r\n[ \t]/gu, '').split('\r\n');
  expect(lines).toContain('DTSTART;VALUE=DATE:20270101');
  expect(lines).toContain('DTEND;VALUE=DATE:20270102');
  expect(lines.filter((line) => /^(?:DURATION|TRIGGER):/u.test(line))).toEqual([
    'TRIGGER:-PT1440H',
    'TRIGGER:-PT336H',
  ]);
  expect(lines).toContain('SUMMARY:Rights: img/choir.jpg may stand no longer');
  expect(calendar).not.toContain('p17');
});

it('answers anew on another day, without being told', async () => {
  await runJobs(held.db);
  const day = 24 * 3600_000;
  expect(await queueDueAnswers(held.db, Date.now())).toBe(0);
  expect(await queueDueAnswers(held.db, Date.now() + day)).toBe(1);
  await answerRights(held.db, siteId, Date.UTC(2027, 0, 1, 12));
  expect(await answers()).toContain('lessons/index.html img/choir.jpg: release-ended');
});

it('records what somebody says of one picture, for all its files; said again it replaces, emptied it goes', async () => {
  const said = { file: 'img/hall.jpg', creator: [], holder: '', licence: 'own-work', source: '', until: '', people: '' } as const; // oxfmt-ignore
  await expect(recordPicture(held.db, VIEWER, siteId, said)).rejects.toMatchObject({ problem: { code: 'NOT_ALLOWED' } }); // oxfmt-ignore
  await expect(recordPicture(held.db, OWNER, siteId, { ...said, until: 'soon' })).rejects.toMatchObject({ problem: { code: 'RIGHTS_INPUT' } }); // oxfmt-ignore
  await recordPicture(held.db, OWNER, siteId, { ...said, until: '2026-11-01' });
  await answerRights(held.db, siteId, NOON);
  expect((await answers())[0]).toBe('index.html img/hall.jpg: licence-ended');
  await recordPicture(held.db, OWNER, siteId, said);
  await recordPicture(held.db, OWNER, siteId, said);
  expect(await records()).toBe(RECORDS.length + 1);
  await answerRights(held.db, siteId, NOON);
  expect((await answers()).slice(0, 2)).toEqual([
    'index.html img/hall.jpg: ',
    'index.html img/hall-crop.jpg: ',
  ]);
  await recordPicture(held.db, OWNER, siteId, { ...said, licence: '' });
  expect(await records()).toBe(RECORDS.length);
});

it('gives out what it took in, to the maintainer, and writes that down', async () => {
  await expect(exportRecords(held.db, OWNER, siteId, 'jsonl')).rejects.toMatchObject({ problem: { code: 'NOT_ALLOWED' } }); // oxfmt-ignore
  const lines = (await exportRecords(held.db, MAINTAINER, siteId, 'jsonl')).trim().split('\n');
  expect(lines.map((line) => JSON.parse(line) as unknown)).toEqual(RECORDS);
  const csv = await exportRecords(held.db, MAINTAINER, siteId, 'csv');
  await importRecords(held.db, MAINTAINER, siteId, { name: 'records.csv', bytes: new TextEncoder().encode(csv), isInstead: true }); // oxfmt-ignore
  const again = (await exportRecords(held.db, MAINTAINER, siteId, 'jsonl')).trim().split('\n');
  expect(again.map((line) => JSON.parse(line) as unknown)).toEqual(RECORDS);
  const { rows } = await held.db.pool.query("select verb from events where site_id = $1 and verb like 'take records%'", [siteId]); // oxfmt-ignore
  expect(rows).toHaveLength(3);
});

describe('after a record of one picture', () => {
  const answersNow = async () =>
    (
      await held.db.pool.query(
        `select placement_id, page_path, may, because, until, credit, chain from rights_answers where site_id = $1 order by placement_id`,
        [siteId],
      )
    ).rows;
  const said = (file: string, rest: object = {}) =>
    recordPicture(held.db, MAINTAINER, siteId, {
      ...{ file, creator: [], holder: '', licence: 'own-work', source: '', until: '', people: '' },
      ...rest,
    });
  const touched = async () =>
    (await held.db.pool.query('select touched from rights_states where site_id = $1', [siteId])).rows[0]?.touched as readonly string[] | null; // oxfmt-ignore

  it('only its pages are asked about, and the answers are those of the whole site', async () => {
    await importRecords(held.db, MAINTAINER, siteId, fileOf(RECORDS));
    expect(await touched()).toBeNull();
    await answerRights(held.db, siteId, NOON);
    expect(await touched()).toEqual([]);
    await held.db.pool.query("update rights_answers set chain = '[]' where site_id = $1", [siteId]);
    await said('img/hall.jpg', { creator: ['Tom Hay'], licence: 'CC-BY-4.0' });
    expect(await touched()).toEqual(['img/hall.jpg']);
    await answerRights(held.db, siteId, NOON);
    const partly = await answersNow();
    // The other page was left as it was.
    expect(new Set(partly.filter(({ chain }) => (chain as unknown[]).length > 0).map(({ page_path: page }) => page as string))).toEqual(new Set(['index.html'])); // oxfmt-ignore
    await held.db.pool.query('update rights_states set touched = null where site_id = $1', [siteId]);
    await answerRights(held.db, siteId, NOON);
    const wholly = await answersNow();
    const ofIndex = (rows: typeof wholly) => rows.filter(({ page_path: page }) => page === 'index.html');
    expect(ofIndex(partly)).toEqual(ofIndex(wholly));
  });

  it('the whole site is asked about on another day, and what came in meanwhile afterwards', async () => {
    await said('img/hall.jpg');
    await held.db.pool.query("update rights_answers set chain = '[]' where site_id = $1", [siteId]);
    await answerRights(held.db, siteId, NOON + 86_400_000);
    expect((await answersNow()).every(({ chain }) => (chain as unknown[]).length > 0)).toBe(true);
    const { db, reached, goOn } = heldBack(held.db, 'delete from rights_answers');
    const running = answerRights(db, siteId, NOON + 86_400_000);
    await reached;
    await said('img/choir.jpg');
    goOn();
    await running;
    expect(await touched()).toEqual(['img/choir.jpg']);
  });
});
