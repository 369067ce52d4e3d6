import { describe, expect, it } from 'vitest';
import { dctHash, hashDistance, HASH_SIDE } from './dct-hash';
import { inGrey, pictureOf, shaped, type Drawn } from './drawn-pictures.fixture';
import { FamilyBuilder } from './families';
import type { Fingerprint } from './fingerprint';
import { WHOLE } from './grey-plane';
import { resample } from './kernels/comparing';
import { mayLie, isTurned, turnedHash, turnedPlane, TURNS, type Quarters } from './turned';

const hash = (drawn: Drawn) => dctHash(resample(drawn, WHOLE, [HASH_SIDE, HASH_SIDE]));
const hall = pictureOf(1);
const square = shaped(hall, { cut: [0, 0, 2 / 3, 1] });
const opposite = (quarters: Quarters) => (4 - quarters) as Quarters;

/** Four arms alike, as a star has them. */
const star: Drawn = {
  ...{ width: 96, height: 96 },
  data: Uint8Array.from({ length: 96 * 96 }, (_, i) => {
    const [x, y] = [Math.abs((i % 96) - 47.5), Math.abs(Math.floor(i / 96) - 47.5)];
    return Math.min(x, y) < 10 || (x + y) % 30 < 8 ? 20 : 230;
  }),
};

describe('turning', () => {
  const plane = { width: 3, height: 2, data: Float32Array.from([1, 2, 3, 4, 5, 6]) };
  it.each([
    [1, [2, 3], [4, 1, 5, 2, 6, 3]],
    [2, [3, 2], [6, 5, 4, 3, 2, 1]],
    [3, [2, 3], [3, 6, 2, 5, 1, 4]],
  ] as const)('by %i quarters clockwise', (quarters, [width, height], data) => {
    expect(turnedPlane(plane, quarters)).toEqual({ width, height, data: Float32Array.from(data) });
    expect(turnedPlane(turnedPlane(plane, quarters), opposite(quarters)).data).toEqual(plane.data);
  });

  it.each(TURNS)('gives the hash of the picture turned by %i quarters without looking at it', (quarters) => {
    for (let seed = 1; seed < 9; seed++) {
      const drawn = pictureOf(seed);
      expect(
        hashDistance(turnedHash(hash(drawn), quarters), hash(turnedPlane(drawn, quarters))),
      ).toBeLessThan(3);
    }
  });
});

describe('pictures on their side', () => {
  it.each(TURNS)('are the same turned by %i quarters, and by no other', (quarters) => {
    const copy = turnedPlane(shaped(hall, { scale: 0.6, noise: 4 }), opposite(quarters));
    expect(TURNS.filter((turn) => isTurned(inGrey(copy), inGrey(hall), turn))).toEqual([quarters]);
  });

  it('are not another picture, nor the same upright', () => {
    expect(TURNS.some((turn) => isTurned(inGrey(turnedPlane(pictureOf(2), 1)), inGrey(hall), turn))).toBe(
      false,
    );
    expect(TURNS.some((turn) => isTurned(inGrey(shaped(hall, { scale: 0.6 })), inGrey(hall), turn))).toBe(
      false,
    );
  });

  it('are none where all directions look the same', () => {
    expect(TURNS.some((turn) => isTurned(inGrey(turnedPlane(star, 1)), inGrey(star), turn))).toBe(false);
  });

  it.each([
    ['a photograph', hall, true],
    ['a square of it', square, true],
    ['a small sign', shaped(hall, { scale: 0.2 }), false],
    ['a smooth surface', shaped(hall, { gain: 0, lift: 90 }), false],
  ])('%s: whether that can be told', (_, drawn, expected) => {
    expect(mayLie(inGrey(drawn))).toBe(expected);
  });
});

describe('families of pictures on their side', () => {
  const prints = new Map<string, Fingerprint>([
    ['hall', inGrey(hall)],
    ['hall small', inGrey(shaped(hall, { scale: 0.7 }))],
    ['river', inGrey(pictureOf(2))],
    ['sideways', inGrey(turnedPlane(shaped(hall, { scale: 0.8, noise: 3 }), 3))],
    ['star', inGrey(star)],
    ['star turned', inGrey(turnedPlane(star, 1))],
  ]);
  const load = (id: string) => prints.get(id) as Fingerprint;
  const file = (id: string) => {
    const { width, height } = load(id).plane;
    return { id, widthPx: 4 * width, heightPx: 4 * height };
  };
  const twinsIn = (builder: FamilyBuilder) =>
    Object.fromEntries(
      builder.families().flatMap(({ master, twins }) => (twins.length > 0 ? [[master, twins]] : [])),
    );

  it('stay pictures of their own, and know each other from both sides', () => {
    const builder = new FamilyBuilder(load);
    for (const id of prints.keys()) builder.add(file(id));
    expect(twinsIn(builder)).toEqual({
      hall: [{ to: 'sideways', quarters: 3 }],
      sideways: [{ to: 'hall', quarters: 1 }],
    });
  });

  it('are known to one who goes on later, as long as both are there', () => {
    const first = new FamilyBuilder(load);
    first.add(file('hall'));
    first.add(file('river'));
    const second = new FamilyBuilder(load);
    second.restore(first.state(), () => true, load);
    second.add(file('sideways'));
    const state = JSON.parse(JSON.stringify(second.state())) as ReturnType<FamilyBuilder['state']>;
    const third = new FamilyBuilder(() => expect.fail('nothing is looked at again'));
    third.restore(state, () => true, load);
    expect(Object.keys(twinsIn(third)).sort()).toEqual(['hall', 'sideways']);
    const fourth = new FamilyBuilder(load);
    fourth.restore(state, (id) => id !== 'hall', load);
    expect(twinsIn(fourth)).toEqual({});
  });
});
