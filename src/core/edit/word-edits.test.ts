import { describe, expect, it } from 'vitest';
import { siteOfFiles } from '../address/resolve-address';
import { readPage } from '../markup/read-page';
import { applyEdits } from './apply-edits';
import { takesWords, wordEdits, type PlaceWords } from './word-edits';

/** The page with words written at its first picture, as its bytes then say. */
function written(html: string, words: Partial<PlaceWords>, encoding = 'utf-8'): string {
  const source = { text: html, encoding };
  const { placements } = readPage({
    address: 'x.html',
    source,
    site: siteOfFiles(),
    sheetOf: () => undefined,
  });
  const [place] = placements.filter(({ kind }) => ['img', 'area', 'drawn', 'object'].includes(kind));
  if (!place) throw new Error('no picture was read');
  const edits = wordEdits(place.words, source, { alt: null, caption: null, ...words });
  const result = applyEdits({ bytes: Buffer.from(html), source }, edits);
  if (!result.ok) throw new Error(result.problem.what);
  const back = applyEdits(
    { bytes: result.bytes, source: { text: Buffer.from(result.bytes).toString(), encoding } },
    result.inverse,
  );
  expect(back.ok && Buffer.from(back.bytes).toString()).toBe(html);
  return Buffer.from(result.bytes).toString();
}

describe('wordEdits', () => {
  it.each<[string, string, Partial<PlaceWords>, string]>([
    [
      'an alt text',
      '<p><img src=a.jpg alt="x"></p>',
      { alt: 'A "b" & c' },
      '<p><img src=a.jpg alt="A &quot;b&quot; &amp; c"></p>',
    ],
    [
      'one in single quotes',
      "<img src=a.jpg alt='x'>",
      { alt: "Anna's" },
      "<img src=a.jpg alt='Anna&#39;s'>",
    ],
    ['one without quotes', '<img src=a.jpg alt=x>', { alt: 'Two words' }, '<img src=a.jpg alt="Two words">'],
    ['one that is not there', '<IMG src=a.jpg>', { alt: 'Doors' }, '<IMG alt="Doors" src=a.jpg>'],
    ['one without a value', '<img alt src=a.jpg>', { alt: 'Doors' }, '<img alt="Doors" src=a.jpg>'],
    [
      'one of an area',
      '<map><area href=x alt></map>',
      { alt: 'Stage' },
      '<map><area href=x alt="Stage"></map>',
    ],
    [
      'a label of what is drawn',
      '<x-icon1 role=img></x-icon1>',
      { alt: 'Bell' },
      '<x-icon1 aria-label="Bell" role=img></x-icon1>',
    ],
    [
      'another label',
      "<svg role=img aria-label='x'></svg>",
      { alt: 'Anna’s bell' },
      "<svg role=img aria-label='Anna’s bell'></svg>",
    ],
    [
      'a label of what is embedded',
      '<object data="a.png" alt="x"></object>',
      { alt: 'Hall' },
      '<object aria-label="Hall" data="a.png" alt="x"></object>',
    ],
    ['an img that waits for a script', '<IMG id=big>', { alt: 'Hall' }, '<IMG alt="Hall" id=big>'],
    ['decoration', '<img src=a.jpg alt=x>', { alt: '' }, '<img src=a.jpg alt="">'],
    [
      'a caption, with the blanks around it left as they are',
      '<figure><img src=a.jpg><figcaption>\n  Old <em>words</em>\n</figcaption></figure>',
      { caption: 'New < old' },
      '<figure><img src=a.jpg><figcaption>\n  New &lt; old\n</figcaption></figure>',
    ],
    [
      'an empty caption',
      '<figure><img src=a.jpg><figcaption></figcaption></figure>',
      { caption: 'New' },
      '<figure><img src=a.jpg><figcaption>New</figcaption></figure>',
    ],
    ['a caption where there is none', '<p><img src=a.jpg></p>', { caption: 'New' }, '<p><img src=a.jpg></p>'],
    ['what is there already', '<img src=a.jpg alt="x">', { alt: 'x' }, '<img src=a.jpg alt="x">'],
    [
      'text below it, a line a line',
      '<div><p><a href=b.jpg><img src=a.jpg alt=x></a></p></div>',
      { block: '14 June\n\n7 pm & later' },
      '<div><p><a href=b.jpg><img src=a.jpg alt=x></a></p>\n<p>14 June<br>7 pm &amp; later</p></div>',
    ],
    [
      'text below a figure, with the line ends of the page',
      '<div>\r\n<figure><img src=a.jpg alt=x></figure>\r\n</div>',
      { block: '14 June', alt: 'Poster' },
      '<div>\r\n<figure><img src=a.jpg alt=Poster></figure>\r\n<p>14 June</p>\r\n</div>',
    ],
  ])('%s', (_name, html, words, wanted) => expect(written(html, words)).toBe(wanted));
});

describe('text below a picture', () => {
  const takes = (html: string) => {
    const { placements } = readPage({
      ...{
        address: 'x.html',
        source: { text: html, encoding: 'utf-8' },
        site: siteOfFiles(),
        sheetOf: () => undefined,
      },
    });
    const [place] = placements;
    return place ? takesWords(place.words).block : null;
  };
  it.each([
    ['<img src=a.jpg>', true],
    ['<table><tr><td><img src=a.jpg></table>', true],
    ['<ul><li><span><img src=a.jpg></span></ul>', true],
    // No paragraph may stand in these.
    ['<h2><img src=a.jpg></h2>', false],
    ['<button><img src=a.jpg></button>', false],
    // Where the browser ends the paragraph, nobody knows for sure what is still in it.
    ['<div><p><img src=a.jpg></div>', false],
    ['<style>p { background: url(a.jpg) }</style><p>x</p>', false],
  ])('%s: %s', (html, isTaken) => expect(takes(html)).toBe(isTaken));
});
