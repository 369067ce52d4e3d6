import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { inverse, mapped } from './affine';
import { framesOf, pointInOriginal, pointInResult, toResult, toStraight } from './frames';
import { pixelsOf, sharesOf } from './rect';
import { croppedTo, mirroredBy, struckOut, turnedBy } from './revised';
import { AS_IT_IS, changesNothing, isSet, withoutStruck, type Revision } from './steps';
import { applyTone, toneTables } from './tone';

const LANDSCAPE = { widthPx: 3000, heightPx: 2000 };

describe('sizes that come out', () => {
  const rows: readonly [string, Partial<Revision>, { straight: string; result: string }][] = [
    ['as it is', {}, { straight: '3000x2000', result: '3000x2000' }],
    ['a quarter', { turn: 1 }, { straight: '2000x3000', result: '2000x3000' }],
    ['half, mirrored', { turn: 2, mirror: 'sideways' }, { straight: '3000x2000', result: '3000x2000' }],
    // 1 ÷ (cos 2° + 1.5 · sin 2°) = 0.95084…
    ['two degrees', { straighten: 2 }, { straight: '2852x1901', result: '2852x1901' }],
    ['two degrees the other way', { straighten: -2 }, { straight: '2852x1901', result: '2852x1901' }],
    [
      'a quarter of it',
      { crop: { x: 0.5, y: 0.5, width: 0.5, height: 0.5 } },
      { straight: '3000x2000', result: '1500x1000' },
    ],
    ['by width', { size: { by: 'width', px: 1200 } }, { straight: '3000x2000', result: '1200x800' }],
    ['by height', { size: { by: 'height', px: 500 } }, { straight: '3000x2000', result: '750x500' }],
    [
      'longest side after a quarter',
      { turn: 3, size: { by: 'longest', px: 1500 } },
      { straight: '2000x3000', result: '1000x1500' },
    ],
    ['never enlarged', { size: { by: 'width', px: 9000 } }, { straight: '3000x2000', result: '3000x2000' }],
    [
      'struck out',
      { turn: 1, straighten: 5, struck: ['turn', 'straighten'] },
      { straight: '3000x2000', result: '3000x2000' },
    ],
  ];
  it.each(rows)('%s', (_, steps, wanted) => {
    const { straight, result } = framesOf(LANDSCAPE, { ...AS_IT_IS, ...steps });
    expect({
      straight: `${straight.widthPx}x${straight.heightPx}`,
      result: `${result.widthPx}x${result.heightPx}`,
    }).toEqual(wanted);
  });
});

const share = fc.double({ min: 0, max: 1, noNaN: true });
const size = fc.record({
  widthPx: fc.integer({ min: 8, max: 6000 }),
  heightPx: fc.integer({ min: 8, max: 6000 }),
});
const crop = fc.tuple(share, share, share, share).map(([x, y, w, h]) => ({
  ...{ x: Math.min(x, 0.98), y: Math.min(y, 0.98) },
  ...{ width: Math.max(0.01, w * (1 - x)), height: Math.max(0.01, h * (1 - y)) },
}));
const revisions: fc.Arbitrary<Revision> = fc.record({
  turn: fc.integer({ min: 0, max: 3 }),
  mirror: fc.constantFrom('none', 'sideways', 'upside down'),
  straighten: fc.integer({ min: -450, max: 450 }).map((tenths) => tenths / 10),
  crop: fc.option(crop),
  light: fc.constant(AS_IT_IS.light),
  size: fc.option(
    fc.record({ by: fc.constantFrom('width', 'height', 'longest'), px: fc.integer({ min: 1, max: 7000 }) }),
  ),
  struck: fc.constant([]),
});

describe('whatever the steps', () => {
  it('the crop is inside, nothing is enlarged, and the shape is kept to a pixel', () => {
    fc.assert(
      fc.property(size, revisions, (original, revision) => {
        const { straight, crop: cut, result } = framesOf(original, revision);
        expect(cut.left).toBeGreaterThanOrEqual(0);
        expect(cut.top).toBeGreaterThanOrEqual(0);
        expect(cut.left + cut.widthPx).toBeLessThanOrEqual(straight.widthPx);
        expect(cut.top + cut.heightPx).toBeLessThanOrEqual(straight.heightPx);
        expect(result.widthPx).toBeLessThanOrEqual(cut.widthPx);
        const exact = Math.max(1, (result.widthPx * cut.heightPx) / cut.widthPx);
        const grain = cut.heightPx / cut.widthPx;
        expect(Math.abs(result.heightPx - exact)).toBeLessThanOrEqual(1 + grain);
      }),
    );
  });
  it('no corner of the straightened picture is blank', () => {
    fc.assert(
      fc.property(size, revisions, (original, revision) => {
        const { straight } = framesOf(original, revision);
        const back = inverse(toStraight(original, revision));
        for (const x of [0, straight.widthPx])
          for (const y of [0, straight.heightPx]) {
            const there = mapped(back, { x, y });
            // A frame of one pixel can't shrink any more.
            const slack = straight.widthPx < 2 || straight.heightPx < 2 ? 1 : 1e-6;
            expect(there.x).toBeGreaterThanOrEqual(-slack);
            expect(there.y).toBeGreaterThanOrEqual(-slack);
            expect(there.x).toBeLessThanOrEqual(original.widthPx + slack);
            expect(there.y).toBeLessThanOrEqual(original.heightPx + slack);
          }
      }),
    );
  });
  it('a point of the result comes back to itself', () => {
    fc.assert(
      fc.property(size, revisions, share, share, (original, revision, x, y) => {
        const { straight } = framesOf(original, revision);
        // A frame of one pixel can't shrink any more: its corners may lie outside.
        fc.pre(straight.widthPx > 1 && straight.heightPx > 1);
        const back = pointInResult(original, revision, pointInOriginal(original, revision, { x, y }));
        expect(back.x).toBeCloseTo(x, 6);
        expect(back.y).toBeCloseTo(y, 6);
      }),
    );
  });
  it('turned, what is seen turns: every point goes where a quarter takes it', () => {
    fc.assert(
      fc.property(size, revisions, share, share, (original, revision, x, y) => {
        const before = { ...revision, size: null, crop: null };
        const point = { x: x * original.widthPx, y: y * original.heightPx };
        const was = mapped(toResult(original, before), point);
        const { result } = framesOf(original, before);
        const is = mapped(toResult(original, turnedBy(before, 1)), point);
        expect(is.x).toBeCloseTo(result.heightPx - was.y, 4);
        expect(is.y).toBeCloseTo(was.x, 4);
      }),
    );
  });
  it('mirrored, what is seen is mirrored; twice is not at all', () => {
    const way = fc.constantFrom('sideways' as const, 'upside down' as const);
    fc.assert(
      fc.property(size, revisions, way, share, share, (original, revision, how, x, y) => {
        const before = { ...revision, size: null, crop: null };
        const point = { x: x * original.widthPx, y: y * original.heightPx };
        const was = mapped(toResult(original, before), point);
        const { result } = framesOf(original, before);
        const is = mapped(toResult(original, mirroredBy(before, how)), point);
        expect(is.x).toBeCloseTo(how === 'sideways' ? result.widthPx - was.x : was.x, 4);
        expect(is.y).toBeCloseTo(how === 'sideways' ? was.y : result.heightPx - was.y, 4);
        const twice = mapped(toResult(original, mirroredBy(mirroredBy(before, how), how)), point);
        expect(twice.x).toBeCloseTo(was.x, 4);
      }),
    );
  });
  it('four quarters are none, with the crop where it was', () => {
    fc.assert(
      fc.property(revisions, (revision) => {
        const round = turnedBy(turnedBy(revision, 3), 1);
        expect({ ...round, crop: null }).toEqual({ ...revision, crop: null });
        if (revision.crop) expect(round.crop?.x).toBeCloseTo(revision.crop.x, 9);
      }),
    );
  });
  it('a crop of a shape has it to a pixel and holds the focal point', () => {
    const ratio = fc.constantFrom(1, 16 / 9, 3 / 4, 4 / 3, 2 / 3);
    fc.assert(
      fc.property(size, revisions, ratio, share, share, (original, revision, wanted, x, y) => {
        const cropped = croppedTo(original, { ...revision, size: null }, wanted, { x, y });
        const { crop: cut, straight } = framesOf(original, cropped);
        expect(Math.min(Math.abs(cut.widthPx - cut.heightPx * wanted), Math.abs(cut.heightPx - cut.widthPx / wanted))).toBeLessThanOrEqual(1); // oxfmt-ignore
        const point = mapped(toStraight(original, cropped), {
          x: x * original.widthPx,
          y: y * original.heightPx,
        });
        if (point.x < 0 || point.y < 0 || point.x > straight.widthPx || point.y > straight.heightPx) return;
        expect(point.x).toBeGreaterThanOrEqual(cut.left - 1);
        expect(point.x).toBeLessThanOrEqual(cut.left + cut.widthPx + 1);
        expect(point.y).toBeGreaterThanOrEqual(cut.top - 1);
        expect(point.y).toBeLessThanOrEqual(cut.top + cut.heightPx + 1);
      }),
    );
  });
  it('whole pixels come back as they were', () => {
    fc.assert(
      fc.property(size, fc.nat(), fc.nat(), fc.nat(), fc.nat(), (whole, a, b, c, d) => {
        const left = a % whole.widthPx;
        const top = b % whole.heightPx;
        const rect = {
          ...{ left, top, widthPx: 1 + (c % (whole.widthPx - left)) },
          heightPx: 1 + (d % (whole.heightPx - top)),
        };
        expect(pixelsOf(sharesOf(rect, whole), whole)).toEqual(rect);
      }),
    );
  });
});

describe('steps struck out', () => {
  it('are kept, count for nothing, and come back with their figure', () => {
    const slanted: Revision = { ...AS_IT_IS, straighten: 3 };
    const struck = struckOut(slanted, 'straighten');
    expect(isSet(struck, 'straighten')).toBe(true);
    expect(withoutStruck(struck).straighten).toBe(0);
    expect(changesNothing(struck)).toBe(true);
    expect(struckOut(struck, 'straighten')).toEqual(slanted);
    expect(changesNothing(slanted)).toBe(false);
  });
});

describe('light', () => {
  const at = (light: Partial<Revision['light']>, level: number) => {
    const tables = toneTables({ ...AS_IT_IS.light, ...light });
    return tables && [tables.red[level], tables.green[level], tables.blue[level]];
  };
  it.each([
    ['nothing', {}, 128, null],
    ['brighter leaves white', { brightness: 60 }, 255, [255, 255, 255]],
    ['brighter leaves black', { brightness: 60 }, 0, [0, 0, 0]],
    // 255 · (128 ÷ 255)^½
    ['as bright as it goes', { brightness: 100 }, 128, [181, 181, 181]],
    ['as dark as it goes', { brightness: -100 }, 128, [64, 64, 64]],
    ['steeper above the middle', { contrast: 100 }, 191, [215, 215, 215]],
    ['steeper below', { contrast: 100 }, 64, [40, 40, 40]],
    ['flat', { contrast: -100 }, 255, [191, 191, 191]],
    ['flat below', { contrast: -100 }, 0, [64, 64, 64]],
  ] as const)('%s', (_, light, level, wanted) => {
    expect(at(light, level)).toEqual(wanted);
  });
  it('warmth raises red over blue and keeps the brightness', () => {
    const [red = 0, green = 0, blue = 0] = at({ warmth: 50 }, 120) ?? [];
    expect(red).toBeGreaterThan(green);
    expect(green).toBeGreaterThan(blue);
    expect(Math.abs(0.2126 * red + 0.7152 * green + 0.0722 * blue - 120)).toBeLessThan(1);
  });
  it('never turns the order of two levels', () => {
    const figure = fc.integer({ min: -100, max: 100 });
    fc.assert(
      fc.property(figure, figure, figure, (brightness, contrast, warmth) => {
        const tables = toneTables({ brightness, contrast, warmth });
        if (!tables) return;
        for (const table of Object.values(tables))
          for (let level = 1; level < 256; level++)
            expect(table[level]).toBeGreaterThanOrEqual(table[level - 1] ?? 0);
      }),
    );
  });
  it('leaves alpha as it is, and refuses grey pixels', () => {
    const tables = toneTables({ ...AS_IT_IS.light, brightness: 100 });
    if (!tables) throw new Error('no tables');
    const pixels = new Uint8Array([128, 128, 128, 77, 0, 255, 64, 10]);
    applyTone(pixels, 4, tables);
    expect([...pixels]).toEqual([181, 181, 181, 77, 0, 255, 128, 10]);
    expect(() => applyTone(pixels, 1, tables)).toThrow(RangeError);
  });
});
