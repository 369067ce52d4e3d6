import fc from 'fast-check';
import { expect, it } from 'vitest';
import { frequenciesOf } from './transforming';

const square = fc
  .tuple(fc.integer({ min: 1, max: 16 }), fc.integer({ min: 1, max: 8 }))
  .chain(([side, kept]) =>
    fc.record({
      side: fc.constant(side),
      kept: fc.constant(Math.min(side, kept)),
      samples: fc.array(fc.integer({ min: 0, max: 255 }), { minLength: side * side, maxLength: side * side }),
    }),
  );

it('gives the low frequencies as the transform’s definition says', () =>
  fc.assert(
    fc.property(square, ({ side, kept, samples }) => {
      const cosine = (u: number, x: number) => Math.cos(((2 * x + 1) * u * Math.PI) / (2 * side));
      const cosines = Float32Array.from({ length: kept * side }, (_, n) =>
        cosine(Math.floor(n / side), n % side),
      );
      const given = frequenciesOf(Float32Array.from(samples), cosines);
      expect(given).toHaveLength(kept * kept);
      given.forEach((frequency, n) => {
        const [v, u] = [Math.floor(n / kept), n % kept];
        const wanted = samples.reduce(
          (sum, sample, i) => sum + sample * cosine(u, i % side) * cosine(v, Math.floor(i / side)),
          0,
        );
        expect(Math.abs(frequency - wanted)).toBeLessThan(0.05);
      });
    }),
  ));
