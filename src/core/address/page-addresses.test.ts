import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { PageAddresses } from './page-addresses';
import { parseUrl } from './parse-url';

const BASES = [
  'https://a.example/',
  'https://a.example/x/y.html',
  'https://a.example/x/z.html?p=/q/r#s/t',
  'https://a.example/x?p',
  'http://b.example:8080/x/y/',
  'https://user@a.example/x/',
];
const parts = [
  ...'.. . a é %2e / // \\ ? # ?b=c #d : http: https: ftp: https:// @ b.example'.split(' '),
  ' ',
  '\t',
  '\u0001',
];
const written = fc.array(fc.constantFrom(...parts), { maxLength: 7 }).map((list) => list.join('').trim());

/** As the URL standard says it, each time anew. */
function plainly(address: string, base: string): string | null {
  if (address === '' || address.startsWith('#')) return null;
  const url = parseUrl(address, base);
  if (!url?.protocol.startsWith('http')) return null;
  return url.href.replace(/#.*$/, '');
}

describe('PageAddresses', () => {
  it('says the same as the URL standard, whatever was asked before', () => {
    const addresses = new PageAddresses();
    fc.assert(
      fc.property(written, fc.constantFrom(...BASES), (address, base) => {
        expect(addresses.absolute(address, base)).toBe(plainly(address, base));
      }),
      { numRuns: 3000 },
    );
  });

  it.each([
    'mailto:x@y.example',
    'JavaScript:go()',
    'tel:1',
    'data:,x',
    '#x',
    '',
    'ftp://a.example/',
    'http://',
  ])('knows %o as none of the web', (address) =>
    expect(new PageAddresses().absolute(address, 'https://a.example/')).toBeNull(),
  );
});
