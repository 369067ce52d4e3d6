import { describe, expect, it } from 'vitest';
import { softnessOf } from './softness';

describe('softness', () => {
  const plane = (width: number, height: number, at: (x: number, y: number) => number) => ({
    width,
    height,
    channels: 1,
    data: Uint8Array.from({ length: width * height }, (_, n) => at(n % width, Math.floor(n / width))),
  });
  it('is low for what changes from pixel to pixel, high for a slope, and 0 for nothing at all', () => {
    const sharp = softnessOf(plane(64, 64, (x, y) => ((x * 7 + y * 13) % 3) * 100));
    const soft = softnessOf(plane(64, 64, (x, y) => 128 + 100 * Math.sin(x / 9) * Math.sin(y / 9)));
    expect(sharp).toBeLessThan(0.3);
    expect(soft).toBeGreaterThan(0.8);
    expect(softnessOf(plane(64, 64, () => 90))).toBe(0);
  });

  it('is the same in grey, in colour, and with an alpha that hides nothing; what is seen through lies on white', () => {
    const grey = plane(64, 64, (x, y) => 128 + 100 * Math.sin(x / 3) * Math.sin(y / 3));
    const as = (channels: number, of: (value: number) => readonly number[]) =>
      softnessOf({ ...grey, channels, data: Uint8Array.from([...grey.data].flatMap(of)) });
    const own = softnessOf(grey);
    expect(as(2, (v) => [v, 255])).toBe(own);
    expect(as(3, (v) => [v, v, v])).toBeCloseTo(own, 2);
    expect(as(4, (v) => [v, v, v, 255])).toBeCloseTo(own, 2);
    expect(as(4, (v) => [v, v, v, 0])).toBe(0);
  });

  it('takes the worse of both directions: a picture that moved is blurred along one', () => {
    expect(softnessOf(plane(64, 64, (x, y) => (y % 2) * 100 + x))).toBeGreaterThan(0.6);
  });
});
