import fc from 'fast-check';
import { expect, it } from 'vitest';
import { takenApart } from './taking-apart';

const picture = fc
  .tuple(fc.integer({ min: 1, max: 30 }), fc.integer({ min: 1, max: 30 }))
  .chain(([width, height]) =>
    fc.record({
      width: fc.constant(width),
      height: fc.constant(height),
      data: fc.uint8Array({ minLength: 3 * width * height, maxLength: 3 * width * height }),
      across: fc.integer({ min: 1, max: width }),
      down: fc.integer({ min: 1, max: height }),
    }),
  );

it('gives the brightness of every pixel, and of every cell how far it is from grey, as their definitions say', () =>
  fc.assert(
    fc.property(picture, ({ width, height, data, across, down }) => {
      const starts = Int32Array.from({ length: across + 1 }, (_, n) => Math.ceil((n * width) / across));
      const { brightness, blue, red } = takenApart({ width, height, data }, starts, down);
      const sums = Array.from({ length: across * down }, () => [0, 0] as [number, number]);
      for (let i = 0; i < width * height; i++) {
        const [r, g, b] = data.subarray(3 * i) as unknown as [number, number, number];
        const light = brightness[i] as number;
        expect(Math.abs(light - (0.299 * r + 0.587 * g + 0.114 * b))).toBeLessThan(0.51);
        const row = Math.floor((Math.floor(i / width) * down) / height);
        const column = starts.findLastIndex((start) => start <= i % width);
        const cell = sums[row * across + column] as [number, number];
        cell[0] += b - light;
        cell[1] += r - light;
      }
      expect([...blue]).toEqual(sums.map(([sum]) => sum));
      expect([...red]).toEqual(sums.map(([, sum]) => sum));
    }),
  ));
