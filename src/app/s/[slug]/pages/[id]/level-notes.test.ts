import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { levelNotes } from './level-notes';

const heights = [30, 30, 30];

describe('the notes of a margin', () => {
  it.each([
    ['far apart: each level', [20, 200, 400], -1, [20, 200, 400]],
    ['close together: pushed down', [20, 25, 30], -1, [20, 56, 92]],
    ['the last is open: the others move up', [100, 105, 110], 2, [38, 74, 110]],
    ['the middle one is open', [100, 105, 110], 1, [69, 105, 141]],
    ['no room above: as near as can be', [20, 25, 30], 2, [16, 52, 88]],
  ])('%s', (_, wanted, open, tops) => {
    expect(levelNotes({ wanted, heights, topPx: 16, open })).toEqual(tops);
  });

  it('never overlap and never stand above the margin, and the open one is level where there is room', () => {
    const note = fc.record({
      y: fc.integer({ min: 0, max: 900 }),
      height: fc.integer({ min: 10, max: 300 }),
    });
    fc.assert(
      fc.property(fc.array(note, { minLength: 1, maxLength: 12 }), fc.nat(), (notes, n) => {
        const wanted = notes.map(({ y }) => 16 + y).toSorted((a, b) => a - b);
        const tall = notes.map(({ height }) => height);
        const open = n % notes.length;
        const tops = levelNotes({ wanted, heights: tall, topPx: 16, open });
        const at = (list: readonly number[], i: number) => list[i] ?? 0;
        tops.forEach((top, i) => {
          expect(top).toBeGreaterThanOrEqual(i === 0 ? 16 : at(tops, i - 1) + at(tall, i - 1) + 6);
        });
        const needed = tall.slice(0, open).reduce((sum, height) => sum + height + 6, 16);
        expect(at(tops, open)).toBe(Math.max(needed, at(wanted, open)));
      }),
    );
  });
});
