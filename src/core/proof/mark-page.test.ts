import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { siteOfFiles, urlOfPath } from '../address/resolve-address';
import { sheetText } from '../markup/place-styles';
import { readPage } from '../markup/read-page';
import { readSheet } from '../styles/read-sheet';
import { markPage, markSheet } from './mark-page';

const site = siteOfFiles();
const address = 'news/a.html';
const servedAt = (path: string) => `/p/${path}`;

function marked(text: string, css = '') {
  const source = { text, encoding: 'utf-8' };
  const sheet = sheetText('s.css', urlOfPath('s.css', site), { text: css, encoding: 'utf-8' });
  const { placements } = readPage({
    address,
    source,
    site,
    sheetOf: (path) => (path === 's.css' ? sheet : undefined),
  });
  return { ...markPage(source, placements, { address, site, servedAt, inserted: '<i>' }), placements };
}

describe('markPage', () => {
  it.each([
    ['a picture', '<body><img src=../a.jpg>', '<body><i><img data-ibidem-place="1" src=/p/a.jpg>'],
    [
      'from the root and by its own name',
      '<body><img src="/a.jpg"><img src="http://site.invalid/b.jpg">',
      '<body><i><img data-ibidem-place="1" src="/p/a.jpg"><img data-ibidem-place="2" src="/p/b.jpg">',
    ],
    [
      'every candidate, one mark',
      '<body><img src=a.jpg srcset="b.jpg 2x">',
      '<body><i><img data-ibidem-place="1 2" src=/p/news/a.jpg srcset="/p/news/b.jpg 2x">',
    ],
    [
      'pictures elsewhere stay as they are',
      '<body><img src="https://x.example/a.jpg">',
      '<body><i><img data-ibidem-place="1" src="https://x.example/a.jpg">',
    ],
    [
      'bases, refreshes and rules of the page',
      '<base href="/o/" target=_top><meta http-equiv=refresh content="0;url=/x"><body>',
      '<base href="" target=_self><meta http-equiv=x-kept-out content="0;url=/x"><body><i>',
    ],
    [
      'style sheets',
      '<link rel=stylesheet href="../s.css"><body>',
      '<link rel=stylesheet href="/p/s.css"><body><i>',
    ],
    [
      'styles in place',
      '<body style="background:url(a.png)">',
      '<body data-ibidem-place="1" style="background:url(/p/news/a.png)"><i>',
    ],
    ['no body written', '<p>x', '<i><p>x'],
  ])('%s', (_name, text, expected) => {
    expect(marked(text).html).toBe(expected);
  });

  it('marks the element that a style sheet dresses', () => {
    const { html } = marked(
      '<link rel=stylesheet href=/s.css><body><p class=k>',
      '.k{background:url(a.png)}',
    );
    expect(html).toContain('<p data-ibidem-place="1" class=k>');
  });

  it('leaves everything but marks and references as it was, whatever the page', () => {
    const piece = fc.constantFrom(
      '<img src=a.jpg>',
      '<p>',
      '<a href="b.png">',
      '<table>',
      '<svg><image href=c.png>',
      '&amp;',
      '<body>',
      '<!--',
      '-->',
      '🎻',
    );
    fc.assert(
      fc.property(fc.array(piece, { maxLength: 15 }), (pieces) => {
        const text = pieces.join('');
        const { html } = marked(text);
        const plain = html
          .replace('<i>', '')
          .replace(/ data-ibidem-place="[\d ]+"/g, '')
          .replaceAll('/p/news/', '')
          .replaceAll('/p/', '');
        expect(plain).toBe(text);
      }),
    );
  });
});

it('leads a sheet’s pictures to where they are served', () => {
  const css = 'p{background:url("../i/a.png"),url(https://x.example/b.png)}';
  expect(
    markSheet(css, readSheet(css).references, { sheetUrl: urlOfPath('css/s.css', site), site, servedAt }),
  ).toBe('p{background:url("/p/i/a.png"),url(https://x.example/b.png)}');
});
