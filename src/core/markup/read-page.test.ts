import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { addressText, siteOfFiles, urlOfPath } from '../address/resolve-address';
import { dormantPlacements, sheetText, type SheetText } from './place-styles';
import { readPage, type PageReading } from './read-page';

const site = siteOfFiles();

function read(text: string, sheets: Record<string, string> = {}): PageReading {
  const known = new Map<string, SheetText>();
  for (const [path, css] of Object.entries(sheets)) {
    known.set(path, sheetText(path, urlOfPath(path, site), { text: css, encoding: 'utf-8' }));
  }
  return readPage({
    address: 'sub/page.html',
    source: { text, encoding: 'utf-8' },
    site,
    sheetOf: (path) => known.get(path),
  });
}

/** Each placement as `kind raw → address`, and a check that its span holds in its source. */
function rows(text: string, sheets: Record<string, string> = {}): string[] {
  return read(text, sheets).placements.map((placement) => {
    const source = placement.source === 'sub/page.html' ? text : (sheets[placement.source] ?? '');
    expect(source.slice(placement.start, placement.end)).toBe(placement.raw);
    return `${placement.dormant ? 'dormant ' : ''}${placement.kind} ${placement.raw} → ${addressText(placement.address)}`;
  });
}

describe('kinds written in attributes', () => {
  it.each([
    ['img, quoted', '<img src="a.jpg">', ['img a.jpg → sub/a.jpg']],
    ['img, single quotes and upper case', "<IMG ALT=x SRC='a.jpg'>", ['img a.jpg → sub/a.jpg']],
    ['img, unquoted with spaces around =', '<img src = a.jpg>', ['img a.jpg → sub/a.jpg']],
    ['img, entities', '<img src="a.jpg?x=1&amp;y=2">', ['img a.jpg?x=1&amp;y=2 → sub/a.jpg']],
    ['img, blanks around the address', '<img src="\n a.jpg ">', ['img a.jpg → sub/a.jpg']],
    ['img, the first of two src wins', '<img src=a.jpg src=b.jpg>', ['img a.jpg → sub/a.jpg']],
    [
      'img, empty or without a value',
      '<img src=""><img src><IMG data-src=" ">',
      ['drawn img → null', 'drawn img → null', 'drawn IMG → null'],
    ],
    [
      'pictures by their role',
      '<svg role="img"></svg><x-icon ROLE=" Image x"></x-icon><svg><g role=graphics-symbol /></svg><i role="button img"></i><img role="img" src=a.jpg>',
      ['drawn svg → null', 'drawn x-icon → null', 'drawn g → null', 'img a.jpg → sub/a.jpg'],
    ],
    [
      'areas that lead somewhere',
      '<map><area href="x.html"><area alt="no link"></map>',
      ['area x.html → null'],
    ],
    ['image is img in HTML', '<image src=a.jpg>', ['img a.jpg → sub/a.jpg']],
    [
      'comments, scripts, templates and text areas are no places',
      '<!--<img src=a.jpg>--><script>"<img src=b.jpg>"</script><template><img src=c.jpg></template><textarea><img src=d.jpg></textarea>',
      [],
    ],
    [
      'a second body and a second html: what they add stands on the one there is',
      '<html><body bgcolor=x><p>a</p><body background="b.png" bgcolor=y style="background:url(c.png)"><html style="background:url(d.png)">',
      ['css d.png → sub/d.png', 'attribute-background b.png → sub/b.png', 'css c.png → sub/c.png'],
    ],
    [
      'a body that was begun without its tag',
      '<p>a</p><body background=b.png>',
      ['attribute-background b.png → sub/b.png'],
    ],
    ['base', '<base href="/img/"><base href="/other/"><img src=a.jpg>', ['img a.jpg → img/a.jpg']],
    ['after CRLF', '<p>\r\n<img\r\n src="a.jpg">', ['img a.jpg → sub/a.jpg']],
    ['behind an emoji', '<p>🎻🎻</p><img src="a.jpg">', ['img a.jpg → sub/a.jpg']],
    [
      'foster parenting',
      '<table><img src=a.jpg><tr><td><img src=b.jpg></table>',
      ['img a.jpg → sub/a.jpg', 'img b.jpg → sub/b.jpg'],
    ],
    [
      'a link that the parser repeats is one',
      '<a href=a.jpg><p>x</p><div>y<a href=b.jpg>',
      ['link a.jpg → sub/a.jpg', 'link b.jpg → sub/b.jpg'],
    ],
    [
      'srcset with commas, entities and descriptors',
      '<img srcset="a,b.jpg 1x, c&amp;d.jpg 2x,e.jpg 3x">',
      ['srcset a,b.jpg → sub/a,b.jpg', 'srcset c&amp;d.jpg → sub/c&d.jpg', 'srcset e.jpg → sub/e.jpg'],
    ],
    [
      'picture',
      '<picture><source srcset="a.webp 480w, b.webp 960w"><img src=c.jpg></picture>',
      ['source a.webp → sub/a.webp', 'source b.webp → sub/b.webp', 'img c.jpg → sub/c.jpg'],
    ],
    [
      'clips and their stills',
      '<video poster=a.jpg src=b.mp4></video><audio><source src=c.ogg></audio>',
      ['poster a.jpg → sub/a.jpg', 'video b.mp4 → sub/b.mp4', 'audio c.ogg → sub/c.ogg'],
    ],
    [
      'a picture that is a button',
      '<input type=IMAGE src=a.gif><input type=text src=b.gif>',
      ['input a.gif → sub/a.gif'],
    ],
    [
      'SVG',
      '<svg><image href="a.png"/><image xlink:href="b.png"/><use href="#c"/></svg>',
      ['svg-image a.png → sub/a.png', 'svg-image b.png → sub/b.png'],
    ],
    [
      'object and embed by type or name',
      '<object data=a.svg></object><object data=b type=image/png></object><embed src=c.pdf>',
      ['object a.svg → sub/a.svg', 'object b → sub/b'],
    ],
    [
      'head',
      '<link rel="shortcut icon" href=/f.ico><link rel=preload as=image href=p.jpg><meta property=og:image content="http://site.invalid/o.jpg"><meta name=description content=x.jpg>',
      ['icon /f.ico → f.ico', 'preload p.jpg → sub/p.jpg', 'meta http://site.invalid/o.jpg → o.jpg'],
    ],
    [
      'microdata, by element',
      '<div itemscope><link itemprop="x image" href=a.jpg><meta itemprop=logo content=b><link itemprop=contentUrl href=c.jpg><meta itemprop=contentUrl content=d.mp4><link itemprop=url href=e.html><meta itemprop=name content=f.jpg></div>',
      ['meta a.jpg → sub/a.jpg', 'meta b → sub/b', 'meta c.jpg → sub/c.jpg'],
    ],
    [
      'what starts a saved page, its tiles, and what the next page loads',
      '<link rel=apple-touch-startup-image href=a.png><meta name=msapplication-wide310x150logo content=b.png><link rel=prefetch as=image href=c.png><link rel=prefetch href=d.png>',
      ['icon a.png → sub/a.png', 'meta b.png → sub/b.png', 'preload c.png → sub/c.png'],
    ],
    [
      'links to pictures only',
      '<a href="big.JPG">x</a><a href="page.html">y</a><area href=m.png>',
      ['link big.JPG → sub/big.JPG', 'area m.png → null', 'link m.png → sub/m.png'],
    ],
    [
      'old backgrounds',
      '<body background=a.gif><table background="b.gif"><tr><td background=c.gif>',
      [
        'attribute-background a.gif → sub/a.gif',
        'attribute-background b.gif → sub/b.gif',
        'attribute-background c.gif → sub/c.gif',
      ],
    ],
  ])('%s', (_name, text, expected) => {
    expect(rows(text)).toEqual(expected);
  });
});

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

describe('what stands around a placement', () => {
  const first = (text: string) => {
    const [placement] = read(text).placements.filter(({ kind }) => kind === 'img');
    if (!placement) throw new Error('no picture on the page');
    return placement;
  };

  it.each([
    ['absent', '<img src=a.jpg>', { alt: null, name: '', decorative: false }],
    ['empty', '<img src=a.jpg alt="">', { alt: '', name: '', decorative: true }],
    ['without a value', '<img src=a.jpg alt>', { alt: '', decorative: true }],
    ['text', '<img src=a.jpg alt="A &amp; b">', { alt: 'A & b', name: 'A & b' }],
    ['title stands in', '<img src=a.jpg title=T>', { alt: null, name: 'T' }],
    ['label before alt', '<img src=a.jpg alt=x aria-label=L>', { alt: 'x', name: 'L' }],
    [
      'labelledby before label',
      '<b id=i>One</b><img src=a.jpg aria-label=L aria-labelledby="i j"><i id=j>two</i>',
      { name: 'One two' },
    ],
    ['presentation', '<img src=a.jpg alt=x role=presentation>', { decorative: true }],
    ['hidden above it', '<div hidden><p><img src=a.jpg></div>', { hidden: true }],
  ])('alt text: %s', (_name, text, expected) => {
    expect(first(text)).toMatchObject(expected);
  });

  it('gives figure, caption, link, headings, neighbours and group', () => {
    const placement = first(
      `<h1>Lessons</h1><h2>Old</h2><h2>Violin <img src=x.svg alt=V hidden></h2><p>Before it.</p>
      <ul><li><figure><a href="big.html">Enlarge <img src="a.jpg" width=300 height="200px" loading=lazy class="k"></a><figcaption>A <em>caption</em></figcaption></figure></li>
      <li><figure><img src="b.jpg"></figure></li></ul><p>After it.</p>`.replace(
        '<img src=x.svg alt=V hidden>',
        '',
      ),
    );
    expect(placement).toMatchObject({
      caption: 'A caption',
      link: { href: 'big.html', text: 'Enlarge' },
      declared: { widthPx: 300, heightPx: 200, loading: 'lazy', classes: 'k' },
      context: { headings: ['Lessons', 'Violin'], inFigure: true, group: { index: 1, size: 2 } },
    });
    expect(placement.context.after).toContain('After it.');
    expect(placement.context.before).toContain('Before it.');
    expect(placement.elementPath).toBe('html:1>body:1>ul:1>li:1>figure:1>a:1>img:1');
  });

  it('takes a caption told by its class, and none that belongs to several pictures', () => {
    expect(first('<div><img src=a.jpg><p class="photo-caption">Under it</p></div>').caption).toBe('Under it');
    expect(first('<div><img src=a.jpg><img src=b.jpg><p class="caption">Both</p></div>').caption).toBeNull();
  });
});

describe('any text', () => {
  it('gives a reading whose spans hold', () => {
    const piece = fc.constantFrom(
      '<img src=',
      '"a.jpg"',
      "'",
      '>',
      '<a href=b.png>',
      '</a>',
      '<table>',
      '<svg>',
      '<style>',
      '</style>',
      'p{background:url(',
      ')',
      '&amp;',
      '\r\n',
      '🎻',
      '<!--',
      '-->',
      '<picture><source srcset="a 1x,b">',
      ' style="background:url(x)"',
      '\0',
      '<p>',
      '<template>',
    );
    fc.assert(
      fc.property(fc.array(piece, { maxLength: 30 }), (pieces) => {
        const text = pieces.join('');
        for (const { start, end, raw } of read(text).placements) {
          expect(text.slice(start, end)).toBe(raw);
        }
      }),
      { numRuns: 400 },
    );
  });

  it('is read to its end, however deep it is nested', () => {
    const depth = 5000;
    const text = `${'<div><section>'.repeat(depth)}<img src=a.jpg>`;
    expect(read(text).placements).toHaveLength(1);
  });
});
