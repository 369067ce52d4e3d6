import { describe, expect, it } from 'vitest';
import { pictureOf } from './drawn-pictures.fixture';
import { WHOLE } from './grey-plane';
import { resample } from './kernels/kernels';
import { cellMeans, sumTable } from './sum-table';

const small = sumTable({ width: 4, height: 2, data: Uint8Array.from([0, 10, 20, 30, 40, 50, 60, 70]) });

describe('cellMeans', () => {
  it.each([
    ['the mean of all', WHOLE, 1, [35]],
    ['means of what is covered', WHOLE, 2, [5, 25, 45, 65]],
    ['a part', { left: 0.5, top: 0, width: 0.5, height: 1 }, 2, [20, 30, 60, 70]],
    ['samples across an edge by their share', { left: 0.125, top: 0, width: 0.5, height: 0.5 }, 1, [10]],
    ['parts of one sample', { left: 0, top: 0, width: 0.25, height: 0.5 }, 2, [0, 0, 0, 0]],
  ] as const)('gives %s', (_, rect, side, expected) =>
    expect([...cellMeans(small, rect, side)]).toEqual(expected),
  );

  it.each([
    WHOLE,
    { left: 0.03, top: 0.06, width: 0.94, height: 0.88 },
    { left: 0.2, top: 0, width: 0.62, height: 1 },
  ])('agrees with the samples weighed one by one over %o', (rect) => {
    const picture = pictureOf(5);
    const expected = resample(picture, rect, [16, 16]);
    const given = cellMeans(sumTable(picture), rect, 16);
    expect(Math.max(...given.map((mean, n) => Math.abs(mean - expected[n]!)))).toBeLessThan(0.01);
  });
});
