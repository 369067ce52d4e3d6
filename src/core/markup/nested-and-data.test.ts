/** Places that stand not in plain elements: waiting for scripts, in data, in manifests, in pages within the page. */
import { describe, expect, it } from 'vitest';
import { addressText, siteOfFiles, urlOfPath } from '../address/resolve-address';
import { manifestText } from './place-manifests';
import { sheetText } from './place-styles';
import { readPage } from './read-page';

const site = siteOfFiles();
const utf8 = (text: string) => ({ text, encoding: 'utf-8' });

function read(text: string, others: Record<string, string> = {}) {
  return readPage({
    address: 'sub/page.html',
    source: utf8(text),
    site,
    sheetOf: (path) =>
      others[path] === undefined
        ? undefined
        : sheetText(path, urlOfPath(path, site), utf8(others[path] ?? '')),
    manifestOf: (path) =>
      others[path] === undefined
        ? undefined
        : manifestText(path, urlOfPath(path, site), utf8(others[path] ?? '')),
  });
}

/** Each placement as `kind raw → address`, with a check that its span holds in its source. */
function rows(text: string, others: Record<string, string> = {}): string[] {
  return read(text, others).placements.map(({ kind, raw, source, start, end, address, dormant }) => {
    const written = source === 'sub/page.html' ? text : (others[source] ?? '');
    expect(written.slice(start, end)).toBe(raw);
    return `${dormant ? 'dormant ' : ''}${kind} ${raw} → ${addressText(address)}`;
  });
}

describe('lazy', () => {
  it.each([
    [
      'src and srcset',
      '<img data-src="/p?id=4" data-srcset="a.jpg 1x, b.jpg 2x">',
      ['lazy /p?id=4 → p', 'lazy a.jpg → sub/a.jpg', 'lazy b.jpg → sub/b.jpg'],
    ],
    ['a background', '<div data-bg="a.jpg"></div>', ['lazy a.jpg → sub/a.jpg']],
    [
      'a background as url()',
      '<div data-bg=\'url("a&amp;b.jpg")\'></div>',
      ['lazy a&amp;b.jpg → sub/a&b.jpg'],
    ],
    ['an enlarged picture', '<a data-full="big.jpg" href="x.html"></a>', ['lazy big.jpg → sub/big.jpg']],
    ['sources', '<picture><source data-srcset="a.webp 480w"></picture>', ['lazy a.webp → sub/a.webp']],
    ['values that are no pictures', '<i data-src=""></i><i data-icon="star" data-src="x.js"></i>', []],
    ['attributes nobody named', '<i data-caption="a.jpg"></i>', []],
  ])('%s', (_name, text, expected) => {
    expect(rows(text)).toEqual(expected);
  });

  it('looks where a site says that its pictures wait', () => {
    const source = utf8('<i data-slide-image="a.jpg" data-other="b.jpg"></i>');
    const given = { address: 'x.html', source, site, sheetOf: () => undefined };
    expect(readPage(given).placements).toEqual([]);
    expect(
      readPage({ ...given, lazyAttributes: ['data-slide-image'] }).placements.map(({ raw }) => raw),
    ).toEqual(['a.jpg']);
  });

  it('keeps the alt text of what waits', () => {
    expect(read('<img data-src="a.jpg" alt="A lute">').placements[0]).toMatchObject({
      alt: 'A lute',
      name: 'A lute',
    });
  });
});

const ld = (json: string) => `<script type="application/ld+json">${json}</script>`;

describe('json-ld', () => {
  it.each([
    ['a string', ld('{"image":"/a.jpg"}'), ['json-ld /a.jpg → a.jpg']],
    ['a list', ld('{"image":["a.jpg","b.jpg"]}'), ['json-ld a.jpg → sub/a.jpg', 'json-ld b.jpg → sub/b.jpg']],
    [
      'an object in a graph, with escaped slashes',
      ld('{"@graph":[{"logo":{"@type":"ImageObject","url":"\\/i\\/a.png","name":"a.png"}}]}'),
      ['json-ld \\/i\\/a.png → i/a.png'],
    ],
    [
      'any property that holds an absolute address of a picture',
      ld('{"x":"/i/a.png","y":"a.png","z":"/b.html"}'),
      ['json-ld /i/a.png → i/a.png'],
    ],
    [
      'words and names of nodes',
      ld('{"image":"see below","logo":{"@id":"#logo"},"url":"https://x.example/"}'),
      [],
    ],
    ['other scripts, and what is no JSON', `<script>{"image":"a.jpg"}</script>${ld('{"image":')}`, []],
    ['nesting without end', ld('['.repeat(100_000)), []],
  ])('%s', (_name, text, expected) => {
    expect(rows(text)).toEqual(expected);
  });
});

describe('manifest', () => {
  const app =
    '{"name":"x","icons":[{"src":"i/a.png","sizes":"1x1"}],"shortcuts":[{"icons":[{"src":"/b.png"}]}],"src":"c.png"}';
  it('lists the icons of the manifest that the page links', () => {
    expect(rows('<link rel=manifest href="/app/m.webmanifest">', { 'app/m.webmanifest': app })).toEqual([
      'manifest i/a.png → app/i/a.png',
      'manifest /b.png → b.png',
    ]);
  });
  it('names a manifest that is not there', () => {
    expect(read('<link rel=manifest href="m.json">').manifests).toEqual(['sub/m.json']);
  });
});

describe('pages within a page', () => {
  it.each([
    [
      'noscript',
      '<p>x<noscript><img src="a.jpg" alt=""><style>p{background:url(b.png)}</style></noscript>',
      ['noscript a.jpg → sub/a.jpg', 'noscript b.png → sub/b.png'],
    ],
    [
      'noscript in the head',
      '<head><noscript><link rel=preload as=image href=a.jpg></noscript>',
      ['noscript a.jpg → sub/a.jpg'],
    ],
    [
      'srcdoc, written twice over',
      '<iframe srcdoc="<img src=&quot;a.jpg&quot;><p style=\'background:url(b&amp;amp;c.png)\'>"></iframe>',
      ['iframe-srcdoc a.jpg → sub/a.jpg', 'iframe-srcdoc b&amp;amp;c.png → sub/b&c.png'],
    ],
    [
      'a base of its own',
      '<iframe srcdoc="<base href=/o/><img src=a.jpg>"></iframe>',
      ['iframe-srcdoc a.jpg → o/a.jpg'],
    ],
    [
      'a frame that shows a picture',
      '<iframe src="a.jpg"></iframe><iframe src="b.html"></iframe>',
      ['embed a.jpg → sub/a.jpg'],
    ],
    [
      'a shadow root, not a plain template',
      '<div><template shadowrootmode=open><img src=a.jpg></template></div><div><template><img src=b.jpg></template></div>',
      ['img a.jpg → sub/a.jpg'],
    ],
    ['srcdoc in srcdoc without end', nest(30), []],
  ])('%s', (_name, text, expected) => {
    expect(rows(text)).toEqual(expected);
  });

  it('takes headings, captions and links from the page around, and moves the words along', () => {
    const text =
      '<h2>Choir</h2><figure><a href="x.html"><noscript><img src="a.jpg" alt="A lute"></noscript></a><figcaption>Our lute</figcaption></figure>';
    const [found] = read(text).placements;
    expect(found).toMatchObject({
      kind: 'noscript',
      alt: 'A lute',
      caption: 'Our lute',
      link: { href: 'x.html' },
      context: { headings: ['Choir'], inFigure: true },
    });
    const span = found?.words.alt?.span;
    expect(text.slice(span?.start, span?.end)).toBe('A lute');
  });

  it('gives the page around the sheets that a noscript links, and what they import', () => {
    const sheets = {
      'n.css': '@import "m.css"; .n{background:url(a.png)} .none{background:url(c.png)}',
      'm.css': '.n i{background:url(b.png)}',
      'o.css': '.n{background:url(d.png)}',
    };
    const text =
      '<head><noscript><link rel=stylesheet href=/n.css><link rel="alternate stylesheet" href=/o.css></noscript><body><p class=n><i>x</i>';
    expect(rows(text, sheets)).toEqual(['css a.png → a.png', 'css b.png → b.png']);
    expect(read(text, sheets).sheets).toEqual(['n.css', 'm.css']);
  });

  it('lists a sheet that both the page and its noscript link once', () => {
    const link = '<link rel=stylesheet href=/s.css>';
    expect(
      rows(`${link}<body><noscript>${link}<i></i></noscript>`, { 's.css': 'body{background:url(a.png)}' }),
    ).toEqual(['css a.png → a.png']);
  });
});

/** A frame in a frame in a frame … with a picture in the innermost. */
function nest(depth: number): string {
  let text = '<img src=a.jpg>';
  for (let i = 0; i < depth && text.length < 1e5; i++) {
    text = `<iframe srcdoc="${text.replaceAll('&', '&amp;').replaceAll('"', '&quot;')}"></iframe>`;
  }
  return text;
}

describe('animations', () => {
  const steps = '@keyframes turn{from{background:url(a.png)}50%{background:url(b.png)}}';
  it.each([
    [
      'run by an element of the page',
      `<style>${steps} p{animation:2s turn}</style><p>`,
      ['css a.png → sub/a.png', 'css b.png → sub/b.png'],
    ],
    [
      'run by nobody',
      `<style>${steps}</style><p>`,
      ['dormant css a.png → sub/a.png', 'dormant css b.png → sub/b.png'],
    ],
  ])('%s', (_name, text, expected) => {
    expect(rows(text)).toEqual(expected);
  });
});

it('lists where the page leads, each address once', () => {
  const text =
    '<base href="/n/"><a href="a.html#x">1</a><a href="a.html" rel=nofollow>2</a><area href="b.html"><iframe src="c.html"></iframe><a href="mailto:x@y.example">3</a><link rel=next href="d.html"><a href="e.html" rel="nofollow">4</a>';
  expect(read(text).links.map((url) => url.slice(20))).toEqual([
    'n/a.html',
    'n/b.html',
    'n/c.html',
    'n/d.html',
    'n/e.html',
  ]);
});
