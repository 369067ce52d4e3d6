import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { importanceOf } from './importance';
import { shapeCrop } from './shape-crop';
import { shapePoints, suggestedCrop } from './shape-points';
import { suggestFocus } from './suggest-focus';

const [WIDTH, HEIGHT] = [96, 64];

/** A bright square on a dark ground, and where it is. */
function held(column: number, row: number) {
  const data = new Uint8Array(WIDTH * HEIGHT * 3).fill(40);
  for (let y = row; y < row + 14; y++)
    for (let x = column; x < column + 14; x++) data.set([230, 180, 60], (y * WIDTH + x) * 3);
  const importance = importanceOf({ width: WIDTH, height: HEIGHT, rgb: data });
  const head = { x: column / WIDTH, y: row / HEIGHT, width: 14 / WIDTH, height: 14 / HEIGHT };
  return { importance, heads: [head], focus: suggestFocus(importance, [head]) };
}

const picture = { widthPx: 1500, heightPx: 1000 };
const column = fc.integer({ min: 0, max: WIDTH - 14 });
const row = fc.integer({ min: 0, max: HEIGHT - 14 });

describe('crops from kept points', () => {
  it.each([0.5, 0.7, 1, 1.2, 1.8, 2.8])('are the very ones for a shape that was kept: %d', (ratio) => {
    fc.assert(
      fc.property(column, row, (x, y) => {
        const what = held(x, y);
        const crop = suggestedCrop(picture, ratio, what.focus, shapePoints(picture, what));
        const wanted = shapeCrop(picture, ratio, what);
        expect(Math.abs(crop.left - wanted.left) + Math.abs(crop.top - wanted.top)).toBeLessThanOrEqual(1);
      }),
      { numRuns: 10 },
    );
  });
  it('hold the head that the best crop of any shape holds, with the focal point inside and the shape exact', () => {
    const ratio = fc.double({ min: 0.45, max: 3.2, noNaN: true });
    fc.assert(
      fc.property(column, row, ratio, (x, y, wanted) => {
        const what = held(x, y);
        const crop = suggestedCrop(picture, wanted, what.focus, shapePoints(picture, what));
        const best = shapeCrop(picture, wanted, what);
        expect([crop.widthPx, crop.heightPx]).toEqual([best.widthPx, best.heightPx]);
        const [head] = what.heads;
        const whole = (rect: typeof crop) =>
          head !== undefined &&
          head.x * 1500 >= rect.left - 1 &&
          (head.x + head.width) * 1500 <= rect.left + rect.widthPx + 1 &&
          head.y * 1000 >= rect.top - 1 &&
          (head.y + head.height) * 1000 <= rect.top + rect.heightPx + 1;
        if (whole(best)) expect(whole(crop)).toBe(true);
        expect(what.focus.x * 1500).toBeGreaterThanOrEqual(crop.left);
        expect(what.focus.x * 1500).toBeLessThanOrEqual(crop.left + crop.widthPx);
      }),
      { numRuns: 60 },
    );
  });
  it('go by the point alone where nothing was kept', () => {
    expect(suggestedCrop(picture, 1, { x: 0, y: 0 }, [])).toMatchObject({ left: 0 });
    expect(suggestedCrop(picture, 1, { x: 1, y: 0 }, [])).toMatchObject({ left: 500 });
  });
});
