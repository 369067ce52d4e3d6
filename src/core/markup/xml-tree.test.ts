import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { addressText, siteOfFiles } from '../address/resolve-address';
import { readPage } from './read-page';

const XHTML = 'xmlns="http://www.w3.org/1999/xhtml"';

function read(text: string) {
  const source = { text, encoding: 'utf-8', isXml: true };
  return readPage({ address: 'sub/page.xhtml', source, site: siteOfFiles(), sheetOf: () => undefined });
}

/** Each placement as `kind raw → address`, and a check that its span holds in the source. */
function rows(text: string): string[] {
  return read(text).placements.map(({ kind, raw, start, end, address, dormant }) => {
    expect(text.slice(start, end)).toBe(raw);
    return `${dormant ? 'dormant ' : ''}${kind} ${raw} → ${addressText(address)}`;
  });
}

const page = (body: string, head = '') =>
  `<?xml version="1.0"?>\n<html ${XHTML} xmlns:h="http://www.w3.org/1999/xhtml" xmlns:s="http://www.w3.org/2000/svg" xmlns:l="http://www.w3.org/1999/xlink"><head>${head}</head><body>${body}</body></html>`;

describe('a page read as XML', () => {
  it.each([
    [
      'elements that close themselves',
      page('<p/><img src="a.png"/>', '<script src="x.js"/><title/>'),
      ['img a.png → sub/a.png'],
    ],
    [
      'any prefix of the namespace',
      page('<h:img src="a.png"/><h:a href="b.png"><h:b/></h:a>'),
      ['img a.png → sub/a.png', 'link b.png → sub/b.png'],
    ],
    ['names in their own case', page('<IMG src="a.png"/><Img src="b.png"/>'), []],
    [
      'no element of another namespace, or of none',
      page('<img xmlns="" src="a.png"/><s:img src="b.png"/>'),
      [],
    ],
    [
      'SVG by its prefixes',
      page('<s:svg><s:image l:href="a.png"/></s:svg>'),
      ['svg-image a.png → sub/a.png'],
    ],
    [
      'scripts and comments are no places',
      page(
        '<script><![CDATA[ "<img src=a>" ]]></script><!-- <img src="b.png"/> --><p><![CDATA[<img src="c.png"/>]]></p>',
      ),
      [],
    ],
    [
      'styles in CDATA',
      page('<p><b/></p>', '<style><![CDATA[ p > b{background:url(a.png)} ]]></style>'),
      ['css a.png → sub/a.png'],
    ],
    [
      'styles with character references',
      page('<p><b/></p>', '<style>p &gt; b{background:url("a.png")}</style>'),
      ['css a.png → sub/a.png'],
    ],
    [
      'character references within an address of a style',
      page(
        '<p><b/></p>',
        '<style>p &gt; b{background:url(a.png?b=1&amp;c=2),url("&#97;&amp;b.png")}</style>',
      ),
      ['css a.png?b=1&amp;c=2 → sub/a.png', 'css &#97;&amp;b.png → sub/a&b.png'],
    ],
    [
      'what is no reference within CDATA, behind one that is',
      page('<p><b/></p>', '<style>p &gt; b{color:red}<![CDATA[p > b{background:url("a&b.png")}]]></style>'),
      ['css a&b.png → sub/a&b.png'],
    ],
    [
      'character references in structured data',
      page('<script type="application/ld+json">{"name":"&lt;","image":"a&amp;b.png"}</script>'),
      ['json-ld a&amp;b.png → sub/a&b.png'],
    ],
    ['no styles within comments', page('<p/>', '<style><!-- p{background:url(a.png)} --></style>'), []],
    [
      'bases, the inner against the outer',
      page('<div xml:base="one/"><p xml:base="two/"><img src="a.png"/></p></div>'),
      ['img a.png → sub/one/two/a.png'],
    ],
    ['templates', page('<template><img src="a.png"/></template>'), []],
    [
      'noscript',
      page('<noscript><p><img src="a.png"/></p></noscript><img src="b.png"/>'),
      ['noscript a.png → sub/a.png', 'img b.png → sub/b.png'],
    ],
    [
      'attributes over lines, in single quotes',
      page("<img\r\n  alt = 'x'\r\n  src = 'a.png' />"),
      ['img a.png → sub/a.png'],
    ],
    [
      'behind what is not well-formed',
      page('<p><img src="a.png"></p><p class=x>&nope;<img src="b.png"/>'),
      ['img a.png → sub/a.png', 'img b.png → sub/b.png'],
    ],
    [
      'as HTML where its root is none of XHTML',
      '<html><body><img src=a.png></body></html>',
      ['img a.png → sub/a.png'],
    ],
  ])('%s', (_name, text, expected) => {
    expect(rows(text)).toEqual(expected);
  });

  it('knows the entities of HTML and says its language', () => {
    const text = `<html ${XHTML} xml:lang="fr"><head><title>Caf&eacute;&nbsp;&amp; &#x41;</title></head><body><img src="a.png" alt="&copy; &lt;b&gt;"/></body></html>`;
    expect(read(text)).toMatchObject({ title: 'Café & A', language: 'fr', placements: [{ alt: '© <b>' }] });
  });

  it('takes captions, and where words can be put in', () => {
    const [placement] = read(
      page('<figure><img src="a.png" /><figcaption>One &amp; two</figcaption></figure>'),
    ).placements;
    expect(placement?.caption).toBe('One & two');
    expect(placement?.words.caption).not.toBeNull();
    expect(placement?.words.addAttribute).not.toBeNull();
  });

  it('never throws', () => {
    const piece = fc.constantFrom(
      '<',
      '>',
      '/',
      '"',
      "'",
      '&',
      ';',
      '<a',
      '<img src=',
      '<![CDATA[',
      ']]>',
      '<!--',
      '-->',
      ' xmlns=""',
      'x:',
      '<?',
      '?>',
      '<!DOCTYPE',
      '[',
      ']',
      '\0',
      '\ud800',
    );
    fc.assert(
      fc.property(fc.array(piece, { maxLength: 40 }), (pieces) => {
        rows(page(pieces.join('')));
        rows(pieces.join(''));
      }),
    );
  });
});
