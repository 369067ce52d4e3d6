import { describe, expect, it } from 'vitest';
import { readingTones } from './reading-tones';

/** Grey pixels of these values, so many of each. */
const greys = (...runs: readonly (readonly [value: number, count: number])[]): Uint8Array =>
  Uint8Array.from(runs.flatMap(([value, count]) => new Array<number>(3 * count).fill(value)));

describe('readingTones', () => {
  it.each([
    ['black and white stay', greys([0, 50], [255, 50]), [0, 255]],
    ['grey on grey becomes black on white', greys([96, 50], [160, 50]), [0, 255]],
    ['the one dark pixel of two hundred does not decide', greys([0, 1], [96, 100], [160, 99]), [0, 0, 255]],
    ['the one light pixel does', greys([96, 100], [160, 99], [255, 1]), [0, 100, 255]],
    [
      'what is halfway for an eye becomes the middle grey',
      greys([0, 50], [119, 50], [255, 50]),
      [0, 119, 255],
    ],
    ['one tone stays', greys([140, 100]), [140]],
    ['nor is noise made of two that nobody tells apart', greys([140, 50], [142, 50]), [140, 142]],
  ])('%s', (_what, rgb, expected) => {
    const tones = [...new Set(readingTones(rgb))];
    expect(tones).toEqual([...new Set(expected)]);
  });

  it('takes colours as light as an eye does', () => {
    const pixel = (...samples: readonly number[]) => new Array<readonly number[]>(10).fill(samples).flat();
    const colours = [
      [0, 0, 0],
      [0, 0, 255],
      [255, 0, 0],
      [0, 255, 0],
      [255, 255, 255],
    ];
    const tones = readingTones(Uint8Array.from(colours.flatMap((colour) => pixel(...colour))));
    expect([...new Set(tones)]).toEqual([0, 76, 127, 220, 255]);
  });

  it('gives a tone for each pixel, and none where there is none', () => {
    expect(readingTones(new Uint8Array(3 * 12))).toHaveLength(12);
    expect(readingTones(new Uint8Array())).toHaveLength(0);
  });
});
