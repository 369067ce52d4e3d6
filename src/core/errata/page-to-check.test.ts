import { describe, expect, it } from 'vitest';
import { siteOfFiles } from '../address/resolve-address';
import { readPage } from '../markup/read-page';
import { placementsToCheck, unknownPicture, withBearers } from './page-to-check';
import { elementOfSpot } from '../markup/element-path';

/** The places of a page that bear words, as `kind raw`. */
function bearers(html: string): string[] {
  const { placements } = readPage({
    address: 'sub/page.html',
    source: { text: html, encoding: 'utf-8' },
    site: siteOfFiles(),
    sheetOf: () => undefined,
  });
  return placementsToCheck(placements)
    .filter(({ bearsWords }) => bearsWords)
    .map(({ kind, raw }) => `${kind} ${raw}`);
}

describe('the places that bear words', () => {
  it.each<[string, string, readonly string[]]>([
    ['a picture', '<img src="a.png">', ['img a.png']],
    ['a button', '<input type="image" src="go.png">', ['input go.png']],
    ['an object', '<object data="a.png" type="image/png"></object>', ['object a.png']],
    ['a picture with more sizes', '<img srcset="b.png 2x" src="a.png">', ['img a.png']],
    ['a picture of sizes alone', '<img srcset="a.png 1x, b.png 2x">', ['srcset a.png']],
    ['a picture that waits', '<img data-src="a.png">', ['lazy a.png']],
    ['a picture that waits behind another', '<img src="dot.gif" data-src="a.png">', ['img dot.gif']],
    ['a picture in several types', '<picture><source srcset="a.webp"><img src="a.png"></picture>', ['img a.png']],
    ['two pictures of one link', '<a href="x"><img src="a.png"><img src="b.png"></a>', ['img a.png', 'img b.png']],
    ['a page within a page', '<iframe srcdoc="&lt;img src=\'a.png\'&gt;"></iframe>', ['iframe-srcdoc a.png']],
    ['a background', '<div style="background: url(a.png)">x</div>', []],
    ['a waiting background', '<div data-bg="a.png">x</div>', []],
    ['a film’s poster', '<video poster="a.png"></video>', []],
    ['an enlarge link', '<a href="a.png">Larger</a>', []],
    ['an icon in the head', '<link rel="icon" href="a.png">', []],
  ])('of %s', (_, html, expected) => expect(bearers(html)).toEqual(expected)); // oxfmt-ignore

  it('are one for each element, whatever order its places come in', () => {
    const place = (kind: 'img' | 'srcset' | 'source', element: string) => ({ kind, element });
    const all = [place('srcset', 'p:1>img:1'), place('img', 'p:1>img:1'), place('source', 'p:1>source:1'), place('srcset', 'p:2>img:1')]; // oxfmt-ignore
    expect(withBearers(all).map(({ bearsWords }) => bearsWords)).toEqual([false, true, false, true]);
    expect(withBearers(all.toReversed()).map(({ bearsWords }) => bearsWords)).toEqual([
      true,
      false,
      true,
      false,
    ]);
  });
});

describe('a place to check', () => {
  it('has the path of a file of the site, or the address of what lies elsewhere', () => {
    const { placements } = readPage({
      address: 'sub/page.html',
      source: { text: '<img src="a.png"><img src="https://elsewhere.example/b.png">', encoding: 'utf-8' },
      site: siteOfFiles(),
      sheetOf: () => undefined,
    });
    expect(placementsToCheck(placements).map(({ filePath, url }) => [filePath, url])).toEqual([
      ['sub/a.png', null],
      [null, 'https://elsewhere.example/b.png'],
    ]);
  });

  it.each([
    ['#gallery>li:3>img:1|src|', '#gallery>li:3>img:1'],
    ['body:1>img:1|srcset|2x', 'body:1>img:1'],
    ['no bar', 'no bar'],
    ['', ''],
  ])('of the spot %s has the element %s', (spot, element) => expect(elementOfSpot(spot)).toBe(element));
});

describe('unknownPicture', () => {
  it('is there, and nothing else is known of it', () => {
    const { path, isThere, overdue, leftoverClues, altTexts, people, ...rest } = unknownPicture('a.png');
    expect({ path, isThere, overdue }).toEqual({ path: 'a.png', isThere: true, overdue: 0 });
    expect({ leftoverClues, altTexts, people }).toEqual({ leftoverClues: [], altTexts: {}, people: [] });
    expect(Object.values(rest).every((value) => value === null)).toBe(true);
  });
});
