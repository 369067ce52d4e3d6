import { expect, it } from 'vitest';
import { pageOf } from './on-page.fixture';
import { linesOf } from './page-lines';

const linesIn = (html: string, css?: string) => {
  const { body, sight, weights } = pageOf(html, css);
  return linesOf(body, sight, weights);
};
const texts = (html: string, css?: string) => linesIn(html, css).map(({ text }) => text.text);

it.each<[string, string, readonly string[]]>([
  ['blocks', '<p>One</p><div>Two<p>Three</p>Four</div>', ['One', 'Two', 'Three', 'Four']],
  ['line breaks', '<p>One<br>Two<br/>Three</p>', ['One', 'Two', 'Three']],
  ['inline elements', '<p>One <b>and</b> <a href="x">two</a></p>', ['One and two']],
  ['blanks of the source', '<p>\n  One\n  two\t</p>', ['One two']],
  ['no-break spaces', '<p>One&nbsp;two</p>', ['One two']],
  ['the cells of a row', '<table><tr><td>a.jpg</td><td>Ann Lee</td></tr></table>', ['a.jpg | Ann Lee']],
  ['a row with blocks in its cells', '<table><tr><td><p>a.jpg</p></td><td><p>Ann</p><p>Lee</p></td></tr></table>', ['a.jpg | Ann | Lee']],
  ['a row that holds a page', `<table><tr><td>${'<p>Many words. </p>'.repeat(60)}</td><td>b</td></tr></table>`, [...Array.from({ length: 60 }, () => 'Many words.'), 'b']],
  ['a term and its descriptions', '<dl><dt>a.jpg</dt><dd>Ann Lee</dd><dd>CC BY</dd><dt>b.jpg</dt><dd>Bob</dd></dl>', ['a.jpg | Ann Lee | CC BY', 'b.jpg | Bob']],
  ['terms without a description', '<dl><dt>a.jpg</dt><dt>b.jpg</dt><dd>Bob</dd></dl>', ['a.jpg | Bob', 'b.jpg | Bob']],
  ['scripts and templates', '<p>One</p><script>two</script><template><p>three</p></template><noscript>four</noscript>', ['One']],
  ['closed details', '<details><summary>More</summary>Two</details>', ['More', 'Two']],
  ['a dialog that is not open', '<dialog>One</dialog><dialog open>Two</dialog>', ['Two']],
  ['nothing', '<p> </p><div></div>', []],
  ['words beside pictures', '<p><img src="a.jpg" alt="not seen"> Ann Lee</p>', ['Ann Lee']],
])('%s', (_, html, lines) => {
  expect(texts(html)).toEqual(lines);
}); // oxfmt-ignore

it('leaves out what is hidden where it is written, or by a style', () => {
  const html = '<p hidden>One</p><p style="display:none">Two</p><p class="c">Three</p><p>Four</p>';
  expect(texts(html, '.c{display:none}')).toEqual(['Four']);
});

it('keeps links with their places in the line, over the end of a line as well', () => {
  const [first, second] = linesIn(
    '<p>Photo: <a href="ann">Ann <b>Lee</b></a>, <a href="cc"><img src="cc.svg"></a><br>Two</p>',
  );
  expect(first?.text).toEqual({
    text: 'Photo: Ann Lee,',
    links: [
      { href: 'ann', start: 7, end: 14 },
      { href: 'cc', start: 15, end: 15 },
    ],
  });
  expect(second?.text.links).toEqual([]);
  const [one, two] = linesIn('<p><a href="x">One<br>Two</a></p>');
  expect([one?.text.links, two?.text.links]).toEqual([
    [{ href: 'x', start: 0, end: 3 }],
    [{ href: 'x', start: 0, end: 3 }],
  ]);
});

it.each<[string, string, readonly (number | null)[]]>([
  ['an ordered list', '<ol><li>a<li>b</ol>', [1, 2]],
  ['another start', '<ol start="4"><li>a<li>b</ol>', [4, 5]],
  ['a value of its own', '<ol><li>a<li value="7">b<li>c</ol>', [1, 7, 8]],
  ['backwards', '<ol reversed><li>a<li>b<li>c</ol>', [3, 2, 1]],
  ['an unordered list', '<ul><li>a<li>b</ul>', [null, null]],
  ['the first line of an item only', '<ol><li>a<br>b<li>c</ol>', [1, null, 2]],
])('numbers of %s', (_, html, numbers) => {
  expect(linesIn(html).map(({ item }) => item)).toEqual(numbers);
});

it('tells headings, and which lines belong to one entry', () => {
  const lines = linesIn(
    '<h2>Credits</h2><ul><li><p>a.jpg</p><p>Ann Lee</p></li><li>b.jpg</li></ul><p>One<br>Two</p>',
  );
  expect(lines.map(({ isHeading }) => isHeading)).toEqual([true, false, false, false, false, false]);
  const entries = lines.map(({ entry }) => entry);
  expect(entries[1]).toBe(entries[2]);
  expect(entries[4]).toBe(entries[5]);
  expect(new Set(entries).size).toBe(4);
});

it('goes ten thousand elements deep, and through ten thousand items', () => {
  expect(texts(`${'<div>'.repeat(10_000)}One`)).toEqual(['One']);
  const lines = linesIn(`<ol>${'<li>x'.repeat(10_000)}</ol>`);
  expect([lines.length, lines.at(-1)?.item]).toEqual([10_000, 10_000]);
});
