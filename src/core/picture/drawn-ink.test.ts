import { describe, expect, it } from 'vitest';
import { shareOfInks } from './drawn-ink';

const SIDE = 40;
const drawn = (toneAt: (x: number, y: number) => number | null) => {
  const at = Array.from({ length: SIDE * SIDE }, (_, i) => toneAt(i % SIDE, Math.floor(i / SIDE)));
  return {
    plane: { width: SIDE, height: SIDE, data: Float32Array.from(at, (tone) => tone ?? 255) },
    marks: Uint8Array.from(at, (tone) => (tone === null ? 0 : 1)),
  };
};
const inSquare = (x: number, y: number) => x >= 8 && x < 32 && y >= 8 && y < 32;

describe('shareOfInks', () => {
  it.each<[string, (x: number, y: number) => number | null, number, number]>([
    ['one tone', (x, y) => (inSquare(x, y) ? 90 : null), 1, 1],
    ['one tone and its noise', (x, y) => (inSquare(x, y) ? 86 + ((x * y) % 9) : null), 1, 1],
    ['halves of two tones, asked for one', (x, y) => (inSquare(x, y) ? (y < 20 ? 40 : 120) : null), 1, 0.5],
    ['halves of two tones, asked for two', (x, y) => (inSquare(x, y) ? (y < 20 ? 40 : 120) : null), 2, 1],
    ['all tones in turn', (x, y) => (inSquare(x, y) ? x * 6 : null), 1, 3 / 22],
    ['a stroke of one pixel', (x) => (x === 20 ? x : null), 1, 1],
    ['nothing', () => null, 1, 1],
  ])('%s', (_name, toneAt, tones, share) => {
    const { plane, marks } = drawn(toneAt);
    expect(shareOfInks(plane, marks, tones)).toBeCloseTo(share, 2);
  });
});
