import { describe, expect, it } from 'vitest';
import { parseSrcset } from './parse-srcset';

describe('parseSrcset', () => {
  it.each([
    ['one address', 'a.jpg', ['a.jpg']],
    ['widths', 'a.jpg 480w, b.jpg 960w', ['a.jpg 480w', 'b.jpg 960w']],
    ['densities, with fractions', 'a.jpg 1x,b.jpg 1.5x', ['a.jpg 1x', 'b.jpg 1.5x']],
    ['commas inside addresses', 'a,b.jpg 1x, c,d.jpg 2x', ['a,b.jpg 1x', 'c,d.jpg 2x']],
    ['a comma that ends an address', 'a.jpg, b.jpg 2x', ['a.jpg', 'b.jpg 2x']],
    ['several commas at the end', 'a.jpg,,, b.jpg', ['a.jpg', 'b.jpg']],
    ['line ends and tabs', '\n a.jpg\t1x,\r\n b.jpg 2x\n', ['a.jpg 1x', 'b.jpg 2x']],
    [
      'data addresses',
      'data:image/png;base64,AA== 1x, b.png 2x',
      ['data:image/png;base64,AA== 1x', 'b.png 2x'],
    ],
    ['width with height', 'a.jpg 480w 320h', ['a.jpg 480w 320h']],
    ['a height alone is refused', 'a.jpg 320h, b.jpg 1x', ['b.jpg 1x']],
    ['width and density together are refused', 'a.jpg 480w 2x, b.jpg', ['b.jpg']],
    ['two widths are refused', 'a.jpg 480w 960w, b.jpg', ['b.jpg']],
    ['nonsense is refused', 'a.jpg huge, b.jpg', ['b.jpg']],
    ['zero width is refused', 'a.jpg 0w, b.jpg', ['b.jpg']],
    ['commas inside parentheses of a descriptor', 'a.jpg (x, y), b.jpg', ['b.jpg']],
    ['nothing', '  ', []],
    ['commas only', ',,,', []],
  ])('%s', (_name, value, expected) => {
    const found = parseSrcset(value);
    expect(found.map(({ url, descriptor }) => `${url} ${descriptor}`.trim())).toEqual(expected);
    for (const { url, start, end } of found) expect(value.slice(start, end)).toBe(url);
  });
});
