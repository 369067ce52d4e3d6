import { describe, expect, it } from 'vitest';
import { softnessOf } from './softness';

describe('softness', () => {
  const plane = (width: number, height: number, at: (x: number, y: number) => number) => ({
    width,
    height,
    data: Uint8Array.from({ length: width * height }, (_, n) => at(n % width, Math.floor(n / width))),
  });
  it('is low for what changes from pixel to pixel, high for a slope, and 0 for nothing at all', () => {
    const sharp = softnessOf(plane(64, 64, (x, y) => ((x * 7 + y * 13) % 3) * 100));
    const soft = softnessOf(plane(64, 64, (x, y) => 128 + 100 * Math.sin(x / 9) * Math.sin(y / 9)));
    expect(sharp).toBeLessThan(0.3);
    expect(soft).toBeGreaterThan(0.8);
    expect(softnessOf(plane(64, 64, () => 90))).toBe(0);
  });

  it('takes the worse of both directions: a picture that moved is blurred along one', () => {
    expect(softnessOf(plane(64, 64, (x, y) => (y % 2) * 100 + x))).toBeGreaterThan(0.6);
  });
});
