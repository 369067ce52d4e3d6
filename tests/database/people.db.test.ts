/** People: what they allow, the papers, and a release taken back until no byte of the picture is left. */
import { join } from 'node:path';
import sharp from 'sharp';
import { beforeEach, describe, expect, it } from 'vitest';
import { stage } from '@demo/site/scenes';
import type { Actor } from '@/server/accounts/actor';
import { problemOf } from '@/server/problem-error';
import { AS_IT_IS } from '@/core/revision/steps';
import { keepRevision } from '@/server/work/revisions/keep-revision';
import { publishEdition } from '@/server/work/editions/publish-edition';
import { answerRights } from '@/server/work/rights/answer-rights';
import { importRecords, recordPicture } from '@/server/work/rights/keep-records';
import { erasePerson, giveOutPerson } from '@/server/work/rights/people/data-of-person';
import { giveRelease } from '@/server/work/rights/people/keep-releases';
import { markPeople, marksOf } from '@/server/work/rights/people/mark-people';
import { dropPaper, keepPaper, openPaper, papersOf, unseal } from '@/server/work/rights/papers';
import { lookAtPeople } from '@/server/work/rights/people/people-of-site';
import { withdrawRelease } from '@/server/work/rights/people/withdraw-release';
import { connected } from '../fixtures/connected';
import { dyingAt } from '../fixtures/held-back';
import { runJobs } from '../fixtures/run-jobs';
import { MAINTAINER, OWNER, useDatabase, VIEWER } from '../fixtures/test-database';
import { snapshot, writeFiles } from '../fixtures/write-site';
import { drawnScene } from '../fixtures/drawn-scene';

const held = useDatabase();
let root = '';
let siteId = 0;
let number = 0;

const RECORDS = [
  { record: 'picture', files: ['img/*'], licence: 'own-work' },
  { record: 'shows', files: ['img/choir.jpg'], people: ['p1', 'p2'] },
  { record: 'person', id: 'p1', releases: [{ purposes: ['general'], until: '2099-08-31' }] },
];
const TODAY = Date.UTC(2026, 10, 27, 12);

beforeEach(async () => {
  number++;
  root = join(held.folder, `people${number}`);
  const choir = await drawnScene(stage(11), 900, 600); // oxfmt-ignore
  await writeFiles(root, {
    'img/choir.jpg': choir,
    'img/choir-crop.jpg': await sharp(choir).extract({ left: 150, top: 80, width: 520, height: 400 }).jpeg().toBuffer(), // oxfmt-ignore
    'img/choir-small.webp': await sharp(choir).resize(300).webp().toBuffer(),
    'img/old/choir-2024.jpg': choir,
    'img/hall.jpg': await drawnScene(stage(70), 640, 480),
    'index.html': '<title>Home</title><meta property="og:image" content="img/choir.jpg">\n<figure><img src="img/choir.jpg" srcset="img/choir-small.webp 300w" alt="The choir"><figcaption>Our choir.</figcaption></figure>\n<img src="img/hall.jpg" alt="Hall">',
    'choir/index.html': '<title>Choir</title><ul><li><a href="../img/choir.jpg"><img src="../img/choir-crop.jpg" alt="Tom"></a></li><li>Words</li></ul>',
    'js/show.js': 'show("choir.jpg")',
  }); // oxfmt-ignore
  siteId = await connected(held.db, `People ${number}`, root);
  const bytes = new TextEncoder().encode(RECORDS.map((row) => JSON.stringify(row)).join('\n'));
  await importRecords(held.db, MAINTAINER, siteId, { name: 'r.jsonl', bytes, isInstead: true });
  await runJobs(held.db);
});

const refusal = (deed: Promise<unknown>) =>
  deed.then(
    () => 'nothing refused',
    (error: unknown) => problemOf(error).code,
  );
const query = async <R extends object>(text: string, ...values: readonly unknown[]) =>
  (await held.db.pool.query<R>(text, [siteId, ...values])).rows;
const releasesOf = async (id: string) =>
  (await lookAtPeople(held.db, MAINTAINER, siteId, id)).map(({ releases }) => releases)[0];

describe('a release', () => {
  it('is added to those that came from a file, for several people at once', async () => {
    const release = { purposes: ['teaching'], from: '2026-09-01', until: '2027-08-31' };
    await giveRelease(held.db, MAINTAINER, siteId, { people: ['p1', 'p2', 'p3'], release });
    expect(await releasesOf('p1')).toMatchObject([{ purposes: ['general'] }, { purposes: ['teaching'] }]);
    expect(await releasesOf('p3')).toHaveLength(1);
    // Said on a screen, it stays when the file is brought in again.
    const bytes = new TextEncoder().encode(RECORDS.map((row) => JSON.stringify(row)).join('\n'));
    await importRecords(held.db, MAINTAINER, siteId, { name: 'r.jsonl', bytes, isInstead: true });
    expect(await releasesOf('p2')).toMatchObject([{ purposes: ['teaching'] }]);
  });

  it('that nobody gave is recorded as none', async () => {
    await giveRelease(held.db, MAINTAINER, siteId, { people: ['p2'], release: null });
    expect(await releasesOf('p2')).toEqual([]);
    await runJobs(held.db);
    const rows = await query<{ because: string[] }>("select because from rights_answers where site_id = $1 and file_path = 'img/choir.jpg'"); // oxfmt-ignore
    expect(new Set(rows.map(({ because }) => because.join()))).toEqual(new Set(['release-none']));
  });

  it.each([
    [{ people: [], release: null }],
    [{ people: ['p1'], release: { purposes: [], from: '2027-01-01', until: '2026-01-01' } }],
    [{ people: ['p1'], release: { purposes: [], from: '2027-02-30', until: '' } }],
    [{ people: [' '], release: null }],
  ])('refuses %j', async (input) => {
    expect(await refusal(giveRelease(held.db, MAINTAINER, siteId, input))).toBe('RELEASE_INPUT');
  });
});

describe('a release taken back', () => {
  const withdraw = (on: string, actor: Actor = MAINTAINER, person = 'p1') =>
    withdrawRelease(held.db, actor, siteId, { person, on, now: TODAY });

  it('takes every picture of the person off in one step: pages, crop, share picture, old files', async () => {
    const before = await snapshot(root);
    expect(await withdraw('2026-11-27')).toMatchObject({ files: 4 });
    await runJobs(held.db);
    const [edition] = await query<{ id: number }>("select id from editions where site_id = $1 and state = 'draft'");
    await publishEdition(held.db, MAINTAINER, edition?.id ?? 0);
    await runJobs(held.db);
    const after = await snapshot(root);
    expect(Object.keys(before).filter((path) => !(path in after)).toSorted()).toEqual(
      ['img/choir-crop.jpg', 'img/choir-small.webp', 'img/choir.jpg', 'img/old/choir-2024.jpg'],
    );
    expect(after['index.html']).toBe('<title>Home</title>\n<img src="img/hall.jpg" alt="Hall">');
    expect(after['choir/index.html']).toBe('<title>Choir</title><ul><li>Words</li></ul>');
    expect(await query('select proven from publications b join editions e on e.id = b.edition_id where e.site_id = $1')).toEqual([{ proven: true }]);
    expect(await query("select 1 from placements where site_id = $1 and until_survey is null and file_path like 'img/choir%'")).toEqual([]);
    expect(await query("select 1 from rights_answers where site_id = $1 and because ? 'release-withdrawn'")).toEqual([]);
  }); // oxfmt-ignore

  it('leaves a crop beside which the person is marked', async () => {
    const mark = (x: number) => markPeople(held.db, MAINTAINER, siteId, { file: 'img/choir.jpg', marks: [{ person: 'p1', x, y: 0.5 }] }); // oxfmt-ignore
    const filesOf = async () => (await lookAtPeople(held.db, MAINTAINER, siteId, 'p1'))[0]?.files;
    await mark(0.4);
    expect(await filesOf()).toContain('img/choir-crop.jpg');
    await mark(0.02);
    expect(await filesOf()).toEqual(['img/choir-small.webp', 'img/choir.jpg', 'img/old/choir-2024.jpg']);
    expect(await withdraw('2026-11-27')).toMatchObject({ files: 3 });
    await runJobs(held.db);
    const said = await query<{ may: string }>("select may from rights_answers where site_id = $1 and file_path = 'img/choir-crop.jpg'"); // oxfmt-ignore
    expect(said.map(({ may }) => may)).not.toContain('no');
    const gone = await query<{ path: string }>('select path from removals r join editions e on e.id = r.edition_id where e.site_id = $1'); // oxfmt-ignore
    expect(gone.map(({ path }) => path)).not.toContain('img/choir-crop.jpg');
  });

  it('lets the person be cropped out instead: the crop stands in the places, and what showed her is gone', async () => {
    await withdraw('2026-11-27');
    await runJobs(held.db);
    const [file] = await query<{ id: number }>("select id from files where site_id = $1 and path = 'img/choir.jpg'");
    const crop = { x: 0.4, y: 0, width: 0.6, height: 1 };
    const { edition } = await keepRevision(held.db, MAINTAINER, { siteId, subject: { file: file?.id ?? 0 }, revision: { ...AS_IT_IS, crop }, focal: null, as: 'places' }); // oxfmt-ignore
    await runJobs(held.db);
    const [draft] = await query<{ id: number; number: number }>("select id, number from editions where site_id = $1 and state = 'draft'");
    expect(draft?.number).toBe(edition);
    await publishEdition(held.db, MAINTAINER, draft?.id ?? 0);
    await runJobs(held.db);
    const after = await snapshot(root);
    const left = Object.keys(after).filter((path) => path.startsWith('img/'));
    expect(left).not.toContain('img/choir.jpg');
    expect(left).not.toContain('img/old/choir-2024.jpg');
    expect(after['index.html']).toMatch(/<img src="img\/(?!choir\.jpg)[^"]+"[^>]* alt="The choir">/u);
    expect(await query('select proven from publications b join editions e on e.id = b.edition_id where e.site_id = $1')).toEqual([{ proven: true }]);
    expect(await query("select 1 from rights_answers where site_id = $1 and because ? 'release-withdrawn'")).toEqual([]);
  }); // oxfmt-ignore

  it('of a day to come is recorded, and nothing gathered', async () => {
    expect(await withdraw('2026-12-24')).toEqual({ edition: null, places: 0, files: 4 });
    expect(await releasesOf('p1')).toMatchObject([
      { purposes: ['general'], withdrawn: expect.any(Number) as number },
    ]);
    expect(await query('select 1 from editions where site_id = $1')).toEqual([]);
  });

  it('of a day to come is gathered on that day, once, for somebody to publish', async () => {
    await answerRights(held.db, siteId, TODAY);
    await withdraw('2026-12-24');
    await answerRights(held.db, siteId, Date.UTC(2026, 11, 23, 12));
    expect(await query('select 1 from editions where site_id = $1')).toEqual([]);
    await answerRights(held.db, siteId, Date.UTC(2026, 11, 24, 1));
    const editions = () => query<{ state: string; created_by: string; files: number }>('select state, created_by, (select count(*)::int from removals r where r.edition_id = e.id) as files from editions e where site_id = $1');
    expect(await editions()).toEqual([{ state: 'draft', created_by: 'Ibidem, overnight', files: 4 }]);
    await query("delete from editions where site_id = $1");
    await answerRights(held.db, siteId, Date.UTC(2026, 11, 25, 1));
    expect(await editions()).toEqual([]);
  }); // oxfmt-ignore

  it('is recorded with its edition or not at all, wherever it ends', async () => {
    for (const text of ['insert into "changes"', 'insert into "removals"', 'add_job']) {
      await expect(withdrawRelease(dyingAt(held.db, text), MAINTAINER, siteId, { person: 'p1', on: '2026-11-27', now: TODAY })).rejects.toThrow(); // oxfmt-ignore
      expect(await query('select 1 from editions where site_id = $1')).toEqual([]);
      expect(await releasesOf('p1')).toMatchObject([{ purposes: ['general'] }]);
      expect((await releasesOf('p1'))?.[0]?.withdrawn).toBeUndefined();
    }
  });

  it('is refused for nobody, and for no day', async () => {
    expect(await refusal(withdraw('2026-11-27', MAINTAINER, 'p9'))).toBe('WITHDRAWAL_INPUT');
    expect(await refusal(withdraw('tomorrow'))).toBe('WITHDRAWAL_INPUT');
  });
});

describe('a paper', () => {
  const PDF = new TextEncoder().encode('%PDF-1.4 I agree that Tom is shown.');

  it('is kept sealed, opened again, and each time it is written down', async () => {
    await keepPaper(held.db, MAINTAINER, siteId, {
      subject: { person: 'p1' },
      fileName: 'tom.pdf',
      bytes: PDF,
    });
    const [paper] = await papersOf(held.db, MAINTAINER, siteId, { person: 'p1' });
    const [row] = await query<{ sealed: Buffer }>('select sealed from release_papers where site_id = $1');
    expect(row?.sealed.includes('agree')).toBe(false);
    const opened = await openPaper(held.db, MAINTAINER, siteId, paper?.id ?? 0);
    expect([...(opened?.bytes ?? [])]).toEqual([...PDF]);
    expect(await query("select details from events where site_id = $1 and verb = 'open a release paper'")).toEqual([{ details: 'p1, tom.pdf' }]); // oxfmt-ignore
    expect(await openPaper(held.db, MAINTAINER, siteId + 1, paper?.id ?? 0)).toBeNull();
    const changed = Buffer.from(row?.sealed ?? []);
    changed[changed.length - 1] = (changed.at(-1) ?? 0) ^ 1;
    for (const [bytes, person] of [[changed, 'p1'], [row?.sealed ?? changed, 'p2']] as const)
      expect(await refusal(Promise.resolve().then(() => unseal(bytes, siteId, { person })))).toBe('PAPER_SEALED'); // oxfmt-ignore
    await dropPaper(held.db, MAINTAINER, siteId, paper?.id ?? 0);
    expect(await papersOf(held.db, MAINTAINER, siteId, { person: 'p1' })).toEqual([]);
  });

  it('tells where a picture comes from: for owners as well, and for no viewer', async () => {
    const subject = { file: 'img/hall.jpg' };
    await keepPaper(held.db, OWNER, siteId, { subject, fileName: 'letter.pdf', bytes: PDF });
    const [paper] = await papersOf(held.db, OWNER, siteId, subject);
    const id = paper?.id ?? 0;
    expect([...((await openPaper(held.db, OWNER, siteId, id))?.bytes ?? [])]).toEqual([...PDF]);
    for (const deed of [
      keepPaper(held.db, VIEWER, siteId, { subject, fileName: 'letter.pdf', bytes: PDF }),
      papersOf(held.db, VIEWER, siteId, subject),
      openPaper(held.db, VIEWER, siteId, id),
      dropPaper(held.db, VIEWER, siteId, id),
    ])
      expect(await refusal(deed)).toBe('NOT_ALLOWED');
    await keepPaper(held.db, MAINTAINER, siteId, {
      subject: { person: 'p1' },
      fileName: 'tom.pdf',
      bytes: PDF,
    });
    const [release] = await papersOf(held.db, MAINTAINER, siteId, { person: 'p1' });
    expect(await refusal(openPaper(held.db, OWNER, siteId, release?.id ?? 0))).toBe('NOT_ALLOWED');
    expect(await refusal(dropPaper(held.db, OWNER, siteId, release?.id ?? 0))).toBe('NOT_ALLOWED');
    await dropPaper(held.db, OWNER, siteId, id);
    await dropPaper(held.db, MAINTAINER, siteId, release?.id ?? 0);
    expect(await query('select 1 from release_papers where site_id = $1')).toEqual([]);
  });

  it('is one of three kinds, and not too large', async () => {
    const keep = (bytes: Uint8Array) => refusal(keepPaper(held.db, MAINTAINER, siteId, { subject: { person: 'p1' }, fileName: 'a', bytes })); // oxfmt-ignore
    expect(await keep(new TextEncoder().encode('<html>'))).toBe('PAPER_UNFIT');
    const large = new Uint8Array(16 * 1024 ** 2);
    large.set(PDF);
    expect(await keep(large)).toBe('PAPER_UNFIT');
  });
});

it('people are marked on a picture, beside what is recorded of it', async () => {
  const marks = [{ person: 'p7', x: 0.25, y: 0.5 }];
  await markPeople(held.db, MAINTAINER, siteId, { file: 'img/hall.jpg', marks });
  const said = {
    creator: ['Ann Lee'],
    holder: '',
    licence: 'own-work',
    source: '',
    until: '',
    people: '',
  } as const;
  await recordPicture(held.db, MAINTAINER, siteId, { file: 'img/hall.jpg', ...said });
  expect(await marksOf(held.db, siteId, 'img/hall.jpg')).toEqual(marks);
  expect(await lookAtPeople(held.db, MAINTAINER, siteId, 'p7')).toEqual([{ id: 'p7', releases: undefined, files: ['img/hall.jpg'] }]); // oxfmt-ignore
  await markPeople(held.db, MAINTAINER, siteId, { file: 'img/hall.jpg', marks: [] });
  expect(await lookAtPeople(held.db, MAINTAINER, siteId, 'p7')).toEqual([]);
  const none = [{ person: ' ', x: 0, y: 0 }];
  expect(await refusal(markPeople(held.db, MAINTAINER, siteId, { file: 'img/hall.jpg', marks: none }))).toBe('MARKS_INPUT'); // oxfmt-ignore
});

describe('what is kept of a person', () => {
  it('is given out as a whole', async () => {
    const bytes = new TextEncoder().encode('%PDF-1.4 yes');
    await keepPaper(held.db, MAINTAINER, siteId, { subject: { person: 'p1' }, fileName: 'tom.pdf', bytes });
    const given = JSON.parse(await giveOutPerson(held.db, MAINTAINER, siteId, 'p1')) as {
      records: { record: string }[];
      papers: { base64: string }[];
      events: { verb: string }[];
    };
    expect(given.records.map(({ record }) => record)).toEqual(['shows', 'person']);
    expect(Buffer.from(given.papers[0]?.base64 ?? '', 'base64').toString()).toBe('%PDF-1.4 yes');
    expect(given.events.map(({ verb }) => verb)).toEqual(['keep a release paper']);
  });

  it('is erased, and the picture still known to show somebody', async () => {
    await keepPaper(held.db, MAINTAINER, siteId, { subject: { person: 'p1' }, fileName: 'a.pdf', bytes: new TextEncoder().encode('%PDF-') }); // oxfmt-ignore
    await erasePerson(held.db, MAINTAINER, siteId, 'p1');
    await erasePerson(held.db, MAINTAINER, siteId, 'p2');
    const kept = await query<{ text: string }>(
      'select body::text as text from rights_records where site_id = $1',
    );
    expect(kept.some(({ text }) => /"p[12]"/u.test(text))).toBe(false);
    expect(await query('select 1 from release_papers where site_id = $1')).toEqual([]);
    expect(await query("select 1 from events where site_id = $1 and details ~ '\\mp1\\M'")).toEqual([]);
    await runJobs(held.db);
    const rows = await query<{ because: string[] }>("select because from rights_answers where site_id = $1 and file_path = 'img/choir.jpg'"); // oxfmt-ignore
    expect(new Set(rows.map(({ because }) => because.join()))).toEqual(new Set(['people-unasked']));
  });
});

it.each([OWNER, VIEWER, { ...VIEWER, role: 'approver' as const }])(
  'whoever is $role sees and does nothing of this',
  async (actor) => {
    const paper = { subject: { person: 'p1' }, fileName: 'a.pdf', bytes: new TextEncoder().encode('%PDF-') };
    const withdrawal = { person: 'p1', on: '2026-11-27', now: TODAY };
    const { db } = held;
    await keepPaper(db, MAINTAINER, siteId, paper);
    const [{ id: kept = 0 } = {}] = await papersOf(db, MAINTAINER, siteId, { person: 'p1' });
    const before = await query('select * from rights_records where site_id = $1 order by id');
    for (const deed of [
      () => lookAtPeople(db, actor, siteId),
      () => giveRelease(db, actor, siteId, { people: ['p1'], release: null }),
      () => withdrawRelease(db, actor, siteId, withdrawal),
      () => markPeople(db, actor, siteId, { file: 'img/hall.jpg', marks: [] }),
      () => keepPaper(db, actor, siteId, paper),
      () => papersOf(db, actor, siteId, { person: 'p1' }),
      () => openPaper(db, actor, siteId, kept),
      () => dropPaper(db, actor, siteId, kept),
      () => giveOutPerson(db, actor, siteId, 'p1'),
      () => erasePerson(db, actor, siteId, 'p1'),
    ])
      expect(await refusal(deed())).toBe('NOT_ALLOWED');
    expect(await query('select * from rights_records where site_id = $1 order by id')).toEqual(before);
  },
);
