import { describe, expect, it } from 'vitest';
import { viewCounter } from './count-views';
import { pageRank } from './page-rank';
import { logReader } from './read-log-line';

describe('pageRank', () => {
  const rounded = (links: number[][]) =>
    [...pageRank(links, 0)].map((share) => Math.round(share * 1000) / 1000);
  it.each([
    ['one page', [[]], [1]],
    // x = 0.15 + 0.85 y, y = 0.85 x, so x = 0.15 / (1 - 0.7225).
    ['two that link each other', [[1], [0]], [0.541, 0.459]],
    // Home leads to both, both lead nowhere: home gets 0.15 + 0.85 × the rest.
    ['two leaves', [[1, 2], [], []], [0.541, 0.23, 0.23]],
    ['a page nobody leads to', [[1], [0], [0]], [0.541, 0.459, 0]],
    ['numbers out of range', [[1, 9, -1], [0]], [0.541, 0.459]],
  ])('%s', (_name, links, expected) => {
    expect(rounded(links)).toEqual(expected);
  });
  it('adds up to 1 on a large site', () => {
    const links = Array.from({ length: 3000 }, (_, n) => [0, (n * 7) % 3000, (n * 13 + 5) % 3000]);
    const sum = pageRank(links, 0).reduce((total, share) => total + share, 0);
    expect(sum).toBeCloseTo(1, 6);
  });
  it('of no page is nothing', () => expect(pageRank([], 0)).toHaveLength(0));
});

describe('logReader', () => {
  const when = '[01/Nov/2026:10:00:00 +0100]';
  const at = Date.UTC(2026, 10, 1, 9);
  it.each([
    ['common', `1.2.3.4 - - ${when} "GET /news/ HTTP/1.1" 200 1234`, { target: '/news/', at }],
    [
      'combined',
      `::1 - jo ${when} "GET /a?b=1 HTTP/2.0" 304 - "https://x.example/" "Mozilla/5.0 (X11; \\"odd\\")"`,
      { target: '/a?b=1', at },
    ],
    ['a program', `1.2.3.4 - - ${when} "GET / HTTP/1.1" 200 1 "-" "Examplebot/2.1"`, null],
    ['not found', `1.2.3.4 - - ${when} "GET /x HTTP/1.1" 404 1`, null],
    ['a form sent', `1.2.3.4 - - ${when} "POST / HTTP/1.1" 200 1`, null],
    ['a broken line', 'nonsense', null],
    ['an endless line', `1.2.3.4 - - ${when} "GET /${'x'.repeat(9000)} HTTP/1.1" 200 1`, null],
  ])('%s', (_name, line, expected) => {
    expect(logReader().read(line)).toEqual(expected);
  });

  it('reads the W3C extended format by the fields it names, and counts what it can’t read', () => {
    const log = logReader();
    expect(log.read('#Version: 1.0')).toBeNull();
    log.read('#Fields: date time cs-method cs-uri-stem cs-uri-query sc-status cs(User-Agent)');
    expect(log.read('2026-11-01 09:00:00 GET /a p=1 200 Mozilla/5.0')).toEqual({ target: '/a?p=1', at });
    expect(log.read('2026-11-01 09:00:00 GET /a - 200 Mozilla/5.0')).toEqual({ target: '/a', at });
    expect(log.read('short line')).toBeNull();
    expect(log.read('')).toBeNull();
    expect(log.unread()).toBe(1);
  });
});

describe('viewCounter', () => {
  it('brings views to a month', () => {
    const counter = viewCounter();
    for (let day = 0; day <= 10; day++) counter.add('a', Date.UTC(2026, 10, 1 + day));
    expect(counter.result().perMonth.get('a')).toBeCloseTo((11 / 10) * 30.436875, 6);
  });
  it('does not blow up an hour', () => {
    const counter = viewCounter();
    counter.add('a', 0);
    counter.add('a', 3_600_000);
    expect(counter.result().perMonth.get('a')).toBeCloseTo(2 * 30.436875, 6);
    expect(viewCounter().result()).toMatchObject({ views: 0, from: null });
  });
});
