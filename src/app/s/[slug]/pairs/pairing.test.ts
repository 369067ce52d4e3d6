import { describe, expect, it } from 'vitest';
import type { PairSheet } from '@/app/_data/pairs/pairs';
import { firstChoices, given, pairsOf, stepped } from './pairing';

const RANKED = [1, 2, 0];

describe('a choice', () => {
  it('goes through those that come by how well they fit, then off the page, then left, and round', () => {
    expect([1, 2, 0, 'off', 'left'].map((one) => stepped(RANKED, one as never, 1))).toEqual([2, 0, 'off', 'left', 1]); // oxfmt-ignore
    expect(stepped(RANKED, 1, -1)).toBe('left');
    expect(stepped([], 'off', 1)).toBe('left');
  });

  it.each([
    ['another row’s picture: the two change places', [0, 1, 'left'], 0, 1, [1, 0, 'left']],
    ['another row’s picture, for a row that had none: that row is left', [0, 1, 'off'], 2, 1, [0, 'left', 1]],
    ['a picture that nobody had', [0, 1, 'left'], 0, 2, [2, 1, 'left']],
    ['off its pages', [0, 1, 'off'], 0, 'off', ['off', 1, 'off']],
  ] as const)('of %s', (_, before, row, choice, after) => {
    expect(given(before, row, choice)).toEqual(after);
  });
});

it('what has no proposal is left, and what is left is put nowhere', () => {
  const sheet = { going: [{ id: 7 }, { id: 8 }, { id: 9 }], coming: [{ id: 70 }, { id: 80 }], proposed: [1, null, 0] } as unknown as PairSheet; // oxfmt-ignore
  expect(firstChoices(sheet)).toEqual([1, 'left', 0]);
  expect(pairsOf(sheet, [1, 'left', 'off'])).toEqual([
    { pictureId: 7, intakeId: 80 },
    { pictureId: 9, intakeId: null },
  ]);
});
