import { describe, expect, it } from 'vitest';
import { urlOfPath } from '../address/resolve-address';
import { dormantPlacements, sheetText } from './place-styles';
import { read, rows, site } from './read-page.fixture';

describe('kinds written in styles', () => {
  const link = '<link rel=stylesheet href=/s.css>';
  it.each([
    [
      'style attribute with entities',
      `<p style="background:url(&quot;a.jpg&quot;)">`,
      {},
      ['css a.jpg → sub/a.jpg'],
    ],
    ['style element', '<style>p{background:url( "a.jpg" )}</style><p>', {}, ['css a.jpg → sub/a.jpg']],
    [
      'a rule of the page that meets nothing',
      '<style>.x{background:url(a.jpg)}</style><p>',
      {},
      ['dormant css a.jpg → sub/a.jpg'],
    ],
    [
      'a linked sheet resolves against itself',
      `${link}<p class=x>`,
      { 's.css': '.x{background:#fff url(i/a.jpg)}' },
      ['css i/a.jpg → i/a.jpg'],
    ],
    [
      'a linked sheet that meets nothing is not the page’s',
      `${link}<p>`,
      { 's.css': '.x{background:url(a.jpg)}' },
      [],
    ],
    [
      'imports',
      `${link}<p>`,
      { 's.css': '@import "t/u.css" screen;', 't/u.css': 'p{list-style:url(a.gif)}' },
      ['css a.gif → t/a.gif'],
    ],
    [
      'imports that go round',
      `${link}<p>`,
      { 's.css': '@import "s.css"; p{cursor:url(c.cur),auto}' },
      ['css c.cur → c.cur'],
    ],
    [
      'states count as met',
      `${link}<a>x</a>`,
      { 's.css': 'a:hover{background:url(h.png)} a:not(:hover)::after{content:url(i.png)}' },
      ['css h.png → h.png', 'css i.png → i.png'],
    ],
    [
      'image-set, its types left out',
      `${link}<p>`,
      { 's.css': `p{background:image-set("a.png" 1x, url(b.webp) type("image/webp"))}` },
      ['css a.png → a.png', 'css b.webp → b.webp'],
    ],
    [
      'fonts and fragments are no pictures',
      `${link}<p>`,
      { 's.css': '@font-face{src:url(f.woff)} p{filter:url(#f);clip-path:url(c.svg#x);mask:url(#m)}' },
      [],
    ],
    [
      'nesting',
      `${link}<main><p class=x>`,
      { 's.css': 'main { & > .x { background: url(a.png) } .y { background: url(b.png) } }' },
      ['css a.png → a.png'],
    ],
    [
      'media and escapes',
      `${link}<p id=k>`,
      { 's.css': '@media print{#k{background:url(a\\ b.png)}}' },
      ['css a\\ b.png → a b.png'],
    ],
    [
      'names of classes, ids and elements with escapes',
      `${link}<p class="md:hero">x<i id=3d>x</i>`,
      {
        's.css':
          '.md\\:hero{background:url(a.png)} #\\33 d{background:url(b.png)} \\70 {background:url(c.png)}',
      },
      ['css c.png → c.png', 'css a.png → a.png', 'css b.png → b.png'],
    ],
    [
      'a class that is called by the address it shows',
      `${link}<p class="bg-[url(/img/a.png)] lg:w-1/2">`,
      {
        's.css':
          '.bg-\\[url\\(\\/img\\/a\\.png\\)\\]{background-image:url(/img/a.png)} @media (min-width:9em){.lg\\:w-1\\/2{background:url(b.png)}}',
      },
      ['css /img/a.png → img/a.png', 'css b.png → b.png'],
    ],
    [
      'states and writing directions',
      `${link}<p dir=rtl><details open>x</details>`,
      { 's.css': 'p:dir(rtl){background:url(a.png)}details:open{background:url(b.png)}' },
      ['css a.png → a.png', 'css b.png → b.png'],
    ],
    [
      'what is not understood in a list that forgives it',
      `${link}<p class=x>`,
      {
        's.css':
          'p:is(.x,:bogus){background:url(a.png)}p:where(:bogus,.y){background:url(b.png)}p:not(:bogus){background:url(c.png)}p:is(.y,::before){background:url(d.png)}',
      },
      ['css a.png → a.png'],
    ],
    [
      'links, followed or not, and what is none',
      `${link}<p><a href=x>x</a> <a>y</a>`,
      {
        's.css':
          'a:link{background:url(a.png)}p:any-link{background:url(b.png)}p :visited{background:url(c.png)}a:not(:visited){background:url(d.png)}p:link{background:url(e.png)}',
      },
      ['css c.png → c.png', 'css a.png → a.png', 'css d.png → d.png'],
    ],
    [
      'elements of a namespace, or of any',
      `${link}<p><svg><rect/></svg>`,
      {
        's.css':
          '@namespace s url(http://www.w3.org/2000/svg);*|p{background:url(a.png)}main s|rect,s|rect{cursor:url(b.png),auto}i:not(*|p){background:url(c.png)}',
      },
      ['css a.png → a.png', 'css b.png → b.png'],
    ],
    [
      'one among certain siblings',
      `${link}<p class=x><p class=y><i class=y></i>`,
      {
        's.css':
          'p:nth-child(2 of .x,.y){background:url(a.png)}b:nth-last-child(1 of .y){background:url(b.png)}q:nth-child(2 of .x) i{background:url(c.png)}',
      },
      ['css a.png → a.png'],
    ],
    [
      'what stands for the whole page outside of all rules',
      `${link}<p class=x>`,
      { 's.css': '& .x{background:url(a.png)} &{background:url(b.png)} .y &{background:url(c.png)}' },
      ['css b.png → b.png', 'css a.png → a.png'],
    ],
    [
      'an address with & in a selector, outside of rules and within',
      `${link}<main><a href="?a&b">x</a></main>`,
      {
        's.css':
          'a[href="?a&b"]{background:url(a.png)}main{& [href*="a&b"]{background:url(b.png)}[href$="&b"]{background:url(c.png)}}',
      },
      ['css b.png → b.png', 'css c.png → c.png', 'css a.png → a.png'],
    ],
    [
      'what a shadow tree in the page belongs to',
      '<div class=x><template shadowrootmode=open><style>:host{background:url(a.png)}:host(.x) p{background:url(b.png)}</style><link rel=stylesheet href=/s.css><p></template></div>',
      { 's.css': ':host(.x){background:url(c.png)}:host(.y){background:url(d.png)}' },
      ['css a.png → sub/a.png', 'css b.png → sub/b.png', 'css c.png → c.png'],
    ],
    [
      'a sheet that is one once it is loaded',
      `<link rel=preload as=style href=/s.css onload="this.onload=null;this.rel='stylesheet'"><p>`,
      { 's.css': 'p{background:url(a.png)}' },
      ['css a.png → a.png'],
    ],
    [
      'a sheet whose type has a parameter; a style element’s may not, and another type is no sheet',
      '<link rel=stylesheet type=" Text/CSS; charset=utf-8" href=/s.css><style type="text/css;x">p{background:url(b.png)}</style><link rel=stylesheet type=text/plain href=/t.css><p>',
      { 's.css': 'p{background:url(a.png)}', 't.css': 'p{background:url(c.png)}' },
      ['css a.png → a.png'],
    ],
    [
      'no sheet that is only loaded ahead, or for another choice',
      '<link rel=preload as=style href=/s.css><link rel="alternate stylesheet" href=/s.css title=x><p>',
      { 's.css': 'p{background:url(a.png)}' },
      [],
    ],
    [
      'class names in any case on pages in quirks mode',
      `${link}<p class=HEAD>`,
      { 's.css': '.head{background:url(a.png)}' },
      ['css a.png → a.png'],
    ],
  ] as [string, string, Record<string, string>, string[]][])('%s', (_name, text, sheets, expected) => {
    expect(rows(text, sheets)).toEqual(expected);
  });

  it('lists what met nothing on any page once, for the sheet itself', () => {
    const sheet = sheetText('s.css', urlOfPath('s.css', site), {
      text: '.x{background:url(a.jpg)}',
      encoding: 'utf-8',
    });
    const [dormant] = dormantPlacements(sheet, new Set(), site);
    expect(dormant).toMatchObject({ page: 's.css', source: 's.css', raw: 'a.jpg', dormant: true });
    const met = read('<link rel=stylesheet href=/s.css><p class=x>', { 's.css': sheet.source.text }).met;
    expect(dormantPlacements(sheet, met, site)).toEqual([]);
  });
});
