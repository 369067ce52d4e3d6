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
    // What is compiled after thousands of calls must say the same.
    const told = new Set(Array.from({ length: 20_000 }, () => parseUrl(address, base)?.href ?? null));
    expect([...told]).toEqual([href]);
  });
});
