/** Whole sites read from a stand-in server: what is found, what is kept from, and what is said about it. */
import { gzipSync } from 'node:zlib';
import { afterEach, describe, expect, it } from 'vitest';
import { openMirror } from '@/server/connections/http/open-mirror';
import { CRAWL_LIMITS } from '@/server/connections/http/crawl';
import { openFetcher, type Fetcher } from '@/server/connections/http/fetch-address';
import {
  mirrorSite,
  scopeOfStart,
  type MirrorEntry,
  type MirrorMemory,
} from '@/server/connections/http/mirror-site';
import { sha256 } from '@/server/hash';
import { problemOf } from '@/server/problem-error';
import { standIn, type Answer, type StandInServer } from '../fixtures/stand-in-server';

let server: StandInServer | undefined;
afterEach(async () => {
  await server?.close();
  server = undefined;
});

type Answers = Parameters<typeof standIn>[0];

async function filesOf(
  answers: Answers,
  { start = '/', maxPages }: { start?: string; maxPages?: number } = {},
) {
  server = await standIn(answers);
  const mirror = await openMirror(server.origin + start, { allowPrivate: true, maxPages });
  const { files, skipped, summary } = await mirror.list();
  await mirror.close();
  const origin = server.origin;
  return {
    paths: files.map(({ path }) => path).sort(),
    said: skipped.map(({ path, reason }) => `${path.replace(origin, '')}: ${reason.replaceAll(origin, '')}`),
    summary,
  };
}

describe('a live site', () => {
  it('is read by its links and its sitemaps together, with what dresses its pages', async () => {
    const { paths, said } = await filesOf({
      '/robots.txt': 'User-agent: *\nDisallow: /private/\nSitemap: /maps.xml',
      '/maps.xml': '<sitemapindex><sitemap><loc>/pages.xml.gz</loc></sitemap></sitemapindex>',
      '/pages.xml.gz': { body: gzipSync('<urlset><url><loc>/only-in-the-map.html</loc></url></urlset>') },
      '/': '<link rel=stylesheet href=/s.css><link rel=manifest href=/m.webmanifest><a href="news/">N</a><a href="/private/x.html">P</a><a href="mailto:a@b.example">M</a><a href="a.pdf">D</a><!-- <a href="no.html"> -->',
      '/news/': '<base href="/other/"><a href="deep.html#x">D</a><a href="https://elsewhere.example/">E</a>',
      '/other/deep.html': '<img src=a.jpg>',
      '/only-in-the-map.html': '<p>',
      '/s.css': '@import "more.css"; p{background:url(a.png)}',
      '/more.css': 'p{}',
      '/m.webmanifest': { headers: { 'content-type': 'application/manifest+json' }, body: '{}' },
    });
    expect(paths).toEqual([
      'index.html',
      'm.webmanifest',
      'more.css',
      'news/index.html',
      'only-in-the-map.html',
      'other/deep.html',
      's.css',
    ]);
    expect(said).toEqual(['/private/x.html: Left out: the host’s robots.txt asks not to read them']);
    expect(server?.asked.filter((path) => path.includes('private'))).toEqual([]);
  });

  it('reads a page under one name, whatever leads to it', async () => {
    const { paths } = await filesOf({
      '/': '<a href="/index.html">1</a><a href="/a.html?PHPSESSID=1">2</a><a href="/a.html">3</a><a href="/old.html">4</a>',
      '/index.html': { status: 404 },
      '/a.html': '<p>',
      '/old.html': { status: 301, headers: { location: '/a.html' } },
    });
    expect(paths).toEqual(['a.html', 'index.html']);
    expect(server?.asked.filter((path) => path.startsWith('/a.html'))).toHaveLength(2);
  });

  it('tells of sitemaps that are none, and reads one in UTF-16', async () => {
    const maps = ['page.html', 'bomb.xml.gz', 'gone.xml', 'wide.xml'];
    const { paths, said } = await filesOf({
      '/robots.txt': maps.map((map) => `Sitemap: /${map}`).join('\n'),
      '/': '<p>',
      '/page.html': '<!doctype html><p>Not here.',
      '/bomb.xml.gz': { body: gzipSync(Buffer.alloc(70_000_000, ' ')) },
      '/wide.xml': {
        body: Buffer.from('\ufeff<urlset><url><loc>/only-in-the-map.html</loc></url></urlset>', 'utf16le'),
      },
      '/only-in-the-map.html': '<p>',
    });
    expect(paths).toEqual(['index.html', 'only-in-the-map.html']);
    expect(said).toEqual([
      '/page.html: It is no sitemap.',
      '/bomb.xml.gz: It is larger than 60 MB.',
      '/gone.xml: The server has nothing there (404).',
    ]);
  });

  it('is led on by addresses whose letters are bytes, in UTF-8 or not, as browsers are', async () => {
    const leadTo = (bytes: Buffer) => ({ status: 301, headers: { location: bytes.toString('latin1') } });
    const { paths } = await filesOf({
      '/': '<a href=1>1</a><a href=2>2</a>',
      '/1': leadTo(Buffer.from('/grün.html')),
      '/2': leadTo(Buffer.from('/grau-wei\xdf.html', 'latin1')),
      '/gr%C3%BCn.html': '<p>',
      '/grau-wei%DF.html': '<p>',
    });
    expect(paths).toEqual(['grau-wei%DF.html', 'grün.html', 'index.html']);
  });

  it('tells of every address that gave no page, and of what called itself another thing', async () => {
    const { paths, said } = await filesOf({
      '/': '<link rel=stylesheet href=/s.css><a href="gone.html">1</a><a href="t.html">2</a><a href="away">3</a>',
      '/s.css': { headers: { 'content-type': 'text/html' }, body: '<p>' },
      '/t.html': { headers: { 'content-type': 'text/plain' }, body: 'x' },
      '/away': { status: 302, headers: { location: 'https://elsewhere.example/' } },
    });
    expect(paths).toEqual(['index.html']);
    expect(said.sort()).toEqual([
      '/away: It leads away, to https://elsewhere.example/. (linked from /)',
      '/gone.html: The server has nothing there (404). (linked from /)',
      '/s.css: It dresses pages and comes as text/html. (linked from /)',
      '/t.html: It is called a page and comes as text/plain. (linked from /)',
    ]);
  });

  it('takes the charset of the header', async () => {
    server = await standIn({
      '/': {
        headers: { 'content-type': 'text/html; charset=windows-1252' },
        body: Buffer.from('<a href="caf\xe9.html">', 'latin1'),
      },
      '/caf%C3%A9.html': '<p>',
    });
    const mirror = await openMirror(`${server.origin}/`, { allowPrivate: true });
    expect(
      (await mirror.list()).files.map(({ path, httpCharset }) => `${path} ${httpCharset}`).sort(),
    ).toEqual(['café.html utf-8', 'index.html windows-1252']);
    await mirror.close();
  });

  it('ends after as many pages as asked for, and says so', async () => {
    const all = Object.fromEntries(Array.from({ length: 30 }, (_, n) => [`/${n}.html`, '<p>']));
    const { paths, summary } = await filesOf(
      {
        '/': Object.keys(all)
          .map((path) => `<a href="${path}">x</a>`)
          .join(''),
        ...all,
      },
      { maxPages: 10 },
    );
    expect(paths).toHaveLength(10);
    expect(summary.endedBy).toBe('pages');
  });

  it('is not caught by what has no end: a calendar, a list sorted in every way, a path that grows', async () => {
    const { said, summary } = await filesOf((path) => {
      if (path === '/robots.txt' || path === '/sitemap.xml') return undefined;
      const year = /^\/cal\/(\d+)\//.exec(path)?.[1];
      if (year) return `<a href="/cal/${Number(year) + 1}/01/">next</a>`;
      if (path.startsWith('/list'))
        return `<a href="/list?sort=${path.length}&x=${Math.random()}">sort</a><a href="/list?sort=${Math.random()}">s</a>`;
      if (path.startsWith('/deep')) return `<a href="sub/a/">deeper</a>`;
      return '<a href="/cal/2024/01/">c</a><a href="/list?sort=1">l</a><a href="/deep/">d</a>';
    });
    expect(summary.pages).toBeLessThan(600);
    expect(said.join('\n')).toMatch(/calendar beyond/);
    expect(said.join('\n')).toMatch(/variants of one page/);
    expect(said.join('\n')).toMatch(/repeats itself/);
  });
});

/** What is said of a site that can't be read; `null` where it can. */
const problemWith = async (answers: Answers) => filesOf(answers).then(() => null, problemOf);

describe('a site that can’t be read', () => {
  it.each<[string, Record<string, Answer>, string]>([
    ['the start is not there', {}, 'ADDRESS_STATUS'],
    [
      'the start is a picture',
      { '/': { headers: { 'content-type': 'image/png' }, body: 'x' } },
      'START_NO_PAGE',
    ],
    [
      'the start leads to another host',
      { '/': { status: 301, headers: { location: 'https://x.example/' } } },
      'START_AWAY',
    ],
    ['robots.txt forbids it', { '/': '<p>', '/robots.txt': 'User-agent: ibidem\nDisallow: /' }, 'ROBOTS'],
    ['robots.txt fails to come', { '/': '<p>', '/robots.txt': { status: 500 } }, 'ROBOTS'],
  ])('%s', async (_name, answers, code) => {
    expect((await problemWith(answers))?.code).toBe(code);
  });
  it.each<[string, Record<string, Answer>, RegExp]>([
    ['nothing there', {}, /Mend or take out/],
    ['a door', { '/': { status: 401 } }, /connect the site by its folder/],
    ['asked too often', { '/': { status: 429, headers: { 'retry-after': '86400' } } }, /^Try again later\.$/],
    ['a failure', { '/': { status: 501 } }, /Try again later; if it fails again/],
    ['another answer', { '/': { status: 402 } }, /in a browser/],
  ])('%s: says what to do about it', async (_name, answers, remedy) => {
    expect((await problemWith(answers))?.remedy).toMatch(remedy);
  });
});

/** What is known of addresses, in memory. */
function memory(): MirrorMemory & { readonly entries: Map<string, MirrorEntry> } {
  const entries = new Map<string, MirrorEntry>();
  const kept = new Map<string, Uint8Array>();
  return {
    entries,
    known: (url) => entries.get(url),
    keepBytes: async (bytes) => {
      kept.set(sha256(bytes), bytes);
      return sha256(bytes);
    },
    bytes: async (hash) => kept.get(hash) ?? new Uint8Array(0),
    keep: (entry) => void entries.set(entry.url, entry),
    queued: () => undefined,
    passed: () => undefined,
    failed: () => undefined,
  };
}

/** A site of one page, dressed by so many style sheets, each of which is some ms under way. */
function withSlowSheets(count: number, delayMs: number): Promise<StandInServer> {
  const sheets = Array.from({ length: count }, (_, n) => `<link rel=stylesheet href=/s${n}.css>`);
  return standIn((path) =>
    path === '/'
      ? sheets.join('')
      : (_request, response) =>
          void setTimeout(() => response.writeHead(200, { 'content-type': 'text/css' }).end('p{}'), delayMs),
  );
}

describe('a second reading', () => {
  const pages = 40;
  const site = () => {
    let sent = 0;
    const answer = (path: string): Answer | undefined => {
      const n = path === '/' ? 0 : Number(/^\/(\d+)\.html$/.exec(path)?.[1] ?? Number.NaN);
      if (Number.isNaN(n) || n >= pages) return undefined;
      return (request, response) => {
        const etag = `"${n}"`;
        if (request.headers['if-none-match'] === etag) return void response.writeHead(304).end();
        sent++;
        response
          .writeHead(200, { 'content-type': 'text/html', etag })
          .end(`<a href="/${n + 1}.html">next</a>`);
      };
    };
    return { answer, sent: () => sent };
  };

  it('is told by the server that nothing has changed, and finds everything all the same', async () => {
    const { answer, sent } = site();
    server = await standIn(answer);
    const kept = memory();
    const read = async () => {
      const fetcher = openFetcher([server?.host ?? '']);
      const start = `${server?.origin}/`;
      const scope = await scopeOfStart(fetcher, start);
      const options = { start, scope, fetcher, memory: kept, year: 2026, concurrency: 1 };
      return mirrorSite(options).finally(() => fetcher.close());
    };
    const first = await read();
    expect(first.files).toHaveLength(pages);
    const before = sent();
    const second = await read();
    expect(second.files.map(({ path }) => path)).toEqual(first.files.map(({ path }) => path));
    expect(second.summary).toMatchObject({ pages: 0, unchanged: pages });
    // The start is asked once more, to see where the site stands.
    expect(sent() - before).toBe(1);
  });

  it('goes on where it was stopped', async () => {
    const { answer } = site();
    server = await standIn(answer);
    const kept = memory();
    const fetcher = openFetcher([server?.host ?? '']);
    const start = `${server.origin}/`;
    const scope = await scopeOfStart(fetcher, start);
    const options = { start, scope, fetcher, memory: kept, year: 2026, concurrency: 1 };
    const first = await mirrorSite({ ...options, isStopped: () => kept.entries.size >= 10 });
    expect(first.summary.endedBy).toBe('stop');
    const done = [...kept.entries.keys()];
    const entries = [...kept.entries.values()];
    const asked = server.asked.length;
    const rest = await mirrorSite({ ...options, resume: { done, open: [], entries } });
    expect(rest.files).toHaveLength(pages);
    expect(server.asked.slice(asked).filter((path) => done.includes(`${server?.origin}${path}`))).toEqual([]);
    await fetcher.close();
  });

  it('fetches what dresses the pages that were read before', async () => {
    server = await standIn({ '/': '<link rel=stylesheet href=/s.css>', '/s.css': 'p{}' });
    const fetcher = openFetcher([server?.host ?? '']);
    const start = `${server.origin}/`;
    const scope = await scopeOfStart(fetcher, start);
    const kept = memory();
    const options = { start, scope, fetcher, memory: kept, year: 2026 };
    await mirrorSite(options);
    const entries = [...kept.entries.values()].filter(({ role }) => role === 'page');
    server.asked.length = 0;
    const rest = await mirrorSite({ ...options, resume: { done: [start], open: [], entries } });
    expect(rest.files.map(({ path }) => path).sort()).toEqual(['index.html', 's.css']);
    expect(server.asked).not.toContain('/');
    await fetcher.close();
  });

  it('takes as it was what dresses pages and was left out this time, with what that imports', async () => {
    const sheets = Array.from({ length: 50 }, (_, n) => `/s${n}.css`);
    server = await standIn({
      '/': sheets.map((sheet) => `<link rel=stylesheet href=${sheet}>`).join(''),
      ...Object.fromEntries(sheets.map((sheet) => [sheet, `@import "/more${sheet}"`])),
      ...Object.fromEntries(sheets.map((sheet) => [`/more${sheet}`, 'p{}'])),
    });
    const fetcher = openFetcher([server.host]);
    const start = `${server.origin}/`;
    const scope = await scopeOfStart(fetcher, start);
    const options = { start, scope, fetcher, memory: memory(), year: 2026 };
    const first = await mirrorSite(options);
    expect(first.files).toHaveLength(101);
    server.asked.length = 0;
    const second = await mirrorSite({ ...options, maxPages: 1 });
    expect(server.asked.length).toBeLessThan(70);
    expect(second.files.map(({ path }) => path)).toEqual(first.files.map(({ path }) => path));
    await fetcher.close();
  });

  it('asks a slow server for what dresses its pages a few at a time: what waits for its turn here is not slow there', async () => {
    server = await withSlowSheets(40, 20);
    const fetcher = openFetcher([server.host]);
    const atOnce = { now: 0, most: 0 };
    const counted: Fetcher = {
      ...fetcher,
      get: (...asked) => {
        atOnce.most = Math.max(atOnce.most, ++atOnce.now);
        return fetcher.get(...asked).finally(() => atOnce.now--);
      },
    };
    const start = `${server.origin}/`;
    const scope = await scopeOfStart(fetcher, start);
    const { files } = await mirrorSite({ start, scope, fetcher: counted, memory: memory(), year: 2026 });
    expect(files).toHaveLength(41);
    expect(atOnce.most).toBe(CRAWL_LIMITS.concurrency);
    await fetcher.close();
  });

  it('that is stopped leaves what dresses its pages and waits', async () => {
    server = await withSlowSheets(60, 50);
    const fetcher = openFetcher([server.host]);
    const start = `${server.origin}/`;
    const scope = await scopeOfStart(fetcher, start);
    const kept = memory();
    const isStopped = () => kept.entries.size > 0;
    const first = await mirrorSite({ start, scope, fetcher, memory: kept, year: 2026, isStopped });
    expect(server.asked.filter((path) => path.endsWith('.css')).length).toBeLessThan(20);
    // Nothing is told of it: the reading goes on another time, and asks for it then.
    expect(first.skipped).toEqual([]);
    const entries = [...kept.entries.values()].filter(({ role }) => role === 'page');
    const resume = { done: [start], open: [], entries };
    const rest = await mirrorSite({ start, scope, fetcher, memory: kept, year: 2026, resume });
    expect(rest.files).toHaveLength(61);
    await fetcher.close();
  });

  it('that is stopped asks no more of a host that asks for a pace', async () => {
    const links = Array.from({ length: 30 }, (_, n) => `<a href=/${n}.html>${n}</a>`).join('');
    server = await standIn((path) =>
      path === '/robots.txt' ? 'User-agent: *\nCrawl-delay: 0.1' : path === '/' ? links : '<p>',
    );
    const fetcher = openFetcher([server.host]);
    const start = `${server.origin}/`;
    const scope = await scopeOfStart(fetcher, start);
    const kept = memory();
    const isStopped = () => kept.entries.size >= 3;
    await mirrorSite({ start, scope, fetcher, memory: kept, year: 2026, isStopped });
    expect(server.asked.filter((path) => path.endsWith('.html'))).toHaveLength(2);
    await fetcher.close();
  });

  it('remembers what led on, and what was no page', async () => {
    server = await standIn({
      '/': '<a href=/old>1</a><a href=/new>2</a><a href=/paper>3</a>',
      '/old': { status: 301, headers: { location: '/new' } },
      '/new': '<p>',
      '/paper': { headers: { 'content-type': 'application/pdf' }, body: 'x' },
    });
    const fetcher = openFetcher([server?.host ?? '']);
    const start = `${server.origin}/`;
    const scope = await scopeOfStart(fetcher, start);
    const passed: string[] = [];
    const kept = {
      ...memory(),
      passed: ({ url }: { url: string }, to: string) => void passed.push(`${url} ${to}`),
    };
    await mirrorSite({ start, scope, fetcher, memory: kept, year: 2026, concurrency: 1 });
    expect(passed.map((line) => line.replaceAll(server?.origin ?? '', ''))).toEqual([
      '/old /new',
      '/paper /paper',
    ]);
    await fetcher.close();
  });
});
