import fc from 'fast-check';
import type { DefaultTreeAdapterTypes } from 'parse5';
import { describe, expect, it } from 'vitest';
import { parsePage } from './lean-adapter';
import { parseWithPlaces } from './select-content';

/** What is passed over at once, what it may stand in, and what ends it. */
const PIECES = [
  'word', 'x', ' ', '  ', '\n', '\r', '\r\n', '\n\r', '\t', '\f', '\v', '\0', '\u0001', '\u00a0', 'é', '😀', '\ud83d', '\ude00', '\ufeff',
  '&', '&amp;', '&amp', '&lt', '&#10;', '&#13;', '&#0;', '&#x1F600;', '&notit;', '&ampx=', '&;', '<', '</', '<!', '<?', '< ', '>', '"', "'", '=', '-', '--', '-->', ']]>',
  '<!doctype html>', '<html>', '<html lang="é\r\nx">', '<head>', '</head>', '<body>', '<body class="a  b">', '</body>', '</html>', '<frameset>', '</frameset>', '<noframes>', '</noframes>',
  '<p>', '</p>', '<b>', '</b>', '<i class=\'a "b"\r\n c\'>', '</i>', '<a href="?a=b&amp;c=d&copy=e&copy;">', '<a href=\'x & y\0z\'>', '</a>', '<br>', '<img alt="a\tb\n😀c" src=x.png>', '<img alt=\'\ud83d\' >', '<img title=a&amp;b/c>', '<img alt="',
  "<img alt='", '<pre>', '</pre>', '<pre>\n', '<listing>\r\n', '<textarea>', '<textarea>\n\n', '</textarea>', '<title>', '</title>', '<script>', '</script>', '<script><!--', '<style>', '</style>', '<xmp>', '</xmp>',
  '<noscript>', '</noscript>', '<iframe>', '</iframe>', '<table>', '</table>', '<tr>', '</tr>', '<td>', '</td>', '<caption>', '</caption>', '<colgroup>', '<col>', '<template>', '</template>', '<svg>', '</svg>', '<svg><desc>', '<math><mi>', '</math>', '<![CDATA[',
  '<!-- a b - c -->', '<!--', '<!-->', '<!--<', '<!-- <!-- -->', '--!>', '<select>', '</select>', '<x-y1 a-b=c D2=\'\' a-b>', '<x-Y1>', '</x-y1>', '<b\0>', '<ié😀 é=1 a\0=2>', '<option>', '<button>', '</button>', '<ul><li>', '</ul>', '<plaintext>',
] as const; // oxfmt-ignore

/** Few pieces, and those again and again: what matters is what follows upon what. */
const pages = fc
  .uniqueArray(fc.constantFrom(...PIECES), { minLength: 1, maxLength: 7 })
  .chain((few) => fc.array(fc.constantFrom(...few), { maxLength: 30 }))
  .map((pieces) => pieces.join(''));

describe('a page read by runs', () => {
  it('is the tree that reading every character gives, with its tags in their places', () => {
    fc.assert(
      fc.property(pages, (page) => {
        expect(treeOf(parsePage(page))).toEqual(treeOf(parseWithPlaces(page)));
      }),
      { numRuns: 4000 },
    );
  });

  it.each([
    '<svg><![CDATA[ a ]]> b <p>c',
    '<script><!-- a --> <script> b </script><p>c',
    '<script><!-- <script> a --> </script><p>b',
    '<title>a --> &lt;b</title><textarea>\r\n\r\na</textarea>',
    '<frameset> a <frame src=b> </frameset> c ',
    '<table> a b <tr> c d <td>e </table> f',
    '<p>a</body> b c </html> d <p>e',
  ])('is so in %j', (page) => {
    expect(treeOf(parsePage(page))).toEqual(treeOf(parseWithPlaces(page)));
  });

  it.each([
    ['text', (fill: string) => `<p>${fill}</p>`],
    ['white space', (fill: string) => `<p>${fill.replaceAll(/[^\r\n]/g, ' ')}</p>`],
    ['a value', (fill: string) => `<p title="${fill}">x</p>`],
    ['a comment', (fill: string) => `<!--${fill}--><p>x</p>`],
    ['a script', (fill: string) => `<script>${fill}</script><p>x</p>`],
  ])('is so beyond what the tokenizer keeps of its text, in %s', (_name, pageOf) => {
    const fill = 'é word 😀 & \r\n'.repeat(12_000);
    const page = `${pageOf(fill)}<p>${fill}<img alt="${fill}" src=a.png>${fill}`;
    expect(treeOf(parsePage(page))).toEqual(treeOf(parseWithPlaces(page)));
  });
});

/** A tree as rows: names, attributes, texts, and where start tags stand. */
function treeOf(document: DefaultTreeAdapterTypes.Document): readonly unknown[] {
  const rows: unknown[] = [document.mode];
  const nodes: { node: DefaultTreeAdapterTypes.Node; depth: number }[] = [{ node: document, depth: 0 }];
  for (let next = nodes.pop(); next; next = nodes.pop()) {
    const { node, depth } = next;
    const row: unknown[] = [depth, node.nodeName];
    if ('value' in node) row.push(node.value);
    if ('data' in node) row.push(node.data);
    if ('attrs' in node) {
      row.push(node.attrs.map(({ name, value }) => [name, value]));
      // A later tag of those gives its place where there was none, other than with parse5 (`noteAdopted`).
      const isAdopting = node.nodeName === 'html' || node.nodeName === 'body';
      const tag = isAdopting ? null : node.sourceCodeLocation?.startTag;
      row.push(tag ? [tag.startOffset, tag.endOffset] : null);
    }
    rows.push(row);
    const inside = [
      ...('content' in node ? [node.content] : []),
      ...('childNodes' in node ? node.childNodes : []),
    ];
    for (const child of inside.toReversed()) nodes.push({ node: child, depth: depth + 1 });
  }
  return rows;
}
