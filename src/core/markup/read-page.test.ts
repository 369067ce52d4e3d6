import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { read, rows } from './read-page.fixture';

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
      'what masks a drawing, and its pointer, as attributes; HTML has none such',
      '<svg><g mask="url( \'a.png\' )" cursor="url(b.png) 2 3, url(c.png), auto"/><rect mask="url(#m)" cursor=auto /></svg><p mask="url(d.png)" cursor="url(e.png)">',
      ['css a.png → sub/a.png', 'css b.png → sub/b.png', 'css c.png → sub/c.png'],
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
