import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { readSheet, readStyleAttribute } from './read-sheet';

/** `property raw` of each reference, with a check that its span holds. */
function found(css: string): string[] {
  return readSheet(css).references.map(
    ({ property, span }) => `${property} ${css.slice(span.start, span.end)}`,
  );
}

describe('readSheet', () => {
  it.each([
    ['bare', 'p{background:url(a.png)}', ['background a.png']],
    ['quoted, with blanks', 'p{background:URL( "a b.png" )}', ['background a b.png']],
    ['single quotes', "p{background-image:url('a.png')}", ['background-image a.png']],
    [
      'several layers',
      'p{background:url(a.png),url(b.png) no-repeat}',
      ['background a.png', 'background b.png'],
    ],
    [
      'every property that shows a picture',
      'p{list-style-image:url(a);content:url(b);border-image:url(c) 30;mask-image:url(d);cursor:url(e),auto;-webkit-mask:url(f);shape-outside:url(g)}',
      [
        'list-style-image a',
        'content b',
        'border-image c',
        'mask-image d',
        'cursor e',
        '-webkit-mask f',
        'shape-outside g',
      ],
    ],
    [
      'mirror images, and what a registered property begins with',
      '@property --a{syntax:"<image>";inherits:false;initial-value:url(a.png)} p{-webkit-box-reflect:below 0 url(b.png)}',
      ['initial-value a.png', '-webkit-box-reflect b.png'],
    ],
    [
      'an address with modifiers behind it',
      'p{background:url("a.png" crossorigin(anonymous)) no-repeat,url(\'b.png\' integrity("x")),url(c.png)}',
      ['background a.png', 'background b.png', 'background c.png'],
    ],
    [
      'one for each case',
      'p{background:if(style(--x:1): url(a.png); media(print): image-set("b.png" 1x); else: url( "c d.png" ))}q{background:url(e.png)}',
      ['background a.png', 'background b.png', 'background c d.png', 'background e.png'],
    ],
    ['no parts of what no browser understands', 'p{background:url(a b.png);color:if(x: url(c.png))}', []],
    ['upper case', 'P{BACKGROUND:URL(A.PNG)}', ['background A.PNG']],
    [
      'image-set with strings',
      'p{background:image-set("a.png" 1x, "b.png" 2x)}',
      ['background a.png', 'background b.png'],
    ],
    ['old image-set', 'p{background:-webkit-image-set(url(a.png) 1x)}', ['background a.png']],
    [
      'inside media, supports and layers',
      '@media print{@supports (x:y){@layer z{p{background:url(a.png)}}}}',
      ['background a.png'],
    ],
    ['after a broken rule', 'p{color:;;} }} q{background:url(a.png)}', ['background a.png']],
    [
      'no fonts, filters, clip paths or fragments',
      '@font-face{src:url(f.woff)} p{filter:url(a.svg#b);clip-path:url(c.svg);background:url(#g)}',
      [],
    ],
    [
      'custom properties',
      ':root{--hero:url(a.png) no-repeat;--gap:2px;--odd:{x:y};--two:image-set("b.png" 1x)}',
      ['--hero a.png', '--two b.png'],
    ],
    ['printed pages', '@page{background:url(a.png)}', ['background a.png']],
    ['no hacks for browsers long gone', 'p{*background:url(a.png);_background:url(b.png)}', []],
    ['no comments', 'p{/* background:url(a.png) */}', []],
    ['empty addresses', 'p{background:url();list-style:url("")}', []],
    ['a string that is no address', 'p::before{content:"a.png"}', []],
    [
      'names written with escapes',
      'p{background:\\75rl(a.png)} q{mask:\\U\\52\\6C("b c.png")} r{backgr\\6f und:im\\61ge-set("d.png" 1x)}',
      ['background a.png', 'mask b c.png', 'background d.png'],
    ],
    ['an escape that makes another word', 'p{background:c\\75rl(a.png)}', []],
    [
      'braces within addresses',
      'p{background:url("a{b.png")} q{background:url(c{d.png)}',
      ['background a{b.png', 'background c{d.png'],
    ],
    ['nothing', '', []],
  ])('%s', (_name, css, expected) => {
    expect(found(css)).toEqual(expected);
  });

  it.each([
    ['@import "a.css";', ['a.css']],
    ['@import url(a.css) screen and (min-width: 1px);', ['a.css']],
    ['@IMPORT URL("a.css") layer(x);', ['a.css']],
    ['@import;', []],
    ['@\\69mport "a.css";', ['a.css']],
    ['@charset "utf-8"; @layer base; @import "a.css"; @import "b.css";', ['a.css', 'b.css']],
    ['p{x:y} @import "a.css";', []],
    ['@media print{} @import "a.css";', []],
    ['@layer base{} @import "a.css";', []],
    ['@media print{ @import "a.css"; }', []],
    ['@unheard-of x; @import "a.css";', ['a.css']],
  ])('imports: %s', (css, expected) => {
    expect(readSheet(css).imports.map(({ value }) => value)).toEqual(expected);
  });

  it.each([
    ['a, b > c{background:url(x)}', ['a', 'b>c']],
    ['a:hover::before{background:url(x)}', ['a']],
    [':hover{background:url(x)}', ['*']],
    ['ul :focus > li{background:url(x)}', ['ul *>li']],
    ['a:not(:hover):first-child{background:url(x)}', ['a:first-child']],
    ['a:not(.b){background:url(x)}', ['a:not(.b)']],
    ['a:is(.b:hover,.c){background:url(x)}', ['a:is(.b,.c)']],
    ['a:-moz-any-link{background:url(x)}', ['a']],
    ['m{.a &{background:url(x)}}', ['.a m']],
    ['m,n{& > p{background:url(x)}}', [':is(m,n)>p']],
    ['m{p{background:url(x)}}', ['m p']],
  ])('selectors of %s', (css, expected) => {
    expect(readSheet(css).references[0]?.selectors).toEqual(expected);
  });

  it('names references by their rule, so that they are found again after edits', () => {
    const rules = (css: string) => readSheet(css).references.map(({ rule }) => rule);
    expect(rules('a{background:url(x),url(y)} a{background:url(z)}')).toEqual([
      'a|background|1',
      'a|background|2',
      'a|background|3',
    ]);
    expect(rules('/* new */ b{} a{background:url(other)}')).toEqual(['a|background|1']);
  });

  it('never throws, and its spans hold', () => {
    const piece = fc.constantFrom(
      'p',
      '{',
      '}',
      'background:',
      'url(',
      ')',
      '"',
      "'",
      'a.png',
      ';',
      '@media',
      '(',
      ',',
      '\\',
      '/*',
      '*/',
      '&',
      ':not(',
      '\n',
      'image-set(',
      '!important',
    );
    fc.assert(
      fc.property(fc.array(piece, { maxLength: 30 }), (pieces) => {
        const css = pieces.join('');
        for (const { span } of readSheet(css).references) {
          expect(span.start).toBeLessThanOrEqual(span.end);
          expect(span.end).toBeLessThanOrEqual(css.length);
        }
      }),
      { numRuns: 400 },
    );
  });
});

describe('readStyleAttribute', () => {
  it.each([
    ['background:url(a.png)', ['a.png']],
    ['color:red; background-image: url("a b.png")', ['a b.png']],
    ['color:red', []],
    ['}{', []],
  ])('%s', (value, expected) => {
    expect(readStyleAttribute(value).map(({ span }) => value.slice(span.start, span.end))).toEqual(expected);
  });
});
