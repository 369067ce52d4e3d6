import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { FIRST, SECOND, type Case } from './cases.fixture';
import { takeOff } from './take-off';
import { readAll, takeOffFrom } from './take-off.fixture';

describe('takes pictures off', () => {
  it.each<Case>(FIRST)('%s', (_, before, after, path) => {
    expect(takeOffFrom(before as string, path).text).toBe(after);
  });
  it.each<Case>(SECOND)('%s', (_, before, after, path) => {
    expect(takeOffFrom(before as string, path).text).toBe(after);
  });
});

describe('says what became of a place', () => {
  it.each<[string, string, object]>([
    ['figure', '<figure><a href="b.html"><img src="x.jpg"></a><figcaption>Tom Lee</figcaption></figure>', { wentAlong: ['link', 'figure', 'caption'], link: 'b.html', words: 'Tom Lee' }],
    ['item', '<ul><li><p><img src="x.jpg"></p></li><li>B</li></ul>', { wentAlong: ['paragraph', 'list item'], words: '' }],
    ['heading over nothing', '<h2>Hall</h2><p><img src="x.jpg"></p><h2>Next</h2><p>B</p>', { remarks: ['heading left alone'] }],
    ['heading over the rest', '<h2>Hall</h2><p><img src="x.jpg"></p><p>B</p>', { remarks: [] }],
    ['heading over a lower one', '<h2>Hall</h2><p><img src="x.jpg"></p><h3>Stage</h3><p>B</p>', { remarks: [] }],
    ['words instead', '<h1><img src="x.jpg" alt="School"></h1>', { remarks: ['its words instead'], wentAlong: [] }],
    ['background', '<div style="background:url(x.jpg)">A</div>', { remarks: ['space stays'] }],
    ['unlinked', '<p>See <a href="x.jpg">it</a>.</p>', { remarks: ['link taken from its words'] }],
    ['stand-in', '<img src="x.gif" data-src="b.jpg">', { refused: 'stand-in' }],
    ['button without a word', '<form><button><img src="x.gif"></button></form>', { refused: 'button without words' }],
    ['picture that sends', '<form><input type="image" src="x.gif"></form>', { refused: 'button without words' }],
    ['figure made of boxes', '<div class="figure"><div class="mediaobject"><img src="x.png"></div><p class="title">Figure 3. Tom</p></div>', { wentAlong: ['box'], words: 'Figure 3. Tom' }],
    ['a page in a page', '<iframe srcdoc="&lt;p>&lt;img src=x.jpg>&lt;/p>B"></iframe>', { wentAlong: ['paragraph'] }],
  ])('%s', (_, before, expected) => {
    expect(takeOffFrom(before).taken.outcomes[0]).toMatchObject(expected);
  }); // oxfmt-ignore

  it('a place that is not where it was read', () => {
    const source = { text: '<p>A</p>', encoding: 'utf-8' };
    for (const path of ['a.html', 'a.css', 'a.webmanifest']) {
      const { edits, outcomes } = takeOff(path, source, [{ start: 4, end: 5 }]);
      expect(edits).toEqual([]);
      expect(outcomes).toMatchObject([{ refused: 'not found' }]);
    }
  });
});

/** Pages of nested boxes, links, lists and tables with pictures `x` to take off and `b` to keep, some tags left open. */
const page = fc.letrec<{ node: string; nodes: string }>((tie) => ({
  nodes: fc.array(tie('node'), { maxLength: 4 }).map((all) => all.join('')),
  node: fc.oneof(
    { maxDepth: 5, depthSize: 'small' },
    fc.constantFrom('<img src="x.jpg">', '<img src=x.jpg alt=X>', '<img src="b.jpg">', 'word', ' ', '\n  ', '<br>', '<!-- c -->', '<a href="x.jpg">See</a>', '<img src="b.jpg" srcset="x.jpg 2x, b-2.jpg 3x">', '<i style="background:url(x.jpg)"></i>', '<noscript><img src="x.jpg"></noscript>'), // oxfmt-ignore
    fc
      .tuple(
        fc.constantFrom(
          'div',
          'p',
          'a',
          'ul',
          'li',
          'table',
          'tr',
          'td',
          'figure',
          'figcaption',
          'b',
          'h2',
          'button',
          'form',
          'dl',
          'dt',
          'dd',
          'picture',
          'span',
          'object',
          'video',
        ),
        fc.boolean(),
        tie('nodes'),
      ) // oxfmt-ignore
      .map(([tag, isClosed, inside]) => `<${tag}>${inside}${isClosed ? `</${tag}>` : ''}`),
  ),
}));

it('whatever the page, all else is read as before, and what is told to be gone is gone', () => {
  fc.assert(
    fc.property(page.nodes, (written) => {
      const before = readAll(written);
      const { text, taken } = takeOffFrom(written);
      const after = readAll(text);
      const other = (raw: string) => raw.startsWith('b');
      expect(after.filter(other).toSorted()).toEqual(before.filter(other).toSorted());
      const refused = taken.outcomes.filter((outcome) => outcome.refused !== null).length;
      expect(after.filter((raw) => raw === 'x.jpg')).toHaveLength(refused);
    }),
    { numRuns: 3000 },
  );
});
