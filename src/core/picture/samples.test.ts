/** What is worked out quickly, beside the same as its definition says it. */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { detailAgreement } from './detail';
import { WHOLE, type GreyPlane, type Rect } from './grey-plane';
import { resample } from './kernels/comparing';

const plane = fc
  .record({
    width: fc.integer({ min: 1, max: 40 }),
    height: fc.integer({ min: 1, max: 40 }),
    seed: fc.integer(),
    isFloat: fc.boolean(),
  })
  .map(({ width, height, seed, isFloat }): GreyPlane => {
    let state = seed | 1;
    const next = () => ((state = Math.imul(state, 1664525) + 1013904223) >>> 24) & 255;
    const data = Uint8Array.from({ length: width * height }, next);
    return { width, height, data: isFloat ? Float32Array.from(data) : data };
  });
const share = fc.tuple(
  fc.double({ min: 0, max: 0.6, noNaN: true }),
  fc.double({ min: 0.1, max: 0.4, noNaN: true }),
);

/** How much of each old sample a new one takes: what it covers, and never less than the breadth of one. */
function covered(size: number, start: number, length: number, count: number, n: number): number[] {
  const step = (length * size) / count;
  const centre = start * size + (n + 0.5) * step;
  const reach = Math.max(step, 1) / 2;
  const all = Array.from({ length: size }, (_, k) =>
    Math.max(0, Math.min(k + 1, centre + reach) - Math.max(k, centre - reach)),
  );
  const sum = all.reduce((a, b) => a + b, 0);
  return all.map((one) => one / sum);
}

describe('resample', () => {
  it('gives the mean of what each new sample covers', () =>
    fc.assert(
      fc.property(
        plane,
        share,
        share,
        fc.integer({ min: 1, max: 20 }),
        fc.integer({ min: 1, max: 20 }),
        (from, [left, width], [top, height], columns, rows) => {
          const rect: Rect = { left, top, width, height };
          const made = resample(from, rect, [columns, rows]);
          expect(made).toHaveLength(columns * rows);
          for (let y = 0; y < rows; y++) {
            const down = covered(from.height, top, height, rows, y);
            for (let x = 0; x < columns; x++) {
              const across = covered(from.width, left, width, columns, x);
              let wanted = 0;
              down.forEach((a, k) =>
                across.forEach((b, n) => (wanted += a * b * (from.data[k * from.width + n] as number))),
              );
              expect(Math.abs((made[y * columns + x] as number) - wanted)).toBeLessThan(0.01);
            }
          }
        },
      ),
      { numRuns: 60 },
    ));
});

/** Each sample without the mean of those up to four away across and down. */
function withoutMean({ width, height, data }: GreyPlane): number[] {
  return Array.from({ length: width * height }, (_, i) => {
    const [x, y] = [i % width, Math.floor(i / width)];
    let [sum, n] = [0, 0];
    for (let row = Math.max(0, y - 4); row <= Math.min(height - 1, y + 4); row++) {
      for (let column = Math.max(0, x - 4); column <= Math.min(width - 1, x + 4); column++) {
        sum += data[row * width + column] as number;
        n++;
      }
    }
    return (data[i] as number) - sum / n;
  });
}

function correlated(a: readonly number[], b: readonly number[]): number {
  const mean = (list: readonly number[]) => list.reduce((sum, one) => sum + one, 0) / list.length;
  const [meanA, meanB] = [mean(a), mean(b)];
  const product = (p: readonly number[], mp: number, q: readonly number[], mq: number) =>
    p.reduce((sum, one, i) => sum + (one - mp) * ((q[i] as number) - mq), 0);
  return product(a, meanA, b, meanB) / Math.sqrt(product(a, meanA, a, meanA) * product(b, meanB, b, meanB));
}

describe('detailAgreement', () => {
  it('is the correlation of what is left of two pictures without the mean around', () =>
    fc.assert(
      fc.property(plane, fc.integer(), (one, seed) => {
        const a = Float32Array.from(one.data);
        const b = a.map((value, i) => value * 0.5 + ((Math.imul(i + 1, seed | 1) >>> 25) & 63));
        const whole = (data: Float32Array) => ({ plane: { ...one, data }, rect: WHOLE });
        const found = detailAgreement(whole(a), whole(b), [one.width, one.height]);
        if (found === null) return;
        const wanted = correlated(withoutMean({ ...one, data: a }), withoutMean({ ...one, data: b }));
        expect(Math.abs(found - wanted)).toBeLessThan(0.001);
      }),
      { numRuns: 60 },
    ));
});
