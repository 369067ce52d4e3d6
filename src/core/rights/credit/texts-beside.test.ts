import { expect, it } from 'vitest';
import { pageOf } from './on-page.fixture';
import { textsBeside } from './texts-beside';

const beside = (html: string, css?: string) => {
  const page = pageOf(html, css);
  return textsBeside(page.named('it'), page).map(
    ({ where, text, isShared }) => [where, text.text, isShared] as const,
  );
};
const IT = '<img id="it" src="a.jpg" alt="">';
const OTHER = '<img src="b.jpg" alt="">';

it.each<[string, string, readonly (readonly [string, string, boolean])[]]>([
  ['a caption', `<figure>${IT}<figcaption>One</figcaption></figure>`, [['caption', 'One', false], ['beside', 'One', true]]],
  ['all words of its figure', `<figure><h3>Head</h3><div>${IT}</div><p>Two</p></figure>`, [['caption', 'Head\nTwo', false], ['beside', 'Two', true]]],
  ['of a figure of several the caption alone', `<figure>${IT}${OTHER}<p>Two</p><figcaption>One</figcaption></figure>`, [['caption', 'One', true]]],
  ['figures within a figure', `<figure><figure>${IT}<figcaption>In</figcaption></figure><figure>${OTHER}</figure><figcaption>Out</figcaption></figure>`, [['caption', 'In', false], ['caption', 'Out', true], ['item', 'In', false], ['beside', 'In', true]]],
  ['its item', `<ul><li>${IT}<p>One</p><p>Two</p></li><li>${OTHER}</li></ul>`, [['item', 'One\nTwo', false], ['beside', 'One', true]]],
  ['no item where only one has a picture', `<ul><li>${IT}<p>One</p><p>Two</p></li><li>Words</li></ul>`, [['beside', 'One', true]]],
  ['no item with two pictures', `<ul><li>${IT}${OTHER}<p>One</p></li><li>${OTHER}</li></ul>`, []],
  ['the nearest row', `<table><tr><td>${IT} One</td><td>${OTHER}</td></tr></table>`, [['item', 'One', false], ['beside', 'One', true]]],
  ['before and behind', `<p>One</p>${IT}<p>Two</p>`, [['beside', 'One', true], ['beside', 'Two', true]]],
  ['the nearest of several', `<p>A</p><p>One</p>${IT}<p>Two</p><p>B</p>`, [['beside', 'One', true], ['beside', 'Two', true]]],
  ['behind what shows nothing else', `<div><p><a href="x">${IT}</a></p></div><p>Two</p>`, [['beside', 'Two', true]]],
  ['not behind what shows more', `<div><h3>Head</h3>${IT}</div><p>Two</p>`, []],
  ['in running text', `<p>One ${IT} two <b>three</b></p>`, [['beside', 'One', true], ['beside', 'two three', true]]],
  ['over a line break', `<p>${IT}<br>Two<br>Three</p>`, [['beside', 'Two\nThree', true]]],
  ['not behind a heading', `${IT}<h2>Head</h2><p>Two</p>`, []],
  ['not behind a picture', `${IT}${OTHER}<p>Two</p>`, []],
  ['up to the next picture', `${IT}<p>Two ${OTHER} three</p>`, [['beside', 'Two', true]]],
  ['the first block of a box', `${IT}<div><div><p>Two</p><p>Three</p></div></div>`, [['beside', 'Two', true]]],
  ['the last block of a box before it', `<div><p>A</p><p>One</p></div>${IT}`, [['beside', 'One', true]]],
  ['a box that begins with a heading', `${IT}<div><h3>Head</h3><p>Two</p></div>`, []],
  ['past what is empty', `${IT}<p>&nbsp;</p><!-- note --><hr><div></div><p>Two</p>`, [['beside', 'Two', true]]],
  ['past what is hidden', `${IT}<p hidden>A</p><script>b</script><p>Two</p>`, [['beside', 'Two', true]]],
  ['nothing', IT, []],
])('%s', (_, html, texts) => {
  expect(beside(html)).toEqual(texts);
}); // oxfmt-ignore

it('counts the badge of a licence as no picture', () => {
  const badge = '<a href="https://creativecommons.org/licenses/by/4.0/"><img src="badge.png" alt=""></a>';
  expect(beside(`<ul><li>${IT}<p>One ${badge}</p></li><li>${OTHER}</li></ul>`)).toEqual([
    ['item', 'One', false],
    ['beside', 'One', true],
  ]);
});

it('tells the captions of other pictures in an outer figure', () => {
  const page = pageOf(
    `<figure><figure>${IT}</figure><figure>${OTHER}<figcaption>Its own</figcaption></figure><figcaption>Out</figcaption></figure>`,
  );
  const outer = textsBeside(page.named('it'), page).find(({ text }) => text.text === 'Out');
  expect(outer?.others?.map(({ text }) => text)).toEqual(['Its own']);
});
