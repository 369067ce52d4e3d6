import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { bitsOf, mirroredHash, windowHash, WINDOW_SIDE, type DctHash } from './dct-hash';
import { sumTable } from './sum-table';

const N = WINDOW_SIDE;
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

describe('windowHash', () => {
  it('has the signs of the transform’s definition', () =>
    fc.assert(
      fc.property(samples, (values) => {
        const hash = windowHash(Float32Array.from(values));
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
        const [own, other] = [windowHash(Float32Array.from(values)), windowHash(Float32Array.from(mirrored))];
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
          const { sums } = sumTable({ width, height, data });
          const [left, right] = [a % (width + 1), c % (width + 1)].toSorted((p, q) => p - q) as [number, number];
          const [top, bottom] = [b % (height + 1), d % (height + 1)].toSorted((p, q) => p - q) as [number, number];
          let wanted = 0;
          for (let y = top; y < bottom; y++)
            for (let x = left; x < right; x++) wanted += data[y * width + x] as number;
          const at = (x: number, y: number) => sums[y * (width + 1) + x] as number;
          expect(at(right, bottom) - at(left, bottom) - at(right, top) + at(left, top)).toBe(wanted);
        },
      ),
    )); // prettier-ignore
});
