/** Surveys of a live site, one after the other: what is asked again, what only fails to come, and what is gone. */
import { afterEach, describe, expect, it } from 'vitest';
import { ledOn } from '@/app/_data/surveys/surveys';
import { connectSite } from '@/server/work/sites/connect-site';
import { resumeSurvey, stopSurvey } from '@/server/work/surveys/start-survey';
import { problemOf } from '@/server/problem-error';
import { connected } from '../fixtures/connected';
import { runJobs } from '../fixtures/run-jobs';
import { differs, lastSurvey, NOTHING, survey } from '../fixtures/surveyed';
import { standIn, type Answer, type StandInServer } from '../fixtures/stand-in-server';
import { MAINTAINER, useDatabase } from '../fixtures/test-database';
import { flatPicture } from '../fixtures/write-site';

const held = useDatabase();
let server: StandInServer | undefined;
afterEach(async () => {
  await server?.close();
  server = undefined;
});

describe('surveys of a live site', () => {
  it('fetch pages, sheets and pictures once, and the next time only ask whether they have changed', async () => {
    const { db } = held;
    const picture = await flatPicture(60, 40);
    let version = 1;
    const sent: string[] = [];
    const page =
      (path: string, body: () => string | Uint8Array, type: string): Answer =>
      (request, response) => {
        const etag = `"${path}${path === '/two.html' ? version : ''}"`;
        if (request.headers['if-none-match'] === etag) return void response.writeHead(304).end();
        sent.push(path);
        response.writeHead(200, { 'content-type': type, etag }).end(body());
      };
    server = await standIn({
      '/': page(
        '/',
        () =>
          '<title>Home</title><link rel=stylesheet href=/s.css><img src="/img.php?id=1" alt="x"><a href=/two.html>2</a>',
        'text/html',
      ),
      '/two.html': page(
        '/two.html',
        () => `<title>Two</title><img src=/p.jpg alt="${version === 1 ? 'old' : 'new'}">`,
        'text/html',
      ),
      '/s.css': page('/s.css', () => 'body{background:url(p.jpg)}', 'text/css'),
      '/p.jpg': page('/p.jpg', () => picture, 'image/jpeg'),
      '/img.php?id=1': page('/img.php?id=1', () => picture, 'image/jpeg'),
    });
    const from = { kind: 'http', start: `${server.origin}/`, isPrivate: true } as const;
    const id = await connected(db, 'Live', from);
    expect(await lastSurvey(db, id)).toMatchObject({
      state: 'done',
      counts: { pages: 2, placements: 3, files: 2 },
    });
    // Once to see whether the address is right, once where the site stands, once as a page.
    expect([...sent].sort()).toEqual(['/', '/', '/', '/img.php?id=1', '/p.jpg', '/s.css', '/two.html']);
    const { rows } = await db.pool.query(
      'select path, format, width_px from files where site_id = $1 order by path',
      [id],
    );
    expect(rows).toEqual([
      { path: 'img.php?id=1', format: 'jpeg', width_px: 60 },
      { path: 'p.jpg', format: 'jpeg', width_px: 60 },
    ]);

    version = 2;
    sent.length = 0;
    expect(differs(await survey(db, id))).toEqual({ ...NOTHING, changed: 1 });
    expect(sent.filter((path) => path !== '/')).toEqual(['/two.html']);
  });

  it('list the pictures that only a sitemap names, and what leads on', async () => {
    const { db } = held;
    server = await standIn({
      '/': '<a href="/old.html">1</a>',
      '/old.html': { status: 301, headers: { location: '/new.html' } },
      '/new.html': '<p>',
      '/sitemap.xml': '<urlset><url><loc>/</loc><image><loc>/alone.jpg</loc></image></url></urlset>',
      '/alone.jpg': { body: await flatPicture(20, 10) },
    });
    const { origin } = server;
    const id = await connected(db, 'Named', { kind: 'http', start: `${origin}/`, isPrivate: true });
    const { rows } = await db.pool.query('select path, width_px, uses from files where site_id = $1', [id]);
    expect(rows).toEqual([{ path: 'alone.jpg', width_px: 20, uses: 0 }]);
    expect(await ledOn(id, 1)).toEqual([
      { url: `${origin}/old.html`, final_url: `${origin}/new.html`, from_url: `${origin}/` },
    ]);
  });

  it('stop when asked to, and go on to the end with nothing asked twice', async () => {
    const { db } = held;
    const pages = 60;
    const stopAt = 20;
    let id = 0;
    server = await standIn((path) => {
      const n = path === '/' ? 0 : Number(/^\/(\d+)\.html$/.exec(path)?.[1] ?? Number.NaN);
      if (Number.isNaN(n) || n >= pages) return undefined;
      return (_request, response) => {
        const answer = () =>
          response.writeHead(200, { 'content-type': 'text/html' }).end(`<a href="/${n + 1}.html">`);
        if (n !== stopAt) return void answer();
        // The survey hears of it with its next word on how it goes, at most half a second later.
        void stopSurvey(db, MAINTAINER, id, 2).then(() => setTimeout(answer, 700));
      };
    });
    id = await connected(db, 'Stopped', { kind: 'http', start: `${server.origin}/`, isPrivate: true });
    await db.pool.query('delete from addresses where site_id = $1', [id]);
    const stopped = await survey(db, id);
    expect(stopped.state).toBe('stopped');
    const { rows: held1 } = await db.pool.query(
      'select 1 from pages where site_id = $1 and gone_in is null',
      [id],
    );
    expect(held1).toHaveLength(pages);
    server.asked.length = 0;
    await resumeSurvey(db, MAINTAINER, id, 2);
    await runJobs(db);
    expect(await lastSurvey(db, id)).toMatchObject({ state: 'done', counts: { pages } });
    const again = server.asked.filter((path) => /^\/\d+\.html$/.test(path));
    expect(new Set(again).size).toBe(again.length);
    expect(again).not.toContain('/5.html');
  });

  it('keep what the server only fails to give, and let go of what is not there', async () => {
    const { db } = held;
    const picture = await flatPicture(60, 40);
    let state = 200;
    const answer =
      (type: string, body: string | Uint8Array): Answer =>
      (_request, response) =>
        void response.writeHead(state, { 'content-type': type }).end(body);
    server = await standIn({
      '/': '<a href=/a.html>1</a><link rel=stylesheet href=/s.css><img src=/p.jpg>',
      '/a.html': answer('text/html', '<p>A<link rel=stylesheet href=/own.css>'),
      '/s.css': answer('text/css', '@import "more.css"; p { background: url(p.jpg) }'),
      '/own.css': 'p { background: url(own.jpg) }',
      '/more.css': 'p { background: url(more.jpg) }',
      '/p.jpg': answer('image/jpeg', picture),
    });
    const { origin } = server;
    const id = await connected(db, 'Fails', { kind: 'http', start: `${origin}/`, isPrivate: true });
    const standing = async () =>
      (
        await db.pool.query(
          'select path, sha256 is not null as held, problem, size_bytes::int as size from files where site_id = $1 and gone_in is null order by path',
          [id],
        )
      ).rows;
    const calledMissing = async () =>
      (await db.pool.query("select 1 from errata where site_id = $1 and rule = 'file/missing'", [id])).rows
        .length;
    const missing = { held: false, problem: null, size: null };
    const there = { path: 'p.jpg', held: true, problem: null, size: picture.length };
    const others = ['more.jpg', 'own.jpg'].map((path) => ({ path, ...missing }));
    expect(await standing()).toEqual([...others, there]);
    for (state of [403, 503]) {
      const again = await survey(db, id);
      expect(differs(again)).toEqual(NOTHING);
      expect(again.counts['changedPages']).toBe(0);
      // The pictures that nobody has are asked for again, and told as missing, not as failures.
      expect(again.counts.skipped.map(({ path }) => path.slice(origin.length)).sort()).toEqual([
        '/a.html',
        '/p.jpg',
        '/s.css',
      ]);
      expect(await standing()).toEqual([...others, there]);
    }
    // A picture that was read in another way, as before a site was read by its address, stands as well.
    await db.pool.query("delete from addresses where site_id = $1 and path = 'p.jpg'", [id]);
    await survey(db, id);
    expect(await standing()).toEqual([...others, there]);
    state = 404;
    expect(differs(await survey(db, id))).toMatchObject({ gonePages: 1 });
    expect(await standing()).toEqual([{ path: 'p.jpg', ...missing }]);
    expect(await calledMissing()).toBe(1);
    // What is gone does not come back because the server fails the next time.
    state = 403;
    expect(differs(await survey(db, id))).toEqual(NOTHING);
    expect(await standing()).toEqual([
      { path: 'p.jpg', held: false, problem: expect.stringContaining('does not show it'), size: null },
    ]);
    expect(await calledMissing()).toBe(0);
    state = 404;
    await survey(db, id);
    expect(await standing()).toEqual([{ path: 'p.jpg', ...missing }]);
    expect(await calledMissing()).toBe(1);
  });

  it('read no page anew because what dresses it came in another order', async () => {
    const { db } = held;
    let late = '/a.css';
    const sheet: Answer = (request, response) => {
      const send = () => void response.writeHead(200, { 'content-type': 'text/css' }).end(request.url);
      if (request.url === late) setTimeout(send, 300);
      else send();
    };
    server = await standIn({
      '/': '<link rel=stylesheet href=/a.css><link rel=stylesheet href=/b.css><p>',
      '/a.css': sheet,
      '/b.css': sheet,
    });
    const id = await connected(db, 'Order', { kind: 'http', start: `${server.origin}/`, isPrivate: true });
    late = '/b.css';
    expect((await survey(db, id)).counts['changedPages']).toBe(0);
  });

  it('refuse an address inside the house, and tell a wrong one where it was typed', async () => {
    const { db } = held;
    server = await standIn({ '/': '<p>' });
    const connect = (start: string, isPrivate: boolean) =>
      connectSite(db, MAINTAINER, {
        name: 'X',
        liveUrl: null,
        hosts: [],
        from: { kind: 'http', start, isPrivate },
      }).catch((error: unknown) => problemOf(error).code);
    expect(await connect(`${server.origin}/`, false)).toBe('ADDRESS_PRIVATE');
    expect(await connect(`${server.origin}/nothing`, true)).toBe('ADDRESS_STATUS');
    expect(await connect('ftp://x.example/', true)).toBe('SITE_INPUT');
  });
});
