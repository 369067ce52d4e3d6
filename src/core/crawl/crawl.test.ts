import { describe, expect, it } from 'vitest';
import { mayBePage, ownUrl, pageName, pagePathOf, scopeOf } from './crawl-scope';
import { readSitemap } from './read-sitemap';
import { watchForTraps } from './spot-traps';

const scope = scopeOf('https://ferndrake.example/', { hosts: ['old.example'], cacheBusters: ['v'] });

describe('ownUrl', () => {
  it.each([
    ['the site', 'https://ferndrake.example/a.html#x', 'https://ferndrake.example/a.html'],
    ['www and http', 'http://www.ferndrake.example/a', 'https://ferndrake.example/a'],
    ['another name of the site', 'http://old.example/a?b=1', 'https://ferndrake.example/a?b=1'],
    [
      'sessions and cache busters',
      'https://ferndrake.example/a;jsessionid=9?PHPSESSID=1&v=3',
      'https://ferndrake.example/a',
    ],
    [
      'parameters that matter stay as written',
      'https://ferndrake.example/a?id=1&utm_source=x',
      'https://ferndrake.example/a?id=1',
    ],
    ['another port is another site', 'https://ferndrake.example:81/a', null],
    ['another host', 'https://x.example/a', null],
    ['another scheme', 'mailto:a@ferndrake.example', null],
    ['no address', 'http://', null],
  ])('%s', (_name, address, expected) => {
    expect(ownUrl(address, scope)).toBe(expected);
  });

  it('keeps to the folder a site begins in', () => {
    const part = scopeOf('http://h.example/en/index.html');
    expect([ownUrl('http://h.example/en/b/c', part), ownUrl('http://h.example/fr/', part)]).toEqual([
      'http://h.example/en/b/c',
      null,
    ]);
  });
});

describe('pagePathOf', () => {
  it.each([
    ['https://ferndrake.example/', 'index.html'],
    ['https://ferndrake.example/news/', 'news/index.html'],
    ['https://ferndrake.example/news/index.php', 'news/index.html'],
    ['https://ferndrake.example/news/index.php?id=3', 'news/index.php?id=3'],
    ['https://ferndrake.example/caf%C3%A9', 'café'],
    ['https://ferndrake.example/?p=3', 'index.html?p=3'],
    ['https://ferndrake.example/why%3F', 'why%3F'],
  ])('%s is %s', (url, expected) => {
    expect(pagePathOf(url, scope.site)).toBe(expected);
  });
});

it.each([
  ['/a', true],
  ['/a.php?x=b.jpg', true],
  ['/a.JPG', false],
  ['/a.pdf', false],
  ['/', true],
])('%s may be a page: %s', (path, expected) => {
  expect(mayBePage(`http://h.example${path}`)).toBe(expected);
});

it('calls a folder’s own page as the site says', () => {
  const site = { indexNames: ['start.html', 'index.htm'] };
  const names = ['', 'news/', 'news/Index.htm', 'news/index.html', 'start.html'].map((path) =>
    pageName(path, site),
  );
  expect(names).toEqual([
    'start.html',
    'news/start.html',
    'news/start.html',
    'news/index.html',
    'start.html',
  ]);
});

describe('readSitemap', () => {
  const at = 'https://ferndrake.example/sitemap.xml';
  it('reads pages and their pictures', () => {
    const xml = `<?xml version="1.0"?><urlset xmlns="x" xmlns:image="y"><url><loc> https://ferndrake.example/a?b=1&amp;c=2 </loc><image:image><image:loc>/i/a.jpg</image:loc></image:image></url><url><loc>b.html</loc></url></urlset>`;
    expect(readSitemap(xml, at)).toEqual({
      pages: ['https://ferndrake.example/a?b=1&c=2', 'https://ferndrake.example/b.html'],
      sitemaps: [],
      pictures: ['https://ferndrake.example/i/a.jpg'],
    });
  });
  it('reads an index', () => {
    expect(
      readSitemap('<sitemapindex><sitemap><loc>/s1.xml.gz</loc></sitemap></sitemapindex>', at)?.sitemaps,
    ).toEqual(['https://ferndrake.example/s1.xml.gz']);
  });
  it('reads lines of addresses', () => {
    expect(
      readSitemap('https://ferndrake.example/a\r\n\r\nhttps://ferndrake.example/b\n', at)?.pages,
    ).toHaveLength(2);
  });
  it.each([
    ['broken XML', '<urlset><url><loc>'],
    [
      'entities that grow',
      `<!DOCTYPE x [<!ENTITY a "aaaa"><!ENTITY b "&a;&a;&a;">]><urlset><url><loc>&b;&b;</loc></url></urlset>`,
    ],
    ['no entry', '<urlset/>'],
  ])('%s gives no page of the site', (_name, text) => {
    expect(readSitemap(text, at)?.pages.filter((page) => /\/a+$/.test(page))).toEqual([]);
  });
  it.each([
    ['a page in its place', '<!DOCTYPE html><html><body>404'],
    ['other XML', '<?xml version="1.0"?><error>404</error>'],
    ['other text', 'not found'],
    ['nothing', ''],
  ])('%s is no sitemap', (_name, text) => {
    expect(readSitemap(text, at)).toBeNull();
  });
});

describe('watchForTraps', () => {
  const watch = () => watchForTraps(2026, { variants: 3, sameVariants: 2, segments: 6, length: 120 });
  const told = (urls: readonly string[]) => {
    const traps = watch();
    const followed = urls.filter((path) => traps.mayFollow(`http://h.example${path}`));
    return { followed, cuts: traps.cuts().map(({ pattern, why, count }) => `${pattern} ${count}: ${why}`) };
  };
  it.each([
    ['numbered pages of an archive', Array.from({ length: 900 }, (_, n) => `/news/2019/${n}.html`), 900, []],
    ['years that matter', ['/2014/05/', '/news/2026-11.html', '/cal?date=2027-01'], 3, []],
    [
      'a calendar without end',
      ['/cal/2031/05/', '/cal/2031/06/', '/cal?month=203105'],
      0,
      [
        '/cal/####/##/ 2: a calendar beyond the years that matter',
        '/cal?month 1: a calendar beyond the years that matter',
      ],
    ],
    [
      'sorting in every way',
      ['/l?s=1', '/l?s=2', '/l?s=3', '/l?s=4'],
      3,
      ['/l?s 1: too many variants of one page'],
    ],
    [
      'a path that repeats itself',
      ['/a/b/a/b/a/b', '/a/a/b'],
      1,
      ['/a/b/a/b/a/b 1: the path repeats itself'],
    ],
    ['a deep path', ['/1/2/3/4/5/6/7'], 0, ['/#/#/#/#/#/#/# 1: the path is too deep']],
    ['a long address', [`/${'x'.repeat(130)}`], 0, [`/${'x'.repeat(130)} 1: the address is too long`]],
  ])('%s', (_name, urls, followed, cuts) => {
    const result = told(urls);
    expect(result.followed).toHaveLength(followed);
    expect(result.cuts).toEqual(cuts);
  });

  it('stops asking for variants that say the same', () => {
    const traps = watch();
    for (const n of [1, 2]) {
      expect(traps.mayFollow(`http://h.example/l?s=${n}`)).toBe(true);
      traps.saw(`http://h.example/l?s=${n}`, 'same');
    }
    expect(traps.mayFollow('http://h.example/l?s=3')).toBe(false);
  });
});
