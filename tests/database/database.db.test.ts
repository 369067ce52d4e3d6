import { readFile } from 'node:fs/promises';
import { join } from 'node:path';
import { eq } from 'drizzle-orm';
import { buffer } from 'node:stream/consumers';
import { describe, expect, it } from 'vitest';
import { ZipFile } from 'yazl';
import { addPerson } from '@/server/accounts/add-person';
import { roleOf } from '@/server/accounts/actor';
import { connect, databaseProblem } from '@/server/db/database';
import { insertRows } from '@/server/db/insert-rows';
import { account, user } from '@/server/db/schema/accounts';
import { events } from '@/server/db/schema/events';
import { sites, surveys } from '@/server/db/schema/sites';
import { files } from '@/server/db/schema/content';
import { problemOf } from '@/server/problem-error';
import { hasDerived, storeBytes, storedBytes, storedDerived, storeDerived } from '@/server/store/store';
import { connectSite } from '@/server/work/sites/connect-site';
import { startSurvey } from '@/server/work/surveys/start-survey';
import { runJobs, runJobsThatMayFail } from '../fixtures/run-jobs';
import { MAINTAINER, useDatabase } from '../fixtures/test-database';
import { flatPicture, writeFiles } from '../fixtures/write-site';
import { rm, writeFile } from 'node:fs/promises';

const held = useDatabase();

describe('the database', () => {
  it('that does not answer is told in words', async () => {
    const nowhere = connect('postgres://ibidem:x@127.0.0.1:1/none');
    const error: unknown = await nowhere.orm
      .select()
      .from(sites)
      .then(
        () => null,
        (cause: unknown) => cause,
      );
    await nowhere.pool.end();
    expect(problemOf(databaseProblem(error))).toMatchObject({
      code: 'DATABASE_DOWN',
      what: 'The database does not answer.',
    });
    const other = new Error('something else');
    expect(databaseProblem(other)).toBe(other);
  });

  it('takes many rows in one statement, and texts that PostgreSQL can’t hold', async () => {
    const [site] = await held.db.orm
      .insert(sites)
      .values({ slug: 'rows', name: 'Rows', connection: { kind: 'folder', folder: '/' } })
      .returning();
    const siteId = site?.id ?? 0;
    const rows = Array.from({ length: 3000 }, (_, n) => ({
      siteId,
      path: `f${n}.jpg`,
      seenIn: 1,
      problem: n === 7 ? 'a\0b\ud800' : null,
    }));
    await insertRows(held.db.pool, files, rows);
    await insertRows(held.db.pool, files, []);
    const kept = await held.db.orm.select().from(files).where(eq(files.siteId, siteId));
    expect(kept).toHaveLength(3000);
    expect(kept.find(({ path }) => path === 'f7.jpg')?.problem).toBe('a\ufffdb\ufffd');
  });
});

describe('people', () => {
  it('are added once, and keep their password when they are added again', async () => {
    const person = {
      name: 'Ilse Marrable',
      email: 'ilse@ferndrake.example',
      role: 'owner',
      password: 'three red doors',
    } as const;
    await addPerson(held.db, person);
    const [before] = await held.db.orm.select().from(account);
    await addPerson(held.db, { ...person, role: 'approver', password: 'another one' });
    const people = await held.db.orm.select().from(user);
    expect(people.map(({ role }) => role)).toEqual(['approver']);
    expect(await held.db.orm.select().from(account)).toEqual([before]);
    expect(before?.password).toMatch(/^\$argon2id\$/);
  });

  it('with an unknown role may only look', () => {
    expect([roleOf('maintainer'), roleOf('emperor'), roleOf(null)]).toEqual([
      'maintainer',
      'viewer',
      'viewer',
    ]);
  });
});

describe('the store', () => {
  it('keeps bytes once under their hash, and what was made of them beside', async () => {
    const bytes = Buffer.from('some bytes');
    const hash = await storeBytes(bytes);
    expect(await storeBytes(bytes)).toBe(hash);
    expect(Buffer.from(await storedBytes(hash)).equals(bytes)).toBe(true);
    expect(await hasDerived(hash, 'thumbnail')).toBe(false);
    expect(await storedDerived(hash, 'thumbnail')).toBeNull();
    await storeDerived(hash, 'thumbnail', Buffer.from('small'));
    expect(String(await storedDerived(hash, 'thumbnail'))).toBe('small');
    const problem = await storedBytes('0'.repeat(64)).then(() => null, problemOf);
    expect(problem?.code).toBe('STORE_MISSING');
  });
});

describe('a connected ZIP', () => {
  it('is unpacked, surveyed with its broken pictures named, and logged', async () => {
    const zip = new ZipFile();
    zip.addBuffer(Buffer.from('<img src=good.png><img src=text.jpg><img src=none.jpg>'), 'index.html');
    zip.addBuffer(await flatPicture(30, 20, 'png'), 'good.png');
    zip.addBuffer(Buffer.from('not a picture'), 'text.jpg');
    zip.end();
    const place = join(held.folder, 'site.zip');
    await writeFile(place, await buffer(zip.outputStream));
    const from = { kind: 'zip', path: place } as const;
    const slug = await connectSite(held.db, MAINTAINER, {
      name: 'The Club',
      liveUrl: 'https://club.example/',
      hosts: [],
      from,
    });
    const again = await connectSite(held.db, MAINTAINER, {
      name: 'The Club',
      liveUrl: null,
      hosts: [],
      from,
    });
    expect([slug, again]).toEqual(['the-club', 'the-club-2']);
    await runJobs(held.db);
    const [site] = await held.db.orm.select().from(sites).where(eq(sites.slug, slug));
    expect(site).toMatchObject({ liveUrl: 'https://club.example', connection: { kind: 'zip' } });
    const found = await held.db.orm
      .select()
      .from(files)
      .where(eq(files.siteId, site?.id ?? 0))
      .orderBy(files.path);
    expect(
      found.map(({ path, sha256, widthPx, problem }) => [
        path,
        sha256 !== null,
        widthPx,
        problem?.includes('is not a picture') ?? false,
      ]),
    ).toEqual([
      ['good.png', true, 30, false],
      ['none.jpg', false, null, false],
      ['text.jpg', true, null, true],
    ]);
    expect(await hasDerived(found[0]?.sha256 ?? '', 'thumbnail')).toBe(true);
    const log = await held.db.orm
      .select()
      .from(events)
      .where(eq(events.siteId, site?.id ?? 0));
    expect(log).toMatchObject([{ actor: 'Maud Kestle', verb: 'connect site' }]);
  });
});

describe('a survey that fails', () => {
  it('says why, and the next one finds the site again', async () => {
    const folder = join(held.folder, 'fragile');
    await writeFiles(folder, { 'index.html': '<img src=a.png>', 'old.html': '<p>' });
    const slug = await connectSite(held.db, MAINTAINER, {
      name: 'Fragile',
      liveUrl: null,
      hosts: [],
      from: { kind: 'folder', path: folder },
    });
    const [site] = await held.db.orm.select().from(sites).where(eq(sites.slug, slug));
    const siteId = site?.id ?? 0;
    await runJobs(held.db);
    const page = await readFile(join(folder, 'index.html'));
    await rm(folder, { recursive: true });
    await startSurvey(held.db, MAINTAINER, siteId);
    await startSurvey(held.db, MAINTAINER, siteId);
    await runJobsThatMayFail(held.db);
    await writeFiles(folder, { 'index.html': page });
    await startSurvey(held.db, MAINTAINER, siteId);
    await runJobs(held.db);
    const all = await held.db.orm
      .select()
      .from(surveys)
      .where(eq(surveys.siteId, siteId))
      .orderBy(surveys.number);
    expect(all.map(({ state, problem }) => [state, problem?.code ?? null])).toEqual([
      ['done', null],
      ['failed', 'FOLDER_MISSING'],
      ['done', null],
    ]);
    const { rows } = await held.db.pool.query('select path from pages where site_id = $1 and gone_in = 3', [
      siteId,
    ]);
    expect(rows).toEqual([{ path: 'old.html' }]);
  });
});
