import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { bitsOf, mirroredHash, type DctHash } from '../dct-hash';
import { pictureOf } from '../drawn-pictures.fixture';
import { WHOLE } from '../grey-plane';
import { resample } from './comparing';
import { cellMeans, hashWindows, standOut, sumsOf, sumTable } from './summing';

const N = 8;
/** The hash of a picture of 8 × 8 samples, which is its own window. */
const windowHash = (values: readonly number[]): DctHash => {
  const table = sumTable({ width: N, height: N, data: Uint8Array.from(values) });
  const [low, high] = hashWindows(table, [{ x: N / 2, y: N / 2, half: N / 2 }]);
  return { low: low as number, high: high as number };
};
const samples = fc.array(fc.integer({ min: 0, max: 255 }), { minLength: N * N, maxLength: N * N });

/** The transform as its definition says it, without any saving. */
function frequency(values: readonly number[], u: number, v: number): number {
  let sum = 0;
  for (let y = 0; y < N; y++)
    for (let x = 0; x < N; x++)
      sum +=
        (values[y * N + x] as number) *
        Math.cos(((2 * x + 1) * u * Math.PI) / (2 * N)) *
        Math.cos(((2 * y + 1) * v * Math.PI) / (2 * N));
  return sum;
}
const bit = ({ low, high }: DctHash, n: number) => (n < 32 ? low >>> n : high >>> (n - 32)) & 1;

describe('hashWindows', () => {
  it('has the signs of the transform’s definition', () =>
    fc.assert(
      fc.property(samples, (values) => {
        const hash = windowHash(values);
        expect(hash.low & 1).toBe(0);
        for (let v = 0; v < N; v++)
          for (let u = 0; u < N; u++) {
            const wanted = frequency(values, u, v);
            // Signs of next to nothing depend on the rounding.
            if (u + v > 0 && Math.abs(wanted) > 0.1) expect(bit(hash, v * N + u)).toBe(wanted > 0 ? 1 : 0);
          }
      }),
      { numRuns: 50 },
    ));

  it('of the mirrored window is that of the window, mirrored', () =>
    fc.assert(
      fc.property(samples, (values) => {
        const mirrored = values.map((_, i) => values[i - (i % N) + N - 1 - (i % N)] as number);
        const [own, other] = [windowHash(values), windowHash(mirrored)];
        const turned = mirroredHash(own);
        // Frequencies that are zero have no sign to turn.
        expect(bitsOf(turned.low ^ other.low) + bitsOf(turned.high ^ other.high)).toBeLessThanOrEqual(
          bitsOf(~own.low & ~other.low & -2) + bitsOf(~own.high & ~other.high),
        );
      }),
    ));
});

describe('sumTable', () => {
  it('gives the sum over any rectangle by four look-ups', () =>
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 12 }),
        fc.integer({ min: 1, max: 12 }),
        fc.infiniteStream(fc.integer({ min: 0, max: 255 })),
        fc.tuple(fc.nat(11), fc.nat(11), fc.nat(11), fc.nat(11)),
        (width, height, stream, [a, b, c, d]) => {
          const data = Uint8Array.from({ length: width * height }, () => stream.next().value as number);
          const sums = sumsOf(sumTable({ width, height, data }));
          const [left, right] = [a % (width + 1), c % (width + 1)].toSorted((p, q) => p - q) as [number, number];
          const [top, bottom] = [b % (height + 1), d % (height + 1)].toSorted((p, q) => p - q) as [number, number];
          let wanted = 0;
          for (let y = top; y < bottom; y++)
            for (let x = left; x < right; x++) wanted += data[y * width + x] as number;
          const at = (x: number, y: number) => sums[y * (width + 1) + x] as number;
          expect(at(right, bottom) - at(left, bottom) - at(right, top) + at(left, top)).toBe(wanted);
        },
      ),
    )); // oxfmt-ignore
});

const small = () => sumTable({ width: 4, height: 2, data: Uint8Array.from([0, 10, 20, 30, 40, 50, 60, 70]) });

it('refuses what is asked of a table that another one has taken the place of', () => {
  const first = small();
  expect(sumsOf(first)).toHaveLength(15);
  const second = small();
  expect(() => cellMeans(first, WHOLE, 1)).toThrow(/made room/);
  expect([...cellMeans(second, WHOLE, 1)]).toEqual([35]);
});

describe('cellMeans', () => {
  it.each([
    ['the mean of all', WHOLE, 1, [35]],
    ['means of what is covered', WHOLE, 2, [5, 25, 45, 65]],
    ['a part', { left: 0.5, top: 0, width: 0.5, height: 1 }, 2, [20, 30, 60, 70]],
    ['samples across an edge by their share', { left: 0.125, top: 0, width: 0.5, height: 0.5 }, 1, [10]],
    ['parts of one sample', { left: 0, top: 0, width: 0.25, height: 0.5 }, 2, [0, 0, 0, 0]],
  ] as const)('gives %s', (_, rect, side, expected) =>
    expect([...cellMeans(small(), rect, side)]).toEqual(expected),
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

describe('standOut', () => {
  it('gives the mean within a box less the mean around it, both cut off at the edge, and where that is most', () =>
    fc.assert(
      fc.property(
        fc.integer({ min: 6, max: 30 }),
        fc.integer({ min: 6, max: 30 }),
        fc.integer(),
        (width, height, seed) => {
          let state = seed | 1;
          const next = () => ((state = Math.imul(state, 1664525) + 1013904223) >>> 24) & 255;
          const data = Uint8Array.from({ length: width * height }, next);
          const grid = { step: 2, side: 3, around: 6, columns: width >> 1, rows: height >> 1 };
          const { values: given, peaks } = standOut(sumTable({ width, height, data }), grid, 20);
          for (let n = 0; n < given.length; n++) {
            const [x, y] = [1 + 2 * (n % grid.columns), 1 + 2 * Math.floor(n / grid.columns)];
            const within = (side: number) =>
              [...data.keys()].filter((at) => {
                const [dx, dy] = [(at % width) - x + (side >> 1), Math.floor(at / width) - y + (side >> 1)];
                return dx >= 0 && dx < side && dy >= 0 && dy < side;
              });
            const inner = new Set(within(3));
            const mean = (places: readonly number[]) =>
              places.reduce((sum, at) => sum + data[at]!, 0) / places.length;
            const wanted = mean([...inner]) - mean(within(6).filter((at) => !inner.has(at)));
            expect(given[n]).toBeCloseTo(wanted, 3);
            const own = given[n] as number;
            const [column, row] = [n % grid.columns, Math.floor(n / grid.columns)];
            const isInner = column > 0 && row > 0 && column < grid.columns - 1 && row < grid.rows - 1;
            const beside = [-1, 0, 1].flatMap((dy) => [-1, 0, 1].map((dx) => n + dy * grid.columns + dx));
            const isMost = beside.every(
              (at) => at === n || (given[at] ?? 0) * Math.sign(own) < Math.abs(own),
            );
            expect(peaks.includes(n)).toBe(isInner && isMost && Math.abs(own) >= 20);
          }
        },
      ),
      { numRuns: 50 },
    ));
});

describe('hashWindows, of a picture', () => {
  it('holds what lies outside from the edge, and tells windows of one picture apart', () => {
    const table = sumTable(pictureOf(5));
    const [x, y] = [table.width / 2, table.height / 2];
    const windows = [
      { x, y, half: 20 },
      { x: 3, y: 4, half: 20 },
      { x, y, half: 20 },
    ];
    const hashes = hashWindows(table, windows);
    expect([...hashes.subarray(0, 2)]).toEqual([...hashes.subarray(4)]);
    expect([...hashes.subarray(2, 4)]).not.toEqual([...hashes.subarray(0, 2)]);
    expect(hashWindows(table, [])).toHaveLength(0);
  });
});
