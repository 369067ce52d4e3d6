import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { closestFrame } from './closest-frame';
import { WHOLE, type GreyPlane } from './grey-plane';
import { resample } from './kernels/comparing';
import { agreementOf, frameLaid, layingOver } from './overlay';

/** Light and dark of several sizes, by a few waves that a seed lays in all directions. */
function drawn(width: number, height: number, seed: number): GreyPlane {
  const waves = Array.from({ length: 9 }, (_, n) => {
    const turn = (seed * 37 + n * 101) % 360;
    return { across: Math.cos(turn), down: Math.sin(turn), times: 2 + n * 1.7, from: seed * (n + 1) };
  });
  const data = new Float32Array(width * height);
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const value = waves.reduce(
        (sum, { across, down, times, from }) =>
          sum + Math.sin(from + times * ((across * x + down * y) / height)) / Math.sqrt(times),
        0,
      );
      data[y * width + x] = 128 + 25 * value;
    }
  return { width, height, data };
}

/** A part of a plane as a picture of its own. */
function cut(plane: GreyPlane, left: number, top: number, size: number, longSide: number): GreyPlane {
  const [width, height] = [longSide, Math.round((longSide * plane.height) / plane.width)];
  return { width, height, data: resample(plane, { left, top, width: size, height: size }, [width, height]) };
}

const share = (min: number, max: number) => fc.double({ min, max, noNaN: true });

describe('closestFrame', () => {
  it('finds where a part was cut from, brighter and of more contrast, from nearby, to a third of a sample', () =>
    fc.assert(
      fc.property(
        fc.nat(500),
        share(0, 0.3),
        share(0, 0.3),
        share(0.6, 0.7),
        share(-0.01, 0.01),
        share(-0.01, 0.01),
        share(0.985, 1.015),
        (seed, left, top, size, right, down, larger) => {
          const other = drawn(240, 180, seed);
          const own = cut(other, left, top, size, 200);
          const lit = { ...own, data: own.data.map((value) => 20 + value * 0.7) };
          const from = { left: left + right, top: top + down, width: size * larger, height: size * larger };
          const { frame, agreement } = closestFrame(lit, other, 64, from);
          expect(agreement).toBeGreaterThan(0.99);
          for (const [side, at] of Object.entries({ left, top, width: size, height: size }))
            expect(Math.abs(frame[side as 'left'] - at)).toBeLessThan(0.33 / 64);
        },
      ),
      { numRuns: 60 },
    ));

  it('never agrees less than where it began, and keeps the proportions', () =>
    fc.assert(
      fc.property(fc.nat(500), fc.nat(500), share(-0.4, 0.4), share(0.3, 1.6), (one, two, left, size) => {
        const [own, other] = [drawn(160, 120, one), drawn(200, 130, two)];
        const from = { left, top: left / 2, width: size, height: size };
        const { frame, agreement } = closestFrame(own, other, 32, from);
        const over = layingOver(own, other, 32);
        expect(agreement).toBeGreaterThanOrEqual(agreementOf(over(from)) - 1e-9);
        if (agreement > -1) expect(agreementOf(over(frame))).toBeCloseTo(agreement, 6);
        expect(Math.abs(Math.log(frame.width / frame.height))).toBeLessThanOrEqual(0.04 + 1e-9);
      }),
      { numRuns: 100 },
    ));

  const even = { width: 80, height: 60, data: new Float32Array(80 * 60).fill(90) };
  const striped = { width: 80, height: 60, data: Float32Array.from({ length: 4800 }, (_, n) => (Math.floor(n / 80) % 20 < 10 ? 40 : 200)) }; // oxfmt-ignore
  it.each([
    ['what is even', even, even, 0],
    ['what is even, over a drawing', even, drawn(80, 60, 3), 0],
    ['stripes, which say nothing of left and right', striped, striped, 1],
  ])('stays where it is for %s', (_, own, other, agreement) => {
    const found = closestFrame(own, other, 64, WHOLE);
    expect(found.agreement).toBeCloseTo(agreement, 3);
    for (const [side, at] of Object.entries(WHOLE)) expect(found.frame[side as 'left']).toBeCloseTo(at, 2);
  });

  it('says that nothing is shared', () => {
    const [own, other] = [drawn(80, 60, 1), drawn(80, 60, 2)];
    expect(closestFrame(own, other, 32, { left: 2, top: 0, width: 1, height: 1 }).agreement).toBe(-1);
  });
});

describe('frameLaid', () => {
  it('gives back the frame that was laid', () =>
    fc.assert(
      fc.property(
        share(-0.3, 0.3),
        share(-0.3, 0.3),
        share(0.5, 1.4),
        share(0.5, 1.4),
        (left, top, width, height) => {
          const frame = { left, top, width, height };
          const laid = layingOver(drawn(120, 90, 1), drawn(100, 90, 2), 64)(frame);
          if (!laid) return;
          const back = frameLaid(laid);
          for (const side of ['left', 'top', 'width', 'height'] as const)
            expect(back[side]).toBeCloseTo(frame[side], 9);
        },
      ),
    ));
});
