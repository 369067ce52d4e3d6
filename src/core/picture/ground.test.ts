import { describe, expect, it } from 'vitest';
import { planesOnGround } from './ground';

/** Ten by ten, every second pixel of a tone and the others transparent. */
const dotted = (tone: readonly number[], alpha: number, others = 0) => {
  const pixel = (i: number) => [...tone, i % 2 === 0 ? alpha : others];
  const data = Uint8Array.from({ length: 100 }, (_, i) => i).reduce<number[]>(
    (all, i) => [...all, ...pixel(i)],
    [],
  );
  return { width: 10, height: 10, channels: tone.length + 1, data: Uint8Array.from(data) };
};
const tones = (pixels: ReturnType<typeof dotted>) =>
  [...new Set(planesOnGround(pixels).plane.data)].sort((a, b) => a - b);

describe('a picture on its ground', () => {
  it.each([
    ['white drawings over black', dotted([255, 255, 255], 255), [0, 255]],
    ['light ones too, though something would be seen over white', dotted([240, 240, 240], 255), [0, 240]],
    ['dark ones over white', dotted([20, 20, 20], 255), [20, 255]],
    ['what is neither over white', dotted([120, 120, 120], 255), [120, 255]],
    ['grey with alpha likewise', dotted([255], 255), [0, 255]],
    [
      'a light picture of which the ground hardly shows over white',
      dotted([215, 215, 215], 255, 160),
      [215, 230],
    ],
    ['half transparent white over black, mixed', dotted([255, 255, 255], 128), [0, 128]],
    ['an opaque one as it is', dotted([255, 255, 255], 255, 255), [255]],
    ['the faintest white too', dotted([255, 255, 255], 3), [0, 3]],
  ])('%s', (_, pixels, expected) => {
    expect(tones(pixels)).toEqual(expected);
  });

  it('has the colours that are seen', () => {
    const red = dotted([250, 10, 10], 255);
    const { tint } = planesOnGround(red);
    expect(Math.max(...tint.red.data)).toBeGreaterThan(50);
    const grey = { width: 2, height: 1, channels: 1, data: Uint8Array.from([10, 200]) };
    expect([...planesOnGround(grey).plane.data]).toEqual([10, 200]);
    expect(Math.max(...planesOnGround(grey).tint.red.data.map(Math.abs))).toBeLessThan(1);
  });
});
