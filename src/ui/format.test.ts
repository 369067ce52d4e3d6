import { describe, expect, it } from 'vitest';
import { NOTHING_DECLARED } from '@/core/markup/declared-slot';
import {
  agoText,
  bytesText,
  count,
  dateText,
  leftText,
  pixelsText,
  placeText,
  reachText,
  titleText,
  lowerFirst,
} from './format';
import { kindText, slotText } from './placement-text';

describe('numbers and dates', () => {
  it.each([
    [count(1, 'place'), '1 place'],
    [count(1234, 'place'), '1,234 places'],
    [count(2, 'entry', 'entries'), '2 entries'],
    [bytesText(699), '699 B'],
    [bytesText(38_400), '38 kB'],
    [bytesText(4_120_000), '4.1 MB'],
    [pixelsText(4032, 3024), '4,032 × 3,024'],
    [pixelsText(null, 3024), 'size unknown'],
    [dateText(new Date(2026, 10, 25, 9, 5)), '25 November 2026, 09:05'],
    [agoText(new Date(2026, 10, 25, 9, 5), new Date(2026, 10, 25, 9, 8)), '3 minutes ago'],
  ])('%s', (text, expected) => {
    expect(text).toBe(expected);
  });
});

describe('where a page stands', () => {
  it.each([
    ['index.html', 'Home'],
    ['lessons/violin.html', 'Lessons / Violin'],
    ['lessons/index.html', 'Lessons'],
    ['news/2014-open-day.html', 'News / 2014 open day'],
    ['about.html', 'About'],
  ])('%s is %s', (path, text) => {
    expect(placeText(path)).toBe(text);
  });

  it.each([
    ['Winter term · A School', 'Winter term'],
    ['Winter term – A School', 'Winter term'],
    ['A School', 'A School'],
    ['Winter term', 'Winter term'],
  ])('its title %s is shown as %s', (title, text) => {
    expect(titleText(title, 'A School')).toBe(text);
  });
});

describe('how a place is written', () => {
  it.each([
    [{ widthPx: 300, heightPx: 200 }, '300 × 200'],
    [{ widthPx: 300 }, '300 wide'],
    [{ heightPx: 200 }, '200 high'],
    [{ descriptor: '480w' }, 'for 480 px'],
    [{ descriptor: '2x' }, 'for 2x'],
    [{}, ''],
  ])('%j: %s', (declared, text) => {
    expect(slotText({ ...NOTHING_DECLARED, ...declared })).toBe(text);
  });

  it('tells a page’s own style from a style sheet', () => {
    expect([kindText('css', false), kindText('css', true), kindText('link', false)]).toEqual([
      'from a style',
      'from a style sheet',
      'opened by a click',
    ]);
  });
});

it.each([
  [100, 1100, 10, '10 a second, 2 minutes left'],
  [30, 60, 60, '30 a minute, 60 seconds left'],
  [60, 60, 60, '1 a second, 0 seconds left'],
])('leftText(%d of %d in %d s) is %s', (done, total, seconds, expected) => {
  expect(leftText(done, total, seconds)).toBe(expected);
});

it.each([
  [2300.4, true, '2,300 a month'],
  [0, false, 'no link leads there'],
  [0.4, false, 'under 0.1 % of views'],
  [41.5, false, '4.2 % of views'],
  [1000, false, '100 % of views'],
])('reachText(%d, %s) is %s', (reach, isCounted, expected) => {
  expect(reachText(reach, isCounted)).toBe(expected);
});

it.each([
  ['It has no alt text', 'it has no alt text'],
  ['', ''],
])('lowerFirst(%j) is %j', (sentence, expected) => expect(lowerFirst(sentence)).toBe(expected));
