import { describe, expect, it } from 'vitest';
import { dayOf, type Day } from '../dating/day';
import type { Release } from './records';
import { nextTurn, releaseText, standingOf, type Standing } from './standing';

const day = (text: string): Day => {
  const [year = 0, month = 0, date = 0] = text.split('-').map(Number);
  return dayOf(year, month, date) as Day;
};
const release = (
  from?: string,
  until?: string,
  withdrawn?: string,
  purposes?: readonly string[],
): Release => ({
  ...(from ? { from: day(from) } : {}),
  ...(until ? { until: day(until) } : {}),
  ...(withdrawn ? { withdrawn: day(withdrawn) } : {}),
  ...(purposes ? { purposes } : {}),
});

describe('how releases stand on 2026-11-28', () => {
  it.each<[Standing, readonly Release[] | null | undefined]>([
    ['not asked', undefined],
    ['not asked', null],
    ['none given', []],
    ['in force', [{}]],
    ['in force', [release('2026-11-28', '2026-11-28')]],
    ['ended', [release(undefined, '2026-11-27')]],
    ['not yet', [release('2026-11-29')]],
    ['withdrawn', [release('2026-01-01', '2027-01-01', '2026-11-28')]],
    ['in force', [release('2026-01-01', '2027-01-01', '2026-11-29')]],
    ['in force', [release(undefined, undefined, '2026-01-01'), release('2026-09-01')]],
    ['ended', [release(undefined, undefined, '2026-01-01'), release(undefined, '2026-08-31')]],
    ['ended', [release(undefined, '2025-08-31'), release('2027-01-01')]],
  ])('%s', (standing, releases) => {
    expect(standingOf(releases, day('2026-11-28'))).toBe(standing);
  });
});

it.each<[readonly Release[], string | null]>([
  [[], null],
  [[{}], null],
  [[release(undefined, '2026-12-31')], '2027-01-01'],
  [[release('2026-12-01', '2026-12-31'), release(undefined, undefined, '2026-12-24')], '2026-12-01'],
  [[release(undefined, '2026-11-01')], null],
])('%j turns next on %s', (releases, expected) => {
  expect(nextTurn({ id: 'p', releases }, day('2026-11-28'))).toBe(expected === null ? null : day(expected));
});

it.each<[Release, string]>([
  [{}, 'for everything'],
  [release('2026-09-01', '2027-08-31', undefined, ['news', 'teaching']), 'for news, teaching from 2026-09-01 until 2027-08-31'],
  [release(undefined, undefined, '2026-10-05', []), 'for everything · withdrawn on 2026-10-05'],
])('%j in words', (given, text) => {
  expect(releaseText(given)).toBe(text);
}); // oxfmt-ignore
