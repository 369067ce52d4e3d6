import { describe, expect, it } from 'vitest';
import { CandidateIndex } from './candidate-index';
import { bitsOf, dctHash, hashDistance, HASH_SIDE, mirroredHash } from './dct-hash';
import { compareDetail } from './detail';
import { inGrey, mirrorOf, pictureOf, shaped } from './drawn-pictures.fixture';
import { findLandmarks } from './find-landmarks';
import { fitted, WHOLE } from './grey-plane';
import { resample } from './kernels/comparing';
import { sumTable } from './kernels/summing';

const hash = (drawn: ReturnType<typeof pictureOf>) => dctHash(resample(drawn, WHOLE, [HASH_SIDE, HASH_SIDE]));

describe('resample', () => {
  const plane = { width: 4, height: 2, data: Uint8Array.from([0, 10, 20, 30, 40, 50, 60, 70]) };
  it.each([
    ['the same', WHOLE, [4, 2], [0, 10, 20, 30, 40, 50, 60, 70]],
    ['means of what is covered', WHOLE, [2, 1], [25, 45]],
    ['a part', { left: 0.5, top: 0, width: 0.5, height: 0.5 }, [2, 1], [20, 30]],
    ['values in between', { left: 0, top: 0, width: 0.5, height: 0.5 }, [4, 1], [0, 2.5, 7.5, 12.5]],
  ] as const)('gives %s', (_, rect, size, expected) => {
    expect([...resample(plane, rect, size)].map((value) => Math.round(value * 10) / 10)).toEqual(expected);
  });

  it.each([
    [400, 300, 100, [100, 75]],
    [30, 900, 90, [3, 90]],
    [10_000, 1, 256, [256, 1]],
  ])('fits %i × %i into %i', (width, height, long, size) => {
    expect(fitted(width, height, long)).toEqual(size);
  });
});

describe('dctHash', () => {
  it.each([
    [0, 0],
    [1, 1],
    [-1, 32],
    [0x55555555, 16],
  ])('counts the bits of %i', (word, bits) => expect(bitsOf(word)).toBe(bits));

  it('does not mind brightness, contrast and noise, and minds another picture', () => {
    const one = hash(pictureOf(1));
    expect(hashDistance(one, hash(shaped(pictureOf(1), { gain: 0.5, lift: 60 })))).toBeLessThanOrEqual(3);
    expect(hashDistance(one, hash(shaped(pictureOf(1), { noise: 8 })))).toBeLessThanOrEqual(4);
    expect(hashDistance(one, hash(pictureOf(2)))).toBeGreaterThan(18);
  });

  it.each(['across', 'down'] as const)(
    'takes no sign from what packing leaves in stripes %s',
    (direction) => {
      const [width, height] = [240, 160];
      const stripe = (x: number, y: number) =>
        [40, 215, 120][Math.floor((direction === 'across' ? y / height : x / width) * 3)] as number;
      const data = Uint8Array.from({ length: width * height }, (_, n) =>
        stripe(n % width, Math.floor(n / width)),
      );
      const clean = hash({ width, height, data });
      for (const noise of [1, 2, 4, 8])
        expect(hashDistance(clean, hash(shaped({ width, height, data }, { noise })))).toBeLessThanOrEqual(2);
    },
  );

  it('gives the hash of the mirrored picture without looking at it', () => {
    expect(hashDistance(mirroredHash(hash(pictureOf(3))), hash(mirrorOf(pictureOf(3))))).toBeLessThanOrEqual(
      1,
    );
  });
});

describe('findLandmarks', () => {
  it('finds most of them again in a cutting, at the place they were', () => {
    const whole = findLandmarks(sumTable(pictureOf(4)));
    const cut = findLandmarks(sumTable(shaped(pictureOf(4), { cut: [0.1, 0.1, 0.8, 0.8] })));
    const again = cut.filter(({ x, y, size }) =>
      whole.some(
        (one) =>
          Math.abs(0.8 * x + 0.1 - one.x) < 0.02 &&
          Math.abs(0.8 * y + 0.1 * (160 / 240) - one.y) < 0.02 &&
          Math.abs(Math.log((0.8 * size) / one.size)) < 0.2,
      ),
    );
    expect(whole.length).toBeGreaterThan(40);
    expect(again.length / cut.length).toBeGreaterThan(0.5);
  });

  it.each([
    ['a flat one', { width: 50, height: 50, data: new Uint8Array(2500).fill(9) }],
    ['one row', { width: 256, height: 1, data: new Uint8Array(256).fill(9) }],
    ['one point', { width: 1, height: 1, data: Uint8Array.of(7) }],
  ])('finds none in %s', (_, plane) => {
    expect(inGrey(plane).landmarks).toEqual([]);
  });
});

describe('compareDetail', () => {
  const a = pictureOf(5);
  const floats = (plane: { data: ArrayLike<number> }) => Float32Array.from(plane.data);
  it.each([
    ['itself', a, 0.999, 0],
    ['a paler copy', shaped(a, { gain: 0.5, lift: 40 }), 0.99, 0],
  ])('agrees with %s', (_, b, least, most) => {
    const detail = compareDetail(floats(a), floats(b), a.width, a.height);
    expect(detail.agreement).toBeGreaterThanOrEqual(least);
    expect(detail.contradicted).toBeLessThanOrEqual(most);
  });

  it('contradicts another picture', () => {
    const detail = compareDetail(floats(a), floats(pictureOf(6)), a.width, a.height);
    expect(Math.abs(detail.agreement)).toBeLessThan(0.2);
    expect(detail.contradicted).toBeGreaterThan(0.3);
  });

  it('tells the light and shade beside what is laid over from that under it', () => {
    const [width, height] = [120, 80];
    const hill = (x: number, y: number) => 90 + x / 2 + 40 * Math.sin(y / 25);
    const bare = Float32Array.from({ length: width * height }, (_, i) =>
      hill(i % width, Math.floor(i / width)),
    );
    const written = bare.map((value, i) => {
      const [x, y] = [i % width, Math.floor(i / width)];
      return x > 40 && y > 30 && x < 90 && y < 50 && x % 4 < 2 ? 250 : value;
    });
    const detail = compareDetail(written, bare, width, height);
    expect(detail).toMatchObject({ onlyFirst: 1, onlySecond: 0, isBlank: false });
    expect(detail.light).toBeLessThan(0.95);
    expect(detail.lightApart).toBeGreaterThan(0.999);
    expect(detail.covered).toBeGreaterThan(0.1);
    expect(detail.covered).toBeLessThan(0.3);
    expect(detail.shading).toBeGreaterThan(15);
  });

  it('knows two even tones, and how far they are apart', () => {
    const tone = (value: number) => new Float32Array(3600).fill(value);
    expect(compareDetail(tone(40), tone(42), 60, 60)).toMatchObject({ isBlank: true, shift: 2, tiles: 0 });
    expect(compareDetail(floats(a), new Float32Array(a.data.length).fill(9), a.width, a.height).isBlank).toBe(
      false,
    );
  });
});

describe('CandidateIndex', () => {
  it('finds a cutting among hundreds first, and where it lies', () => {
    const index = new CandidateIndex(150);
    for (let seed = 0; seed < 150; seed++) index.add(inGrey(pictureOf(seed)));
    const cut = inGrey(shaped(pictureOf(77), { cut: [0.15, 0.1, 0.7, 0.8] }));
    const [first] = index.find(cut, 5);
    expect(first).toMatchObject({ picture: 77, isMirrored: false });
    expect(first?.alignments[0]?.scale).toBeCloseTo(0.7, 1);
  });

  it('passes over what is not asked for', () => {
    const index = new CandidateIndex(10);
    for (const seed of [1, 2, 3, 2]) index.add(inGrey(pictureOf(seed)));
    const of = (isAsked: (picture: number) => boolean) =>
      index.find(inGrey(pictureOf(2)), 5, isAsked).map(({ picture }) => picture);
    expect(of(() => true)).toEqual(expect.arrayContaining([1, 3]));
    expect(of((picture) => picture === 3)).toEqual([3]);
  });

  it('takes three landmarks for chance where they are mirrored, not where they stand as they are', () => {
    const index = new CandidateIndex(10);
    const own = inGrey(pictureOf(5));
    index.add(own);
    const width = own.plane.width / Math.max(own.plane.width, own.plane.height);
    // Nothing but landmarks: hashes of the whole and of the middles are of another picture.
    const other = inGrey(pictureOf(90));
    const found = (count: number, isMirrored: boolean) => {
      const landmarks = own.landmarks
        .slice(0, count)
        .map((one) => (isMirrored ? { ...one, ...mirroredHash(one), x: width - one.x } : one));
      return index.find({ ...other, landmarks }, 5).filter((one) => one.isMirrored === isMirrored);
    };
    expect(found(3, false)).toMatchObject([{ picture: 0 }]);
    expect(found(3, true)).toEqual([]);
    expect(found(8, true)).toMatchObject([{ picture: 0 }]);
  });

  it.each([
    ['a trimmed one', { cut: [0.06, 0.06, 0.88, 0.88] }, 0.88],
    ['the middle', { cut: [0.15, 0.15, 0.7, 0.7] }, 0.7],
    ['one with a border', { border: 8 }, 1 / 0.94],
  ] as const)('finds %s by its middle alone, where no landmark is left', (_, how, width) => {
    const bare = (drawn: ReturnType<typeof pictureOf>) => ({ ...inGrey(drawn), landmarks: [] });
    const index = new CandidateIndex(150);
    for (let seed = 0; seed < 150; seed++) index.add(bare(pictureOf(seed)));
    const [first] = index.find(bare(shaped(pictureOf(77), how)), 5);
    expect(first).toMatchObject({ picture: 77, isMirrored: false, alignments: [] });
    expect(first?.middles[0]).toBeCloseTo(width, 1);
  });

  it('takes the middle of a picture for no picture of that hash', () => {
    const index = new CandidateIndex(10);
    index.add(inGrey(pictureOf(1)));
    const { hash, middleHashes } = inGrey(pictureOf(1));
    expect(index.findWhole(hash)).toEqual([0]);
    expect(middleHashes.at(-1) && index.findWhole(middleHashes.at(-1)!)).toEqual([]);
  });
});
