import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { edgeContrast } from './edge-colours';
import { fineDetail } from './fine-detail';
import { importanceOf, type ShareRect } from './importance';
import { minimumBarrier } from './minimum-barrier';
import { oklabPlanes, type FocusPixels } from './oklab';
import { boxBlur, stretched } from './plane-filters';
import { shapeCrop } from './shape-crop';
import { suggestFocus } from './suggest-focus';

type Colour = readonly [number, number, number];
const drawn = (width: number, height: number, colourAt: (x: number, y: number) => Colour): FocusPixels => {
  const rgb = new Uint8Array(width * height * 3);
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) rgb.set(colourAt(x, y), (y * width + x) * 3);
  return { width, height, rgb };
};
const within = (
  x: number,
  y: number,
  [left, top, right, bottom]: readonly [number, number, number, number],
) => x >= left && x < right && y >= top && y < bottom;
const look = (pixels: FocusPixels, heads: readonly ShareRect[] = []) => {
  const importance = importanceOf(pixels);
  return { importance, heads, focus: suggestFocus(importance, heads) };
};

it('takes colours apart as Oklab does', () => {
  // Reference values of white and of pure red (Ottosson 2020).
  const [lightness, greenRed, blueYellow] = oklabPlanes({ width: 2, height: 1, rgb: Uint8Array.of(255, 255, 255, 255, 0, 0) }); // oxfmt-ignore
  expect([...lightness].map((value) => value.toFixed(3))).toEqual(['1.000', '0.628']);
  expect([greenRed[1]?.toFixed(3), blueYellow[1]?.toFixed(3)]).toEqual(['0.225', '0.126']);
});

it('blurs by the mean of a square, the edge going on', () => {
  expect([...boxBlur(Float32Array.of(0, 0, 9, 0, 0, 0), { width: 6, height: 1 }, 1)]).toEqual([
    0, 3, 3, 3, 0, 0,
  ]);
  expect([...boxBlur(Float32Array.of(9, 0, 0), { width: 3, height: 1 }, 1)]).toEqual([6, 3, 0]);
});

it('stretches no plane that has nothing to tell apart', () => {
  expect([...stretched(Float32Array.of(0.1, 0.11, 0.1, 0.11), 0.02)]).toEqual([0, 0, 0, 0]);
});

it('measures the barrier to the edge, not the distance', () => {
  const plane = new Float32Array(49).fill(0.5);
  plane[24] = 0.9;
  const barrier = minimumBarrier(plane, 7, 7);
  expect(barrier[24]).toBeCloseTo(0.4);
  expect(barrier[17]).toBe(0);
});

it('finds other colours than those of the edges, though the subject stands on one of them', () => {
  const pixels = drawn(40, 30, (x, y) => (within(x, y, [14, 16, 26, 30]) ? [200, 40, 30] : [60, 110, 60 + (x % 5)])); // oxfmt-ignore
  const contrast = edgeContrast(oklabPlanes(pixels) as never, 40, 30);
  expect(contrast[22 * 40 + 20]).toBeGreaterThan(3 * (contrast[5 * 40 + 5] ?? 0));
});

it('finds fine detail where the rest is smooth', () => {
  const pixels = drawn(40, 30, (x, y) => (within(x, y, [5, 5, 15, 15]) && (x + y) % 2 ? [150, 150, 150] : [x * 3, x * 3, x * 3])); // oxfmt-ignore
  const detail = fineDetail(oklabPlanes(pixels) as never, 40, 30);
  expect(detail[10 * 40 + 10]).toBeGreaterThan(10 * (detail[20 * 40 + 30] ?? 0));
});

describe('the focal point', () => {
  it.each([
    ['a disc at the left', [0.1, 0.3, 0.3, 0.7]],
    ['one at the top right', [0.7, 0.05, 0.9, 0.35]],
    ['one that stands on the lower edge', [0.55, 0.6, 0.75, 1]],
    ['one in the middle', [0.4, 0.4, 0.6, 0.6]],
  ] as const)('is in %s', (_, [left, top, right, bottom]) => {
    const pixels = drawn(96, 64, (x, y) => (within(x / 96, y / 64, [left, top, right, bottom]) ? [210, 90, (x * y) % 60] : [90, 110 + (y >> 2), 130])); // oxfmt-ignore
    const { focus } = look(pixels);
    expect(within(focus.x, focus.y, [left, top, right, bottom])).toBe(true);
    expect(focus.because).not.toContain('middle');
  });

  it('is the middle of a picture in which nothing stands out, and says so', () => {
    expect(look(drawn(96, 64, () => [120, 130, 140])).focus).toEqual({ x: 0.5, y: 0.5, because: ['middle'] });
  });

  it('is the head that is nearest to all of them', () => {
    const heads = [0.1, 0.3, 0.8].map((x) => ({ x, y: 0.2, width: 0.1, height: 0.2 }));
    expect(look(drawn(96, 64, () => [120, 130, 140]), heads).focus).toEqual({ x: 0.35, y: expect.closeTo(0.3) as number, because: ['head'] }); // oxfmt-ignore
  });
});

describe('a crop', () => {
  const size = fc.record({ widthPx: fc.integer({ min: 1, max: 4000 }), heightPx: fc.integer({ min: 1, max: 4000 }) }); // oxfmt-ignore
  const share = fc.double({ min: 0, max: 1, noNaN: true });
  const flat = importanceOf(drawn(12, 8, () => [90, 90, 90]));
  const heads = fc.array(fc.record({ x: share, y: share, width: fc.constant(0.05), height: fc.constant(0.05) }), { maxLength: 4 }); // oxfmt-ignore

  it('has its shape to a pixel, is as large as can be, lies inside, and holds the focal point', () => {
    fc.assert(
      fc.property(
        size,
        fc.constantFrom(1, 16 / 9, 3 / 4, 3, 0.2),
        share,
        share,
        heads,
        (picture, ratio, x, y, found) => {
          // oxfmt-ignore
          const crop = shapeCrop(picture, ratio, { importance: flat, heads: found, focus: { x, y } });
          const { left, top, widthPx, heightPx } = crop;
          expect(left >= 0 && top >= 0).toBe(true);
          expect(left + widthPx <= picture.widthPx && top + heightPx <= picture.heightPx).toBe(true);
          expect(widthPx === picture.widthPx || heightPx === picture.heightPx).toBe(true);
          // In a picture of one pixel's width both sides are whole.
          const offs = [
            ...(widthPx === picture.widthPx ? [heightPx - Math.max(1, widthPx / ratio)] : []),
            ...(heightPx === picture.heightPx ? [widthPx - Math.max(1, heightPx * ratio)] : []),
          ];
          expect(Math.min(...offs.map(Math.abs))).toBeLessThanOrEqual(1);
          expect(left <= x * picture.widthPx && x * picture.widthPx <= left + widthPx).toBe(true);
          expect(top <= y * picture.heightPx && y * picture.heightPx <= top + heightPx).toBe(true);
        },
      ),
      { numRuns: 400 },
    );
  });

  it('cuts no head that it can hold whole', () => {
    fc.assert(
      fc.property(fc.double({ min: 0, max: 0.8, noNaN: true }), (x) => {
        const head = { x, y: 0.1, width: 0.2, height: 0.3 };
        const focus = { x: x + 0.1, y: 0.25 };
        const { left, widthPx } = shapeCrop({ widthPx: 1600, heightPx: 900 }, 1, { importance: flat, heads: [head], focus }); // oxfmt-ignore
        expect(left).toBeLessThanOrEqual(x * 1600 + 1);
        expect(left + widthPx).toBeGreaterThanOrEqual((x + 0.2) * 1600 - 1);
      }),
    );
  });

  it('has a head that fills it in its middle, cut alike at both ends', () => {
    const head = { x: 0.2, y: 0.1, width: 0.6, height: 0.7 };
    const focus = { x: 0.5, y: 0.45 };
    const { top, heightPx } = shapeCrop({ widthPx: 600, heightPx: 800 }, 4 / 3, { importance: flat, heads: [head], focus }); // oxfmt-ignore
    expect(Math.abs(top + heightPx / 2 - 0.45 * 800)).toBeLessThan(0.03 * 800);
  });

  it('comes back towards the middle where only measures say what matters', () => {
    const off = look(drawn(96, 64, (x, y) => (within(x, y, [4, 20, 24, 44]) ? [200, (x * y) % 90, 60] : [70, 90, 120]))); // oxfmt-ignore
    const { left, widthPx } = shapeCrop({ widthPx: 960, heightPx: 640 }, 1, off);
    expect(left).toBeGreaterThan(0);
    expect(left + widthPx / 2).toBeLessThan(480);
    expect(left).toBeLessThan(40);
  });

  it('reaches higher where it cannot hold all that stands upright', () => {
    const tall = look(drawn(64, 96, (x, y) => (within(x, y, [20, 10, 44, 90]) ? [200, (x * y) % 90, 60] : [70, 90, 120]))); // oxfmt-ignore
    const { top, heightPx } = shapeCrop({ widthPx: 640, heightPx: 960 }, 16 / 9, tall);
    expect(top).toBeLessThan((960 - heightPx) / 2);
  });
});
