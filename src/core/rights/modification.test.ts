import { describe, expect, it } from 'vitest';
import { WHOLE, type GreyPlane, type Rect } from '../picture/grey-plane';
import { pictureOf } from '../picture/drawn-pictures.fixture';
import type { Link } from '../picture/judge';
import { modificationsOf, type Modification, type Version } from './modification';

const MASTER = pictureOf(5);

/** A plane with each value made another. */
function changed(
  { width, height, data }: GreyPlane,
  make: (value: number, x: number, y: number) => number,
): GreyPlane {
  const made = Float32Array.from(data, (value, i) => make(value, i % width, Math.floor(i / width)));
  return { width, height, data: made };
}

/** Colours that differ from left to right and from top to bottom. */
const BLUE = changed(MASTER, (_, x) => 30 * Math.sin(x / 30));
const RED = changed(MASTER, (_, __, y) => 24 * Math.cos(y / 25));
const mirrored = (plane: GreyPlane) =>
  changed(plane, (_, x, y) => plane.data[y * plane.width + plane.width - 1 - x] ?? 0);

const version = (how: Partial<Version> = {}): Version => ({
  ...{ plane: MASTER, tint: { blue: BLUE, red: RED }, widthPx: 900, heightPx: 600 },
  ...how,
});
const link = (how: Partial<Link> = {}): Link => ({
  ...{ kind: 'same', isMirrored: false, own: WHOLE, other: WHOLE, score: 1, isClose: true },
  ...how,
});
const part = (left: number, top: number, width: number, height: number): Rect => ({
  left,
  top,
  width,
  height,
});
const grey = changed(MASTER, () => 0);

describe('a version of a picture is', () => {
  it.each<[string, Version, Link, readonly Modification[]]>([
    ['the same at another size', version({ widthPx: 300, heightPx: 200 }), link(), []],
    ['the same in odd pixels', version({ widthPx: 101, heightPx: 67 }), link(), []],
    ['a little lighter than scaling makes it: the same', version({ plane: changed(MASTER, (value) => value + 2) }), link(), []],
    ['cut', version({ widthPx: 630, heightPx: 600 }), link({ kind: 'part', other: part(0.1, 0, 0.7, 1) }), ['cropped']],
    ['cut by next to nothing: the same', version(), link({ other: part(0, 0, 0.99, 1) }), []],
    ['bordered', version({ widthPx: 1125, heightPx: 600 }), link({ kind: 'part', own: part(0.1, 0, 0.8, 1) }), ['bordered']],
    ['mirrored', version({ plane: mirrored(MASTER), tint: { blue: mirrored(BLUE), red: mirrored(RED) } }), link({ isMirrored: true }), ['mirrored']],
    ['stretched', version({ widthPx: 900, heightPx: 500 }), link(), ['stretched']],
    ['stretched by a pixel: the same', version({ widthPx: 300, heightPx: 201 }), link(), []],
    ['grey', version({ tint: { blue: grey, red: grey } }), link(), ['recoloured']],
    ['weaker in its colours', version({ tint: { blue: changed(BLUE, (value) => value * 0.4), red: changed(RED, (value) => value * 0.4) } }), link(), ['recoloured']],
    ['nearly of its colours: the same', version({ tint: { blue: changed(BLUE, (value) => value * 0.95), red: RED } }), link(), []],
    ['darker', version({ plane: changed(MASTER, (value) => value - 20) }), link(), ['toned']],
    ['of more contrast', version({ plane: changed(MASTER, (value) => (value - 128) * 1.2 + 128) }), link(), ['toned']],
    ['marked', version(), link({ kind: 'over' }), ['marked']],
    ['cut and grey', version({ widthPx: 450, heightPx: 600, tint: { blue: grey, red: grey } }), link({ kind: 'part', other: part(0.25, 0, 0.5, 1) }), ['cropped', 'recoloured']],
    ['cut, bordered and mirrored', version({ plane: mirrored(MASTER), tint: { blue: grey, red: grey } }), link({ kind: 'part', isMirrored: true, own: part(0.1, 0.1, 0.8, 0.8), other: part(0.1, 0.1, 0.8, 0.8) }), ['cropped', 'bordered', 'mirrored', 'recoloured']],
  ])('%s', (_, own, how, expected) => {
    expect(modificationsOf(own, version(), how)).toEqual(expect.arrayContaining([...expected]));
    if (!expected.includes('mirrored') && !expected.includes('cropped') && !expected.includes('bordered'))
      expect(modificationsOf(own, version(), how)).toEqual(expected);
  }); // oxfmt-ignore
});
