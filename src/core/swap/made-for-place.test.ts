import { describe, expect, it } from 'vitest';
import { NOTHING_DECLARED } from '../markup/declared-slot';
import { madeForPlace, type FittingPicture } from './made-for-place';

const picture: FittingPicture = {
  ...{ widthPx: 2400, heightPx: 1600, format: 'jpeg', isAnimated: false },
  focal: { x: 0.5, y: 0.5 },
};
const wide = { kind: 'img', declared: { ...NOTHING_DECLARED, widthPx: 320, heightPx: 213 } } as const;
const old = { widthPx: 600, heightPx: 400 };

describe('madeForPlace', () => {
  it.each([
    ['twice the pixels of the place', wide, {}, [640, 426], null, false],
    ['and a narrower file where the page lists widths', { ...wide, isListed: true }, {}, [640, 426], [320, 213], false],
    ['no narrower file of a picture that has no more', { ...wide, isListed: true }, { widthPx: 400, heightPx: 266 }, [400, 266], null, true],
    ['the old pixels where nothing is declared', { kind: 'img', declared: NOTHING_DECLARED }, {}, [600, 400], null, false],
    ['a part of the large one to look at', { kind: 'link', declared: NOTHING_DECLARED }, {}, [2000, 1333], null, false],
  ] as const)('is %s', (_, place, own, [widthPx, heightPx], narrow, isTooSmall) => {
    const made = madeForPlace(place, { ...picture, ...own }, old);
    expect(made).toMatchObject({ size: { widthPx, heightPx }, isTooSmall });
    expect(made.narrow).toEqual(narrow && { widthPx: narrow[0], heightPx: narrow[1] });
  }); // oxfmt-ignore

  it.each([
    ['drawn in lines', { format: 'svg' }],
    ['moving', { format: 'gif', isAnimated: true }],
    ['just as large', { widthPx: 640, heightPx: 426 }],
  ])('leaves a picture as it is that is %s', (_, own) => {
    const made = madeForPlace({ ...wide, isListed: true }, { ...picture, ...own }, old);
    expect(made).toMatchObject({ isAsItIs: true, keeps: 1, narrow: null, isTooSmall: false });
  });

  it('keeps in view what must be in this place, and its shape', () => {
    const tall = { kind: 'img', declared: { ...NOTHING_DECLARED, widthPx: 200, heightPx: 400 } } as const;
    const { crop } = madeForPlace({ ...tall, focal: { x: 0.9, y: 0.5 } }, picture, old);
    expect(crop.widthPx * 2).toBeCloseTo(crop.heightPx, -1);
    expect(crop.left + crop.widthPx).toBeGreaterThan(0.9 * 2400);
  });
});
