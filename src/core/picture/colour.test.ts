import { describe, expect, it } from 'vitest';
import { otherColours, planesOf } from './colour';
import { WHOLE } from './grey-plane';

/** A picture of columns of one colour each. */
function columns(colours: readonly (readonly [number, number, number])[], wide = 20, height = 40) {
  const width = colours.length * wide;
  const data = new Uint8Array(width * height * 3);
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) data.set(colours[Math.floor(x / wide)] as [number, number, number], 3 * (y * width + x));
  return planesOf({ width, height, data });
} // oxfmt-ignore

const RED = [200, 40, 30] as const;
const GREEN = [40, 150, 60] as const;
const GREY = [120, 120, 120] as const;
const parts = { own: WHOLE, other: WHOLE };

describe('planesOf', () => {
  it.each([
    ['black', [0, 0, 0], 0],
    ['white', [255, 255, 255], 255],
    ['red', [255, 0, 0], 76],
    ['green', [0, 255, 0], 150],
    ['blue', [0, 0, 255], 29],
  ] as const)('weighs %s as the eye does', (_, colour, brightness) =>
    expect(columns([colour]).plane.data[5]).toBe(brightness),
  );

  it('keeps colours coarsely, as distances from grey towards blue and red', () => {
    const { tint } = columns([RED, GREY]);
    expect(Math.max(tint.red.width, tint.red.height)).toBe(24);
    const last = tint.red.width - 1;
    expect(tint.red.data[0]).toBeGreaterThan(60);
    expect(tint.blue.data[0]).toBeLessThan(0);
    expect(Math.abs(tint.red.data[last] as number)).toBeLessThan(1);
  });

  it('keeps a small picture as it is', () => {
    const { plane, tint } = columns([RED, GREEN], 3, 4);
    expect([plane.width, plane.height, tint.red.width, tint.red.height]).toEqual([6, 4, 6, 4]);
  });
});

describe('otherColours', () => {
  it.each([
    ['the same picture', [RED, GREEN], [RED, GREEN], 0],
    ['one half painted over', [RED, GREEN], [GREEN, GREEN], 0.5],
    ['all of it', [RED, RED], [GREEN, GREEN], 1],
    ['a picture in grey, which may be that of any colours', [RED, GREEN], [GREY, GREY], 0],
  ] as const)('of %s', (_, own, other, share) =>
    expect(otherColours(columns(own).tint, columns(other).tint, parts)).toBeCloseTo(share, 1),
  );

  it('takes a picture that is more colourful all over for the same', () => {
    const pale = [150, 90, 84] as const;
    const strong = [172, 88, 79] as const;
    expect(otherColours(columns([pale]).tint, columns([strong]).tint, parts)).toBe(0);
    const olive = [155, 179, 143] as const;
    const rose = [179, 154, 143] as const;
    expect(otherColours(columns([rose]).tint, columns([olive]).tint, parts)).toBe(1);
  });

  it('knows a colour that lies a cell beside', () => {
    const own = columns([RED, RED, RED, GREEN, GREEN, GREEN, GREEN, GREEN, GREEN, GREEN, GREEN, GREEN]).tint;
    const other = columns([RED, RED, RED, RED, GREEN, GREEN, GREEN, GREEN, GREEN, GREEN, GREEN, GREEN]).tint;
    expect(otherColours(own, other, parts)).toBe(0);
  });

  it('looks at the common part only', () => {
    const left = { left: 0, top: 0, width: 0.5, height: 1 };
    const [one, other] = [columns([RED, GREEN]).tint, columns([RED, RED]).tint];
    expect(otherColours(one, other, { own: left, other: left })).toBe(0);
  });
});
