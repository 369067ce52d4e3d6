import { describe, expect, it } from 'vitest';
import { changedAlike } from './changed-alike';
import { shownText } from './shown-text';

describe('shownText', () => {
  it.each<[Parameters<typeof shownText>[1], string, string]>([
    ['reference', '../img/a%20b.jpg', '../img/a%20b.jpg'],
    ['alt', 'A &quot;b&quot; &amp; c', 'A "b" & c'],
    ['alt', ' alt="Two words"', 'Two words'],
    ['alt', '="Two words"', 'Two words'],
    ['alt', ' alt=""', ''],
    ['caption', 'The <em>hall</em> in&nbsp;May', 'The hall in\u00a0May'],
    ['link', '<a href="../picture-credits.html">Picture credits</a>\n  ', 'Picture credits'],
    [
      'statement',
      '<script type="application/ld+json" id="a">{"@graph":[{"contentUrl":"https://a.example/img/a%20b.jpg","name":"The hall","creditText":"\\u00a9 Ann"},{"contentUrl":"https://a.example/img/c.jpg","name":"The hall","creditText":"\\u00a9 Ann"}]}</script>\n',
      'a b.jpg, c.jpg: The hall · © Ann',
    ],
    ['statement', '', ''],
    ['block', '\n<p>14 June<br>7 pm &amp; later</p>', '14 June\n7 pm & later'],
  ])('of %s %j is %j', (subject, written, shown) => expect(shownText(written, subject)).toBe(shown));
});

describe('changedAlike', () => {
  const edit = (page: string, at: number, subject: string, was: string, becomes: string) => ({
    ...{ sourcePath: page, placeStart: at, subject, was, becomes },
  });

  it('puts the edits of a place together, and places that change alike', () => {
    const groups = changedAlike([
      edit('a.html', 10, 'alt', 'image', 'Doors'),
      edit('a.html', 10, 'caption', 'x', 'y'),
      edit('b.html', 40, 'alt', 'image', 'Doors'),
      edit('b.html', 40, 'caption', 'x', 'y'),
      edit('c.html', 10, 'alt', 'image', 'Doors'),
      edit('c.html', 90, 'alt', '', 'Doors'),
    ]);
    expect(
      groups.map((group) => group.map(([first, ...more]) => `${first?.sourcePath} ${1 + more.length}`)),
    ).toEqual([['a.html 2', 'b.html 2'], ['c.html 1'], ['c.html 1']]);
  });

  it('has nothing of nothing', () => expect(changedAlike([])).toEqual([]));
});
