import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { everyMatch } from './every-match';

describe('everyMatch', () => {
  it.each([
    [/an/g, 'banana bandana'],
    [/(?<a>a)(n)?/g, 'banana'],
    [/a*/g, 'baab'],
    [/x/g, 'banana'],
    [/\d{4}/gu, ''],
    [/(?=a)/g, 'banana'],
    [/b*/gu, 'a😀b😀'],
    [/b*/g, 'a😀b😀'],
  ])('finds what matchAll finds: %s in “%s”', (pattern, text) => {
    expect(everyMatch(pattern, text)).toEqual([...text.matchAll(pattern)]);
  });

  it('begins at the start, whatever was left of the pattern before', () => {
    const pattern = /an/g;
    pattern.lastIndex = 3;
    expect(everyMatch(pattern, 'banana').map(({ index }) => index)).toEqual([1, 3]);
    expect(pattern.lastIndex).toBe(0);
  });

  it('refuses a pattern that is not global, as matchAll does', () => {
    expect(() => everyMatch(/an/, 'banana')).toThrow(TypeError);
  });

  it('finds the same in any text', () => {
    fc.assert(
      fc.property(fc.string({ unit: fc.constantFrom('a', 'b', '1', ' ') }), (text) => {
        for (const pattern of [/a+/g, /b?/g, /\d(?!1)/g, /\ba/g])
          expect(everyMatch(pattern, text)).toEqual([...text.matchAll(pattern)]);
      }),
    );
  });
});
