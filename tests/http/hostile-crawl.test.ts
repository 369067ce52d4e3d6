/** Whole crawls of servers that mean no good: each ends within its budget, and the good pages are read meanwhile. */
import { gzipSync } from 'node:zlib';
import { afterEach, describe, expect, it } from 'vitest';
import { openMirror } from '@/server/connections/http/open-mirror';
import { standIn, type Answer, type StandInServer } from '../fixtures/stand-in-server';

const others: StandInServer[] = [];
afterEach(async () => {
  await Promise.all(others.splice(0).map((one) => one.close()));
});

const MAX_PAGES = 60;
/** Half as many again as pages, and 60; the start is asked once more before. */
const MAX_REQUESTS = MAX_PAGES * 1.5 + 60 + 2;

const links = (paths: readonly string[]) => paths.map((path) => `<a href="${path}">x</a>`).join('');
const GOOD = Array.from({ length: 20 }, (_, n) => `/good-${n}.html`);

async function crawled(answers: (path: string) => Answer | undefined) {
  const server = await standIn((path) => answers(path) ?? (GOOD.includes(path) ? '<p>good</p>' : undefined));
  const { origin } = server;
  const start = Date.now();
  const mirror = await openMirror(`${origin}/`, { allowPrivate: true, maxPages: MAX_PAGES });
  const { files, skipped, summary } = await mirror.list().finally(() => mirror.close());
  const seconds = (Date.now() - start) / 1000;
  await server.close();
  return {
    good: files.filter(({ path }) => path.startsWith('good-')).length,
    paths: files.map(({ path }) => path),
    said: skipped.map(({ path, reason }) => `${path} ${reason}`.replaceAll(origin, '')),
    asked: server.asked.length,
    seconds,
    summary,
  };
}

const forEver =
  (chunk: string, everyMs: number): Answer =>
  (_request, response) => {
    response.writeHead(200, { 'content-type': 'text/html' });
    const timer = setInterval(() => response.write(chunk), everyMs);
    response.on('close', () => clearInterval(timer));
  };

const OTHERWISE: Record<string, string> = { '/s.css': 'p{}', '/bad.html': '<p>' };

describe('a crawl within its budget', () => {
  it('of style sheets that import without end', async () => {
    const found = await crawled((path) => {
      if (path === '/') return `<link rel=stylesheet href=/s0.css>${links(GOOD)}`;
      const n = /^\/s(\d+)\.css$/.exec(path)?.[1];
      const more = [1, 2, 3].map((k) => `@import "/s${Number(n) * 3 + k}.css";`).join('');
      return n === undefined ? undefined : more;
    });
    expect(found.good).toBe(GOOD.length);
    expect(found.asked).toBeLessThan(MAX_REQUESTS);
    expect(found.said.join()).toMatch(/too many style sheets|style sheets deep/);
  });

  it('of sitemaps that lead to sitemaps without end, and name what is not there', async () => {
    const found = await crawled((path) => {
      if (path === '/robots.txt') return 'Sitemap: /map-0.xml';
      if (path === '/') return links(GOOD);
      const n = /^\/map-(\d+)\.xml$/.exec(path)?.[1];
      if (n === undefined) return undefined;
      const next = `<sitemapindex><sitemap><loc>/map-${Number(n) + 1}.xml</loc></sitemap></sitemapindex>`;
      const dead = Array.from({ length: 50_000 }, (_, k) => `<url><loc>/dead-${n}-${k}.html</loc></url>`);
      return Number(n) % 2 === 0 ? next : `<urlset>${dead.join('')}</urlset>`;
    });
    expect(found.good).toBe(GOOD.length);
    expect(found.asked).toBeLessThan(MAX_REQUESTS);
    const chain = await crawled((path) => {
      if (path === '/robots.txt') return 'Sitemap: /map-0.xml';
      const n = /^\/map-(\d+)\.xml$/.exec(path)?.[1];
      if (n) return `<sitemapindex><sitemap><loc>/map-${Number(n) + 1}.xml</loc></sitemap></sitemapindex>`;
      return path === '/' ? links(GOOD) : undefined;
    });
    expect(chain.good).toBe(GOOD.length);
    expect(chain.asked).toBeLessThan(80);
    expect(chain.said.join()).toMatch(/too many for this reading/);
  });

  it('of a page with 200,000 dead links before the good ones', async () => {
    const dead = Array.from({ length: 200_000 }, (_, n) => `/dead-${n}.html`);
    const found = await crawled((path) => {
      if (path === '/') return '<a href=/list.html>list</a><a href=/index-of-good.html>good</a>';
      if (path === '/list.html') return links(dead);
      return path === '/index-of-good.html' ? links(GOOD) : undefined;
    });
    expect(found.good).toBe(GOOD.length);
    expect(found.asked).toBeLessThan(MAX_REQUESTS);
    expect(found.summary.endedBy).toBe('requests');
    expect(found.said.join()).toMatch(/The reading ended after 150 requests/);
  });

  // They wait for most of their time: together they wait once.
  it.concurrent.each([
    ['a page that drips', { '/bad.html': forEver('<', 1000) }],
    ['a style sheet that drips', { '/s.css': forEver('p', 1000) }],
    [
      'hints without end',
      {
        '/bad.html': ((_request, response) => {
          const timer = setInterval(() => response.writeEarlyHints({ link: '</s.css>; rel=preload' }), 200);
          response.on('close', () => clearInterval(timer));
        }) satisfies Answer,
      },
    ],
    [
      'one that is to be asked again tomorrow',
      { '/bad.html': { status: 429, headers: { 'retry-after': '86400' } } },
    ],
    ['one that never answers', { '/bad.html': (() => undefined) satisfies Answer }],
  ] as [string, Record<string, Answer>][])('where there is %s', async (_name, bad) => {
    const home = `<link rel=stylesheet href=/s.css><a href=/bad.html>x</a>${links(GOOD)}`;
    const found = await crawled((path) => (path === '/' ? home : (bad[path] ?? OTHERWISE[path])));
    expect(found.good).toBe(GOOD.length);
    expect(found.said).toHaveLength(1);
    expect(found.seconds).toBeLessThan(25);
  });
});

describe('a robots.txt that means no good', () => {
  it('of 50 MB is read as far as its first 500 KiB', async () => {
    const rules = Buffer.from(
      `User-agent: *\nDisallow: /good-3.html\n${'# nothing\n'.repeat(5_000_000)}Disallow: /\n`,
    );
    const found = await crawled((path) => {
      if (path === '/robots.txt') return { headers: { 'content-type': 'text/plain' }, body: rules };
      return path === '/' ? links(GOOD) : undefined;
    });
    expect(found.good).toBe(GOOD.length - 1);
    expect(found.paths).not.toContain('good-3.html');
  });

  it('leads nobody to another port of the house', async () => {
    const inside = await standIn({ '/robots.txt': 'secret' });
    others.push(inside);
    const found = await crawled((path) => {
      if (path === '/robots.txt')
        return { status: 302, headers: { location: `${inside.origin}/robots.txt` } };
      if (path === '/')
        return `<link rel=stylesheet href="${inside.origin}/s.css"><a href=/away.html>x</a>${links(GOOD)}`;
      return path === '/away.html' ? { status: 302, headers: { location: `${inside.origin}/` } } : undefined;
    });
    expect(inside.asked).toEqual([]);
    expect(found.good).toBe(GOOD.length);
  });
});

describe('what a crawl tells', () => {
  it('an answer that was not asked for, one packed in a way nobody asked for, one packed twice', async () => {
    const twice = gzipSync(gzipSync('<p>twice</p>'));
    const found = await crawled((path) => {
      if (path === '/') return links(['/same.html', '/zstd.html', '/twice.html', '/torn.html', ...GOOD]);
      if (path === '/same.html') return { status: 304 };
      if (path === '/zstd.html') return { headers: { 'content-encoding': 'zstd' }, body: 'x' };
      if (path === '/twice.html') return { headers: { 'content-encoding': 'gzip' }, body: twice };
      return path === '/torn.html'
        ? { headers: { 'content-encoding': 'gzip' }, body: twice.subarray(0, 20) }
        : undefined;
    });
    expect(found.good).toBe(GOOD.length);
    expect(found.said.sort()).toEqual([
      expect.stringMatching(/^\/same\.html It says that nothing has changed \(304\)/),
      expect.stringMatching(/^\/torn\.html Its gzip packing is broken/),
      expect.stringMatching(/^\/twice\.html It is packed twice over/),
      expect.stringMatching(/^\/zstd\.html It is packed as zstd/),
    ]);
  });

  it('calendars that were cut, and sessions that were taken out of addresses', async () => {
    const found = await crawled((path) => {
      if (path === '/') return links(['/a.html?PHPSESSID=77', '/cal/2099/05/', '/cal/2099/06/', ...GOOD]);
      return path === '/a.html' ? '<p>' : undefined;
    });
    expect(found.paths).toContain('a.html');
    expect(found.said.join('\n')).toMatch(/\/a\.html\?PHPSESSID=77 Left out: it names a session/);
    expect(found.said.join('\n')).toMatch(/\/cal\/2099\/05\/ 2 like it were left out: a calendar/);
  });

  it('and where a page sends its readers on, it goes', async () => {
    const found = await crawled((path) => {
      if (path === '/') return `<meta http-equiv="Refresh" content="0; URL='/moved.html'">`;
      return path === '/moved.html' ? links(GOOD) : undefined;
    });
    expect(found.paths).toContain('moved.html');
    expect(found.good).toBe(GOOD.length);
  });
});
