import { readFile, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { eq } from 'drizzle-orm';
import { beforeAll, describe, expect, it } from 'vitest';
import { editions, changes, publications, steps } from '@/server/db/schema/editions';
import { pages, placements } from '@/server/db/schema/content';
import { surveys } from '@/server/db/schema/sites';
import { problemOf } from '@/server/problem-error';
import { connectSite } from '@/server/work/sites/connect-site';
import { dropChange, gatherSwap, type SwapRequest } from '@/server/work/editions/gather-swap';
import { publishEdition, withdrawEdition } from '@/server/work/editions/publish-edition';
import { receiveIntake } from '@/server/work/intake/receive-intake';
import { startSurvey } from '@/server/work/surveys/start-survey';
import { connected } from '../fixtures/connected';
import { runJobs } from '../fixtures/run-jobs';
import { MAINTAINER, useDatabase, VIEWER } from '../fixtures/test-database';
import { flatPicture, snapshot, writeFiles } from '../fixtures/write-site';

const held = useDatabase();
let folder: string;
let siteId: number;
let intakeId: number;

const page = (body: string) =>
  `<!doctype html>\r\n<title>T</title><link rel=stylesheet href=/s.css>\r\n${body}\r\n`;
const shown = (alt: string) =>
  page(`<p class=hero><img src="img/old.png" width=30 height=20 alt="${alt}"></p>`);

async function standing(path = 'img/old.png'): Promise<number[]> {
  const { rows } = await held.db.pool.query<{ id: string }>(
    'select id from placements where site_id = $1 and file_path = $2 and until_survey is null and not dormant order by id',
    [siteId, path],
  );
  return rows.map(({ id }) => Number(id));
}

async function swapRequest(more: Partial<SwapRequest> = {}): Promise<SwapRequest> {
  return {
    siteId,
    fromPath: 'img/old.png',
    intakeId,
    placementIds: await standing(),
    alt: 'New words',
    caption: null,
    focal: { x: 0.5, y: 0.5 },
    ...more,
  };
}

/** The edition with a number: its row, and how its last publication went. */
async function editionNow(number: number) {
  const { orm } = held.db;
  const [edition] = await orm.select().from(editions).where(eq(editions.number, number));
  if (!edition) throw new Error(`there is no edition ${number}`);
  const runs = await orm
    .select()
    .from(publications)
    .where(eq(publications.editionId, edition.id))
    .orderBy(publications.id);
  const run = runs.at(-1);
  const journal = run
    ? await orm.select().from(steps).where(eq(steps.publicationId, run.id)).orderBy(steps.ordinal)
    : [];
  return { edition, run, journal };
}

async function codeOf(deed: Promise<unknown>): Promise<string> {
  return deed.then(
    () => 'nothing refused',
    (error: unknown) => problemOf(error).code,
  );
}

/** Gathers a swap, has it prepared, and gives its edition's number. */
async function gathered(more: Partial<SwapRequest> = {}): Promise<number> {
  const number = await gatherSwap(held.db, MAINTAINER, await swapRequest(more));
  await runJobs(held.db);
  return number;
}

async function published(number: number): Promise<void> {
  const { edition } = await editionNow(number);
  await publishEdition(held.db, MAINTAINER, edition.id);
  await runJobs(held.db);
}

async function withdrawn(number: number): Promise<void> {
  const { edition } = await editionNow(number);
  await withdrawEdition(held.db, MAINTAINER, edition.id);
  await runJobs(held.db);
}

beforeAll(async () => {
  folder = join(held.folder, 'site');
  await writeFiles(folder, {
    'a.html': shown('one'),
    'b.html': shown('two'),
    'c.html': page('<p>nothing here</p>'),
    's.css': '.hero { background: url(img/old.png) }\r\n.none { background: url(img/old.png) }\r\n',
    'img/old.png': await flatPicture(60, 40, 'png'),
  });
  siteId = await connected(held.db, 'A site', folder);
  intakeId = await receiveIntake(held.db, MAINTAINER, {
    siteId,
    fileName: 'Summer by the river.jpg',
    bytes: await flatPicture(400, 300),
  });
});

describe('a survey', () => {
  it('records pages, placements and files, dormant rules once', async () => {
    const [survey] = await held.db.orm.select().from(surveys).where(eq(surveys.siteId, siteId));
    expect(survey).toMatchObject({
      state: 'done',
      number: 1,
      counts: { pages: 3, changedPages: 3, files: 1 },
    });
    const rows = await held.db.orm.select().from(placements).where(eq(placements.siteId, siteId));
    expect(
      rows.map(({ pagePath, kind, dormant }) => `${pagePath} ${kind}${dormant ? ' dormant' : ''}`).sort(),
    ).toEqual(['a.html css', 'a.html img', 'b.html css', 'b.html img', 's.css css dormant']);
  });

  it('reads only what changed, and keeps since when a spot shows its picture', async () => {
    await writeFile(join(folder, 'c.html'), page('<p>a word more</p>'));
    await startSurvey(held.db, MAINTAINER, siteId);
    await runJobs(held.db);
    const all = await held.db.orm
      .select()
      .from(surveys)
      .where(eq(surveys.siteId, siteId))
      .orderBy(surveys.number);
    expect(all.at(-1)?.counts).toMatchObject({ pages: 3, changedPages: 1 });
    await writeFile(
      join(folder, 'a.html'),
      shown('one').replace('<p class', '<p>Before it.</p>\r\n<p class'),
    );
    await startSurvey(held.db, MAINTAINER, siteId);
    await runJobs(held.db);
    const [moved] = await held.db.orm
      .select()
      .from(placements)
      .where(eq(placements.pagePath, 'a.html'))
      .orderBy(placements.id);
    expect(moved?.untilSurvey).toBe(3);
    await writeFile(join(folder, 'a.html'), shown('one'));
    await startSurvey(held.db, MAINTAINER, siteId);
    await runJobs(held.db);
  });
});

describe('what a role may not do is refused, and so is wrong input', () => {
  it.each([
    ['a viewer who surveys', () => startSurvey(held.db, VIEWER, siteId), 'NOT_ALLOWED'],
    ['a viewer who swaps', async () => gatherSwap(held.db, VIEWER, await swapRequest()), 'NOT_ALLOWED'],
    ['a viewer who publishes', () => publishEdition(held.db, VIEWER, 1), 'NOT_ALLOWED'],
    [
      'a viewer who brings a picture in',
      () => receiveIntake(held.db, VIEWER, { siteId, fileName: 'a.jpg', bytes: new Uint8Array(1) }),
      'NOT_ALLOWED',
    ],
    ['a viewer who takes a change out', () => dropChange(held.db, VIEWER, 1), 'NOT_ALLOWED'],
    [
      'a viewer who connects a site',
      () =>
        connectSite(held.db, VIEWER, {
          name: 'x',
          liveUrl: null,
          hosts: [],
          from: { kind: 'folder', path: '/' },
        }),
      'NOT_ALLOWED',
    ],
    [
      'no place chosen',
      async () => gatherSwap(held.db, MAINTAINER, await swapRequest({ placementIds: [] })),
      'SWAP_INPUT',
    ],
    [
      'a picture that is gone',
      async () => gatherSwap(held.db, MAINTAINER, await swapRequest({ intakeId: 99_999 })),
      'INTAKE_MISSING',
    ],
    [
      'a site without a name',
      () =>
        connectSite(held.db, MAINTAINER, {
          name: ' ',
          liveUrl: null,
          hosts: [],
          from: { kind: 'folder', path: '/' },
        }),
      'SITE_INPUT',
    ],
    [
      'a folder that is not there',
      () =>
        connectSite(held.db, MAINTAINER, {
          name: 'x',
          liveUrl: null,
          hosts: [],
          from: { kind: 'folder', path: '/no/such' },
        }),
      'FOLDER_MISSING',
    ],
    [
      'a folder without pages',
      () =>
        connectSite(held.db, MAINTAINER, {
          name: 'x',
          liveUrl: null,
          hosts: [],
          from: { kind: 'folder', path: join(folder, 'img') },
        }),
      'NO_PAGES',
    ],
    [
      'a text named .jpg',
      () => receiveIntake(held.db, MAINTAINER, { siteId, fileName: 'a.jpg', bytes: Buffer.from('hello') }),
      'IMAGE_UNREADABLE',
    ],
    [
      'an empty picture',
      () => receiveIntake(held.db, MAINTAINER, { siteId, fileName: 'a.jpg', bytes: new Uint8Array() }),
      'IMAGE_EMPTY',
    ],
    ['a change that is not there', () => dropChange(held.db, MAINTAINER, 99_999), 'CHANGE_FIXED'],
    ['an edition that is not there', () => publishEdition(held.db, MAINTAINER, 99_999), 'EDITION_STATE'],
  ])('%s', async (_name, deed, code) => {
    expect(await codeOf((async () => deed())())).toBe(code);
  });
});

describe('an edition', () => {
  it('changes nothing before it is published, then exactly what it said, and is taken back to the byte', async () => {
    const before = await snapshot(folder);
    const number = await gathered();
    expect(await snapshot(folder)).toEqual(before);
    await published(number);
    const live = await snapshot(folder);
    expect(live['a.html']).toBe(
      before['a.html']
        ?.replace('img/old.png', 'img/summer-by-the-river-60x40.jpg')
        .replace('"one"', '"New words"'),
    );
    expect(live['s.css']).toBe(before['s.css']?.replace('img/old.png', 'img/summer-by-the-river-60x40.jpg'));
    expect(live['c.html']).toBe(before['c.html']);
    expect(
      Object.keys(live)
        .filter((path) => !(path in before))
        .sort(),
    ).toEqual(['img/summer-by-the-river-60x40.jpg', 'img/summer-by-the-river.jpg']);
    const { edition, run } = await editionNow(number);
    expect(edition.state).toBe('published');
    expect(run).toMatchObject({ state: 'done', proven: true });
    expect(await standing('img/summer-by-the-river-60x40.jpg')).toHaveLength(4);
    await withdrawn(number);
    expect(await snapshot(folder)).toEqual(before);
    expect((await editionNow(number)).edition.state).toBe('withdrawn');
    expect(await codeOf(withdrawEdition(held.db, MAINTAINER, edition.id))).toBe('EDITION_STATE');
  });

  it('follows a page that somebody changed elsewhere, and leaves alone one changed at the same place', async () => {
    const before = await snapshot(folder);
    const number = await gathered();
    await writeFile(join(folder, 'a.html'), shown('one').replace('<title>T', '<title>Other'));
    await writeFile(join(folder, 'b.html'), shown('changed by somebody'));
    await published(number);
    const live = await snapshot(folder);
    expect(live['a.html']).toContain('<title>Other');
    expect(live['a.html']).toContain('alt="New words"');
    expect(live['b.html']).toBe(shown('changed by somebody'));
    const { run, journal } = await editionNow(number);
    expect(run).toMatchObject({ state: 'done', proven: false });
    expect(journal.find(({ path }) => path === 'b.html')).toMatchObject({
      state: 'left alone',
      problem: { code: 'SOURCE_CONFLICT' },
    });
    await withdrawn(number);
    expect((await snapshot(folder))['a.html']).toBe(before['a.html']?.replace('<title>T', '<title>Other'));
    await writeFiles(folder, { 'a.html': shown('one'), 'b.html': shown('two') });
    await startSurvey(held.db, MAINTAINER, siteId);
    await runJobs(held.db);
  });

  it('is rolled back where the site can’t be written', async () => {
    const before = await snapshot(folder);
    const number = await gathered();
    const { edition } = await editionNow(number);
    // The store loses one of the new pages' bytes: the publication can't get past it.
    await publishEdition(held.db, MAINTAINER, edition.id);
    const { rm, readdir } = await import('node:fs/promises');
    const store = join(process.env['IBIDEM_VAR'] ?? '', 'store');
    const { rows } = await held.db.pool.query<{ sha256: string }>(
      'select sha256 from new_files n join changes c on c.id = n.change_id where c.edition_id = $1 order by n.id desc limit 1',
      [edition.id],
    );
    const hash = rows[0]?.sha256 ?? '';
    const kept = await readFile(join(store, hash.slice(0, 2), hash));
    await rm(join(store, hash.slice(0, 2), hash));
    await runJobs(held.db);
    expect(await snapshot(folder)).toEqual(before);
    const after = await editionNow(number);
    expect(after.edition.state).toBe('draft');
    expect(after.run).toMatchObject({ state: 'rolled back', problem: { code: 'STORE_MISSING' } });
    await writeFile(join(store, hash.slice(0, 2), hash), kept);
    expect((await readdir(folder)).some((name) => name.includes('.ibidem-'))).toBe(false);
    const [change] = await held.db.orm.select().from(changes).where(eq(changes.editionId, edition.id));
    await dropChange(held.db, MAINTAINER, change?.id ?? 0);
    expect(await codeOf(publishEdition(held.db, MAINTAINER, edition.id))).toBe('EDITION_UNREADY');
  });

  it('lets a placement follow the newer of two changes', async () => {
    const ids = await standing();
    const number = await gathered({ placementIds: ids });
    await gathered({ placementIds: ids.slice(0, 1), alt: 'Newer' });
    const { edition } = await editionNow(number);
    const list = await held.db.orm
      .select()
      .from(changes)
      .where(eq(changes.editionId, edition.id))
      .orderBy(changes.id);
    expect(list.map(({ placementIds, state }) => [placementIds.length, state])).toEqual([
      [ids.length - 1, 'ready'],
      [1, 'ready'],
    ]);
    for (const { id } of list) await dropChange(held.db, MAINTAINER, id);
  });

  it('says so when its places have changed since they were chosen', async () => {
    const { pool } = held.db;
    const request = await swapRequest();
    await gatherSwap(held.db, MAINTAINER, request);
    // The survey comes between gathering and preparing.
    await pool.query(`update graphile_worker._private_jobs set run_at = now() + interval '1 hour'`);
    await writeFile(join(folder, 'a.html'), page('<p>gone</p>'));
    await startSurvey(held.db, MAINTAINER, siteId);
    await runJobs(held.db);
    expect(await codeOf(gatherSwap(held.db, MAINTAINER, request))).toBe('PLACES_GONE');
    await pool.query('update graphile_worker._private_jobs set run_at = now()');
    await runJobs(held.db);
    const list = await held.db.orm.select().from(changes).orderBy(changes.id);
    expect(list.at(-1)).toMatchObject({ state: 'failed', problem: { code: 'PLACES_CHANGED' } });
    const gone = await held.db.orm.select().from(pages).where(eq(pages.path, 'a.html'));
    expect(gone).toHaveLength(1);
  });
});
