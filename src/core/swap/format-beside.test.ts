import { describe, expect, it } from 'vitest';
import { placesOf, swapped } from './swapped.fixture';

const PLAIN = '<p><img src="img/old.jpg" width="300" height="200" alt="x"></p>';
const LISTS = '<img src="b-960.jpg" srcset="b-480.jpg 480w, b-960.jpg 960w" sizes="100vw" alt="">';

describe('a newer format beside the usual one', () => {
  it.each([
    [
      'around an img',
      '<a href="#x"><img src="img/old.jpg" width="300" height="200" alt="x"></a>',
      '<a href="#x"><picture style="display:contents"><source type="image/webp" srcset="img/new-600x400.webp"><img src="img/new-600x400.jpg" width="300" height="200" alt="A <b>"></picture></a>',
    ],
    [
      'with the address as it was written, from the root',
      "<img src='/img/old.jpg' width=300 height=200 alt=x>",
      `<picture style="display:contents"><source type="image/webp" srcset="/img/new-600x400.webp"><img src='/img/new-600x400.jpg' width=300 height=200 alt="A <b>"></picture>`,
    ],
    [
      'as a list of widths, where the place gets one',
      `<img src="img/old.jpg" width="300" height="200" alt="x">${LISTS}`,
      `<picture style="display:contents"><source type="image/webp" srcset="img/new-300x200.webp 300w, img/new-600x400.webp 600w" sizes="(max-width: 300px) 100vw, 300px"><img src="img/new-600x400.jpg" srcset="img/new-300x200.jpg 300w, img/new-600x400.jpg 600w" sizes="(max-width: 300px) 100vw, 300px" width="300" height="200" alt="A <b>"></picture>${LISTS}`,
    ],
    [
      'each by itself, side by side',
      '<img src="img/old.jpg" width="300" height="200" alt="x"><img src="img/old.jpg" width="30" height="20" alt="x">',
      '<picture style="display:contents"><source type="image/webp" srcset="img/new-600x400.webp"><img src="img/new-600x400.jpg" width="300" height="200" alt="A <b>"></picture><picture style="display:contents"><source type="image/webp" srcset="img/new-60x40.webp"><img src="img/new-60x40.jpg" width="30" height="20" alt="A <b>"></picture>',
    ],
  ])('%s', (_what, before, after) => {
    const { html, refused } = swapped(before, { newer: 'webp' });
    expect(refused).toEqual([]);
    expect(html).toBe(after);
  });

  it('is read again as a place of the page, and leaves the img what it was', () => {
    const { html } = swapped(PLAIN, { newer: 'avif' });
    const found = placesOf(html).map(({ kind, raw, declared }) => [kind, raw, declared.type]);
    expect(found).toEqual([
      ['source', 'img/new-600x400.avif', 'image/avif'],
      ['img', 'img/new-600x400.jpg', null],
    ]);
  });

  it('is written as XML on a page that is', () => {
    const xml = (body: string) =>
      `<?xml version="1.0"?><html xmlns="http://www.w3.org/1999/xhtml"><head><title>x</title></head><body>${body}</body></html>`;
    const is = (body: string) => swapped(xml(body), { newer: 'webp', page: 'p.xhtml' });
    expect(is('<img src="img/old.jpg" width="300" height="200" alt="x"/>').html).toContain(
      '<picture style="display:contents"><source type="image/webp" srcset="img/new-600x400.webp" /><img src="img/new-600x400.jpg" width="300" height="200" alt="A <b>"/></picture></body>',
    );
    expect(is('<img src="img/old.jpg" width="300" height="200" alt="x"></img>').refused).toEqual(['markup']);
    const styled = (css: string) =>
      is(`<style>${css}</style><p><img src="img/old.jpg" alt="x"/></p>`).refused;
    expect(styled('p img { border: 0 }')).toEqual([]);
    expect(styled('picture > img { border: 0 }')).toEqual(['rules']);
    expect(styled('p > img { border: 0 }')).toEqual(['rules']);
  });

  it('lets a caption that is put in behind the picture stay behind it', () => {
    const { html, edits } = swapped(PLAIN, { newer: 'webp' });
    const behind = PLAIN.indexOf('</p>');
    expect(edits.some(({ start, end }) => start <= behind && end > behind)).toBe(false);
    expect(html).toContain('alt="A <b>"></picture></p>');
  });

  it('is none beside a picture that is in it already', () => {
    const { html } = swapped(PLAIN, { newer: 'webp', candidate: { widthPx: 900, heightPx: 600, format: 'webp' } }); // oxfmt-ignore
    expect(html).not.toContain('<picture');
  });

  it.each([
    [
      'in a picture',
      '<picture><source srcset="c.jpg" media="print"><img src="img/old.jpg" alt="x"></picture>',
    ],
    ['with a list of its own', '<img src="img/old.jpg" srcset="img/c.jpg 2x" alt="x">'],
    ['at an address with a blank', '<img src="my img/old.jpg" alt="x">'],
    ['that is a button', '<input type="image" src="img/old.jpg" alt="x">'],
    ['in a style', '<p style="background:url(img/old.jpg)">x</p>'],
    ['in what is shown without scripts', '<noscript><img src="img/old.jpg" alt="x"></noscript>'],
  ])('none for a place %s', (_what, page) => {
    const { html, refused } = swapped(page, { newer: 'webp' });
    expect(new Set(refused)).toEqual(new Set(['markup']));
    expect(html).not.toContain('display:contents');
  });
});

describe('what a page’s style sheets must not say', () => {
  it.each([
    ['of a child', 'p > img { border: 0 }', false],
    ['of any child', 'p > * { margin: 0 }', false],
    ['of the one behind it', 'img + em { color: red }', false],
    ['of those behind it', 'img ~ em { color: red }', false],
    ['of the first', 'p img:first-child { float: left }', false],
    ['of the first of its name', 'img:first-of-type { display: block }', true],
    ['of one by its number', 'p :nth-child(1) { margin: 0 }', false],
    ['of who holds it', 'p:has(> img) { margin: 0 }', false],
    ['of a child, as one of two selectors', 'p > img, img { border: 0 }', false],
    ['within a nested rule', 'p { & > img { border: 0 } }', false],
    ['for narrow screens only', '@media (max-width: 600px) { p > img { width: 100% } }', false],
    ['of what is inside', 'p img { border: 0 }', true],
    ['of its class', '.wide { width: 100% }', true],
    ['of all', '* { box-sizing: border-box }', true],
    ['of children elsewhere', 'div > img { border: 0 } ul > li + li { margin: 0 }', true],
    ['of the page’s own children', 'body > p:first-child { margin: 0 }', true],
    ['of who holds it somewhere', 'p:has(img) { margin: 0 }', true],
    ['in an animation', '@keyframes in { from { opacity: 0 } to { opacity: 1 } }', true],
    ['as what can’t be parsed', 'p > img { } } ]] > {', false],
  ])('%s', (_what, css, isWritten) => {
    const page = `<p><img class="wide" src="img/old.jpg" width="300" height="200" alt="x"><em>and</em></p>`;
    for (const [text, sheets] of [
      [`<style>${css}</style>${page}`, {}],
      [`<link rel="stylesheet" href="a.css">${page}`, { 'a.css': css }],
      [`<link rel="stylesheet" href="a.css">${page}`, { 'a.css': '@import "b/c.css";', 'b/c.css': css }],
    ] as const) {
      const { html, refused } = swapped(text, { newer: 'webp', sheets });
      expect([refused, html.includes('<picture')]).toEqual(isWritten ? [[], true] : [['rules'], false]);
    }
  });

  it.each([
    ['is of another host', '<link rel="stylesheet" href="https://fonts.example/a.css">'],
    ['is not there', '<link rel="stylesheet" href="gone.css">'],
    ['imports what is not there', '<style>@import "gone.css";</style>'],
  ])('none where one %s', (_what, head) => {
    expect(swapped(head + PLAIN, { newer: 'webp' }).refused).toEqual(['sheets']);
  });
});
