import { expect, it } from 'vitest';
import { FULL_RANGE, headsIn, SHORT_RANGE } from './faces-found';

/** Numbers of a detector that sees nothing but what is set. */
const numbers = (anchors: number, seen: Readonly<Record<number, readonly number[]>>) => {
  const all = new Float32Array(anchors * 17);
  for (let n = 0; n < anchors; n++) all[n * 17] = -20;
  for (const [anchor, values] of Object.entries(seen)) all.set(values, Number(anchor) * 17);
  return all;
};

it('puts a face where its anchor is, and a head around it', () => {
  // Cell 24 of row 24 of 48: its middle is at 98 of 192 pixels.
  const [head] = headsIn(numbers(2304, { [24 * 48 + 24]: [3, -2, 0, 40, 40] }), FULL_RANGE, { width: 192, height: 192 }); // oxfmt-ignore
  expect(head?.x).toBeCloseTo((96 - 20 - 8) / 192);
  expect(head?.y).toBeCloseTo((98 - 20 - 24) / 192);
  expect(head?.width).toBeCloseTo(56 / 192);
});

it('counts from the picture’s own edges, not from those of the square it was fitted into', () => {
  const [head] = headsIn(numbers(2304, { [24 * 48 + 24]: [3, -2, 0, 20, 20] }), FULL_RANGE, { width: 192, height: 96 }); // oxfmt-ignore
  expect((head?.y ?? 0) + (head?.height ?? 0) / 2).toBeCloseTo((98 - 48 - 4) / 96);
});

it('counts a face that several anchors saw once, and one that is unlikely not at all', () => {
  const seen = { 272: [2, 0, 0, 30, 30], 273: [3, 1, 1, 31, 31], 800: [-1, 0, 0, 40, 40] };
  expect(headsIn(numbers(896, seen), SHORT_RANGE, { width: 128, height: 128 })).toHaveLength(1);
});

it('takes nothing that has no size, or is no number', () => {
  const seen = { 1: [5, 0, 0, 0, 10], 2: [NaN, 0, 0, 9, 9] };
  expect(headsIn(numbers(896, seen), SHORT_RANGE, { width: 128, height: 128 })).toEqual([]);
});
