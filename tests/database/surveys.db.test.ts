/** Surveys one after the other: what differs, what goes on, what is due. */
import { mkdir, rename, rm, utimes, writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';
import { describe, expect, it } from 'vitest';
import type { Database } from '@/server/db/database';
import { connectSite } from '@/server/work/sites/connect-site';
import {
  queueDueSurveys,
  resumeSurvey,
  scheduleSurveys,
  startSurvey,
  stopSurvey,
} from '@/server/work/surveys/start-survey';
import { importViews } from '@/server/work/reach/import-views';
import { problemOf } from '@/server/problem-error';
import { surveySite } from '@/server/work/surveys/survey-site';
import { connected } from '../fixtures/connected';
import { dyingAt, heldBack } from '../fixtures/held-back';
import { runJobs } from '../fixtures/run-jobs';
import { differs, lastSurvey, NOTHING, survey } from '../fixtures/surveyed';
import { MAINTAINER, useDatabase, VIEWER } from '../fixtures/test-database';
import { flatPicture, writeFiles } from '../fixtures/write-site';

const held = useDatabase();

async function siteId(db: Database, slug: string): Promise<number> {
  const { rows } = await db.pool.query<{ id: number }>('select id from sites where slug = $1', [slug]);
  return rows[0]?.id ?? 0;
}

describe('surveys of a folder', () => {
  it('tell new, gone, changed and moved places and pages apart', async () => {
    const { db, folder } = held;
    const root = join(folder, 'choir');
    const figure = (src: string, alt: string) => `<p><img src="${src}" alt="${alt}"></p>`;
    await writeFiles(root, {
      'index.html': `<h1>Home</h1>${figure('a.jpg', 'A')}${figure('b.jpg', 'B')}${figure('c.jpg', 'C')}<a href="two.html">2</a>`,
      'two.html': `<h1>Two</h1>${figure('a.jpg', 'A')}`,
      'three.html': '<h1>Three</h1>',
      'a.jpg': await flatPicture(40, 30),
    });
    const id = await connected(db, 'Choir', root);
    expect(differs(await survey(db, id))).toEqual(NOTHING);

    // One put in above, one whose alt text changes, one that shows another picture, one taken out; a page moved and one gone.
    await writeFile(
      join(root, 'index.html'),
      `<h1>Home</h1>${figure('new.jpg', 'N')}${figure('a.jpg', 'A, at last')}${figure('d.jpg', 'B')}<a href="two.html">2</a>`,
    );
    await mkdir(join(root, 'moved'));
    await rename(join(root, 'two.html'), join(root, 'moved/two.html'));
    await rm(join(root, 'three.html'));
    const changed = await survey(db, id);
    expect(changed.state).toBe('done');
    expect(differs(changed)).toMatchObject({ newPages: 0, gonePages: 1, changed: 2, new: 1 });
    const { rows } = await db.pool.query(
      'select thread, since_survey from placements where site_id = $1 and page_path = $2 and until_survey is null and file_path = $3',
      [id, 'index.html', 'a.jpg'],
    );
    expect(rows).toEqual([{ thread: 'html:1>body:1>p:1>img:1|src|', since_survey: changed.number }]);
    const { rows: moved } = await db.pool.query(
      "select moved_from from pages where site_id = $1 and path = 'moved/two.html'",
      [id],
    );
    expect(moved).toEqual([{ moved_from: 'two.html' }]);
    expect(differs(await survey(db, id))).toEqual(NOTHING);
  });

  it('open a file again only once when it merely looks new', async () => {
    const { db, folder } = held;
    const place = join(folder, 'touched/index.html');
    await writeFiles(join(folder, 'touched'), { 'index.html': '<p>' });
    const id = await connected(db, 'Touched', join(folder, 'touched'));
    const mark = async () => {
      const { rows } = await db.pool.query<{ mark: string }>('select mark from pages where site_id = $1', [
        id,
      ]);
      return rows[0]?.mark;
    };
    const first = await mark();
    await utimes(place, new Date(), new Date(0));
    expect(differs(await survey(db, id))).toEqual(NOTHING);
    const second = await mark();
    expect(second).not.toBe(first);
    expect(differs(await survey(db, id))).toEqual(NOTHING);
    expect(await mark()).toBe(second);
  });

  it('name the file that is there under nearly the same name', async () => {
    const { db, folder } = held;
    await writeFiles(join(folder, 'near'), {
      'index.html': '<img src="img/lute.jpg"><img src="none.jpg">',
      'img/Lute.JPG': await flatPicture(9, 9),
    });
    const id = await connected(db, 'Near', join(folder, 'near'));
    const { rows } = await db.pool.query(
      'select path, near_kind, near_path from files where site_id = $1 and sha256 is null order by path',
      [id],
    );
    expect(rows).toEqual([
      { path: 'img/lute.jpg', near_kind: 'case', near_path: 'img/Lute.JPG' },
      { path: 'none.jpg', near_kind: null, near_path: null },
    ]);
  });

  it('are made when they are due, and not while one waits', async () => {
    const { db } = held;
    const id = await siteId(db, 'near');
    const later = new Date(Date.now() + 8 * 86_400_000);
    expect(await queueDueSurveys(db, later)).toBe(0);
    await scheduleSurveys(db, MAINTAINER, id, 'week');
    expect(await queueDueSurveys(db, new Date())).toBe(0);
    expect(await queueDueSurveys(db, later)).toBe(1);
    expect(await queueDueSurveys(db, later)).toBe(0);
    await stopSurvey(db, MAINTAINER, id, 2);
    expect((await lastSurvey(db, id)).state).toBe('stopped');
    await resumeSurvey(db, MAINTAINER, id, 2);
    await runJobs(db);
    expect(await lastSurvey(db, id)).toMatchObject({ number: 2, state: 'done' });
    const refused = await scheduleSurveys(db, VIEWER, id, 'day').catch(
      (error: unknown) => problemOf(error).code,
    );
    expect(refused).toBe('NOT_ALLOWED');
  });
});

describe('a survey of what goes meanwhile', () => {
  it('tells it, leaves what was known of it, and reads all else', async () => {
    const { db, folder } = held;
    const root = join(folder, 'meanwhile');
    const picture = await flatPicture(60, 40);
    const files = ['a.html', 'b.html', 's.css', 't.css', 'old.jpg', 'new.jpg'];
    await writeFiles(root, {
      'a.html':
        '<link rel=stylesheet href=s.css><link rel=stylesheet href=t.css><img src=old.jpg><img src=new.jpg><p>',
      'b.html': '<img src=old.jpg>',
      's.css': 'p { background: url(by-s.jpg) }',
      't.css': 'p { background: url(by-t.jpg) }',
      'old.jpg': picture,
    });
    const id = await connected(db, 'Meanwhile', root);
    // All of them look new, and one is.
    await writeFiles(root, { 'new.jpg': picture });
    for (const file of files) await utimes(join(root, file), new Date(), new Date(Date.now() + 5000));
    const listed = heldBack(db, 'update surveys set phase');
    await startSurvey(db, MAINTAINER, id);
    const { rows } = await db.pool.query<{ id: number }>(
      'select max(id) as id from surveys where site_id = $1',
      [id],
    );
    const running = surveySite(listed.db, rows[0]?.id ?? 0);
    await listed.reached;
    for (const file of ['b.html', 't.css', 'old.jpg', 'new.jpg']) await rm(join(root, file));
    listed.goOn();
    await running;
    const { state, counts } = await lastSurvey(db, id);
    expect(state).toBe('done');
    expect(counts.skipped.map(({ path }) => path).sort()).toEqual(['b.html', 'new.jpg', 'old.jpg', 't.css']);
    const standing = await db.pool.query(
      `select f.path, f.sha256 is not null as held, f.problem is not null as "isUnread", f.uses from files f
       where f.site_id = $1 and f.gone_in is null order by f.path`,
      [id],
    );
    expect(standing.rows).toEqual([
      { path: 'by-s.jpg', held: false, isUnread: false, uses: 1 },
      { path: 'new.jpg', held: false, isUnread: true, uses: 1 },
      { path: 'old.jpg', held: true, isUnread: false, uses: 2 },
    ]);
  });
});

describe('a survey that is stopped', () => {
  it('ends before anything is added up, keeps what it read, and is added up behind', async () => {
    const { db, folder } = held;
    const many = Array.from({ length: 60 }, (_, n) => [`${n}.html`, '<img src="a.png" alt="">'] as const);
    await writeFiles(join(folder, 'halt'), {
      ...Object.fromEntries(many),
      'a.png': await flatPicture(20, 10),
    });
    const from = { kind: 'folder', path: join(folder, 'halt') } as const;
    await connectSite(db, MAINTAINER, { name: 'Halt', liveUrl: null, hosts: [], from });
    const id = await siteId(db, 'halt');
    const { rows } = await db.pool.query<{ id: number }>('select id from surveys where site_id = $1', [id]);
    const atWork = heldBack(db, 'update surveys set phase');
    const addingUp = heldBack(atWork.db, 'update pages p set places');
    const running = surveySite(addingUp.db, rows[0]?.id ?? 0);
    await atWork.reached;
    await stopSurvey(db, MAINTAINER, id, 1);
    atWork.goOn();
    await addingUp.reached;
    const told = await lastSurvey(db, id);
    expect(told.state).toBe('stopped');
    expect(told.counts['files']).toBe(1);
    const read = await db.pool.query('select 1 from pages where site_id = $1 and gone_in is null', [id]);
    expect(read.rows.length).toBeGreaterThan(0);
    addingUp.goOn();
    await running;
    expect((await lastSurvey(db, id)).state).toBe('stopped');
    // Where that fails, it stays stopped: tried again, the job does nothing that nobody wants.
    await resumeSurvey(db, MAINTAINER, id, 1);
    const again = heldBack(dyingAt(db, 'update pages p set places'), 'update surveys set phase');
    const failing = surveySite(again.db, rows[0]?.id ?? 0);
    await again.reached;
    await stopSurvey(db, MAINTAINER, id, 1);
    again.goOn();
    await expect(failing).rejects.toThrow('died at');
    expect((await lastSurvey(db, id)).state).toBe('stopped');
    await resumeSurvey(db, MAINTAINER, id, 1);
    await runJobs(db);
    expect(await lastSurvey(db, id)).toMatchObject({ state: 'done', counts: { pages: 60, placements: 60 } });
  });
});

describe('reach', () => {
  it('is estimated by the links until views are imported, and then counted', async () => {
    const { db, folder } = held;
    await writeFiles(join(folder, 'reach'), {
      'index.html': '<a href=a.html>a</a><img src=twice.jpg><img src=twice.jpg>',
      'a.html': '<a href=index.html>i</a>',
      'b.html': '<p>',
    });
    const id = await connected(db, 'Reach', join(folder, 'reach'));
    const reach = async () => {
      const { rows } = await db.pool.query<{ path: string; reach: number }>(
        'select path, reach from pages where site_id = $1 order by path',
        [id],
      );
      return rows.map((row) => `${row.path} ${Math.round(row.reach)}`);
    };
    expect(await reach()).toEqual(['a.html 459', 'b.html 0', 'index.html 541']);
    const { rows: files } = await db.pool.query<{ reach: number }>(
      'select reach from files where site_id = $1',
      [id],
    );
    expect(files.map((file) => Math.round(file.reach))).toEqual([541]);
    const line = (path: string, day: number) =>
      `1.2.3.4 - - [${String(day).padStart(2, '0')}/Nov/2026:10:00:00 +0000] "GET ${path} HTTP/1.1" 200 10\n`;
    const log = Array.from({ length: 30 }, (_, i) => line(i % 3 === 0 ? '/' : '/b.html', i + 1)).join('');
    const found = await importViews(db, MAINTAINER, id, { name: 'access.log', bytes: Buffer.from(log) });
    expect(found).toMatchObject({ views: 30, pages: 2 });
    expect(await reach()).toEqual(['a.html 0', 'b.html 21', 'index.html 10']);
    await importViews(db, MAINTAINER, id, {
      name: 'views.csv',
      bytes: Buffer.from('Page;Views\n/a.html;1 200\nhttps://x.example/b.html;7\n'),
    });
    expect(await reach()).toEqual(['a.html 1200', 'b.html 7', 'index.html 0']);
    const broken = gzipSync(log).subarray(0, 60);
    const cut = await importViews(db, MAINTAINER, id, { name: 'log.gz', bytes: broken }).catch(
      (error: unknown) => problemOf(error).code,
    );
    expect(cut).toBe('VIEWS_BROKEN');
    const refused = await importViews(db, MAINTAINER, id, {
      name: 'x.txt',
      bytes: Buffer.from('nothing of the kind'),
    }).catch((error: unknown) => problemOf(error).code);
    expect(refused).toBe('VIEWS_UNREADABLE');
    expect(await reach()).toEqual(['a.html 1200', 'b.html 7', 'index.html 0']);
  });
});
