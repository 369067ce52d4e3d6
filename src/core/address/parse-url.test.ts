import { describe, expect, it } from 'vitest';
import { parseUrl } from './parse-url';

describe('parseUrl', () => {
  it.each([
    ['http://müller.example/é', undefined, 'http://xn--mller-kva.example/%C3%A9'],
    ['//éa/x', 'https://h.example/y', 'https://xn--a-9fa/x'],
    ['../a', 'http://h.example/b/c/d', 'http://h.example/b/a'],
    ['a', undefined, null],
    ['http://[::1', undefined, null],
    ['a', 'none', null],
  ])('%s beside %s, however often it is asked', (address, base, href) => {
    for (let n = 0; n < 20_000; n++)
      if ((parseUrl(address, base)?.href ?? null) !== href) expect(n).toBe('the same');
    expect(parseUrl(address, base)?.href ?? null).toBe(href);
  });
});
