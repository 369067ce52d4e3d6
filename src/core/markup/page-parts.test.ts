import { describe, expect, it } from 'vitest';
import { pageParts } from './page-parts';

const PAGE =
  '<!doctype html>\r\n<html lang="de"><head><title>A | B</title>\r\n<link rel="canonical" href="x"><meta property="og:title" content="A"></head>\r\n<body><header><a href="a.html">A</a></header><main id="m"><p>x</p></main><footer>foot</footer></body></html>';
const at = (text: string, what: string) => text.indexOf(what);
const cut = (text: string, span: { start: number; end: number } | null | undefined) =>
  span ? text.slice(span.start, span.end) : null;

describe('pageParts', () => {
  it('tells where a page has what, by its own offsets', () => {
    const parts = pageParts(PAGE);
    expect(parts.language).toBe('de');
    expect(parts.headEnd).toBe(at(PAGE, '</head>'));
    expect(parts.footEnd).toBe(at(PAGE, '</footer>'));
    expect(cut(PAGE, parts.title?.inner)).toBe('A | B');
    expect(cut(PAGE, parts.main?.inner)).toBe('<p>x</p>');
    expect(cut(PAGE, parts.byId('m')?.outer)).toBe('<main id="m"><p>x</p></main>');
    expect(parts.byId('n')).toBeNull();
    expect(parts.ofThisPage.map((span) => cut(PAGE, span))).toEqual([
      '<link rel="canonical" href="x">',
      '<meta property="og:title" content="A">',
    ]);
    expect(parts.links).toEqual(['a.html']);
  });

  it.each<[string, string, string, string]>([
    [
      'without a head’s end, behind the title',
      '<html><title>t</title><body>b</body></html>',
      '<body>',
      '</body>',
    ],
    ['without anything, at its end', '<p>a</p>', '', ''],
    ['with its own part by id', '<title>t</title><body><div id="inhalt">x</div></body>', '<body>', '</body>'],
  ])('of a page %s', (_, text, head, foot) => {
    const { headEnd, footEnd } = pageParts(text);
    expect([headEnd, footEnd]).toEqual([head, foot].map((tag) => (tag === '' ? text.length : at(text, tag))));
  });

  it('knows no part of its own in a page that does not say', () => {
    expect(pageParts('<body><div>x</div></body>').main).toBeNull();
    expect(cut('<div role=main>x</div>', pageParts('<div role=main>x</div>').main?.inner)).toBe('x');
  });
});
