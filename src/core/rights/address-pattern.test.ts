import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { firstFolder, isPattern, literalsIn, matcherOf } from './address-pattern';

describe('a pattern', () => {
  it.each<[string, readonly string[], readonly string[]]>([
    ['img/*', ['img/a.jpg', 'img/.jpg'], ['img/x/a.jpg', 'imgs/a.jpg', 'x/img/a.jpg']],
    ['img/**', ['img/a.jpg', 'img/x/y/a.jpg'], ['img', 'x/img/a.jpg']],
    ['**/a.jpg', ['a.jpg', 'x/a.jpg', 'x/y/a.jpg'], ['ba.jpg', 'a.jpeg']],
    ['news/**/pics/*.png', ['news/pics/a.png', 'news/2024/05/pics/a.png'], ['news/pics/x/a.png', 'news/pics/a.jpg']],
    ['a?.jpg', ['a?.jpg'], ['ab.jpg', 'a.jpg']],
    ['a+(1).jpg', ['a+(1).jpg'], ['aa1.jpg']],
    ['a[b].jpg', ['a[b].jpg'], ['ab.jpg']],
    ['*', ['a.jpg', ''], ['x/a.jpg']],
    ['**', ['a.jpg', 'x/a.jpg', ''], []],
    ['img/**-small.*', ['img/a-small.jpg', 'img/x/a-small.webp'], ['img/a.jpg']],
    ['größe/*', ['größe/ä.jpg'], ['groesse/a.jpg']],
    ['a\nb*', ['a\nbc'], ['a b']],
  ])('%j', (pattern, matching, others) => {
    const matches = matcherOf(pattern);
    expect(matching.filter((address) => !matches(address))).toEqual([]);
    expect(others.filter(matches)).toEqual([]);
  }); // oxfmt-ignore

  it.each<[string, boolean, number, string | null]>([
    ['img/a.jpg', false, 9, 'img'],
    ['img/*', true, 4, 'img'],
    ['**/a.jpg', true, 6, null],
    ['*/a.jpg', true, 6, null],
    ['a*.jpg', true, 5, null],
    ['news/**', true, 5, 'news'],
  ])('%j: a pattern %s, of %i characters, below %s', (written, pattern, literals, folder) => {
    expect([isPattern(written), literalsIn(written), firstFolder(written)]).toEqual([
      pattern,
      literals,
      folder,
    ]);
  });
});

it('whatever is written, a pattern can be asked, and an address without a star is its own alone', () => {
  fc.assert(
    fc.property(fc.string({ unit: 'grapheme' }), fc.string({ unit: 'grapheme' }), (written, other) => {
      const matches = matcherOf(written);
      expect(typeof matches(other)).toBe('boolean');
      if (!isPattern(written)) {
        expect(matches(written)).toBe(true);
        expect(matches(`${written}${other}`)).toBe(other === '');
      }
      expect(matcherOf(`${written}**`)(`${written.replaceAll('*', '')}${other}`)).toBe(true);
    }),
    { numRuns: 2000 },
  );
});
