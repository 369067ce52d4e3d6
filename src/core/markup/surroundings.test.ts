import { describe, expect, it } from 'vitest';
import { areaPart } from './area-part';
import { captionElement, readCaption } from './caption';
import { elementPath } from './element-path';
import { groupAround } from './group-around';
import { collapse, textBeside, textOf } from './node-text';
import { headingsOver, readTree, type PageTree } from './page-tree';
import { storedWords } from './stored-words';
import type { Element } from './attribute-value';

const tree = (text: string) => readTree({ text, encoding: 'utf-8' });

/** The n-th element of a tag name, with its place among the elements. */
function nth(page: PageTree, tag: string, n = 0): { element: Element; at: number } {
  const all = page.elements
    .map((element, at) => ({ element, at }))
    .filter(({ element }) => element.tagName === tag);
  const found = all[n];
  if (!found) throw new Error(`there is no ${tag} ${n}`);
  return found;
}

describe('text', () => {
  it('inside an element: white space collapsed, scripts and templates silent', () => {
    const page = tree('<div> a\n\u00a0 b<br>c <script>x</script><style>y</style><b>d</b><img alt="e"></div>');
    const { element } = nth(page, 'div');
    expect(textOf(element)).toBe('a b c d');
    expect(textOf(element, { pictures: true })).toBe('a b c d e');
    expect(textOf(element, { without: nth(page, 'b').element })).toBe('a b c');
    expect(textOf(element, { limit: 3 })).toBe('a b');
    expect(collapse(' \n a \u00a0 b ')).toBe('a b');
    expect(collapse('')).toBe('');
    // Every blank there is, and what is next to one: as a pattern would have it.
    const wrong = Array.from({ length: 0xffff }, (_, code) => String.fromCharCode(code)).filter((blank) => {
      const text = `${blank}a${blank} b`;
      return collapse(text) !== text.replace(/\s+/g, ' ').trim();
    });
    expect(wrong).toEqual([]);
  });

  it('beside an element, outwards through its ancestors, cut at a word', () => {
    const page = tree(
      '<p>Far before it</p><div>near before <span><img></span> near after</div><p>far after it</p>',
    );
    const { element } = nth(page, 'img');
    expect(textBeside(page, element, -1)).toBe('Far before it near before');
    expect(textBeside(page, element, 1)).toBe('near after far after it');
    expect(textBeside(page, element, 1, 12)).toBe('near after …');
    expect(textBeside(page, element, -1, 12)).toBe('… near before');
  });

  it.each([
    [
      'list items and cells stand apart, whatever blanks the source has',
      '<ul><li>One</li><li>Two</li></ul><table><tr><td>a</td><td>b</td></tr></table><img>',
      'One Two a b',
    ],
    ['what the site says on every page is left out', '<nav>Home</nav><p>Near</p><img>', 'Near'],
    [
      'and so is what stands outside of the page’s own content',
      '<div>Menu</div><main><p>Near</p><img></main>',
      'Near',
    ],
    [
      'of a long text before it the end counts',
      `<p>${'far '.repeat(80)}and near.</p><img>`,
      /^… far .*and near\.$/,
    ],
  ])('%s', (_name, html, before) => {
    const page = tree(html);
    const { element } = nth(page, 'img');
    const text = textBeside(page, element, -1);
    if (typeof before === 'string') expect(text).toBe(before);
    else expect(text).toMatch(before);
  });
});

describe('headingsOver', () => {
  it.each([
    ['<h1>A</h1><h2>B</h2><img>', ['A', 'B']],
    ['<h1>A</h1><h2>B</h2><h2>C</h2><h3>D</h3><img>', ['A', 'C', 'D']],
    ['<h1>A</h1><h3>B</h3><h2>C</h2><img>', ['A', 'C']],
    ['<img><h1>A</h1>', []],
    ['<h2>B</h2><h1>A</h1><img>', ['A']],
    ['<h1><img alt=""></h1>', []],
    ['<h1>A <img alt="picture"></h1><img>', ['A picture']],
  ])('%s', (text, expected) => {
    const page = tree(text);
    const last = page.elements.length - 1;
    expect(headingsOver(page, page.elements[last]?.tagName === 'img' ? last : nth(page, 'img').at)).toEqual(
      expected,
    );
  });
});

describe('elementPath', () => {
  it.each([
    ['<div><p>x</p><p><img></p></div>', 'html:1>body:1>div:1>p:2>img:1'],
    ['<div id=k><p><img></p></div>', '#k>p:1>img:1'],
    ['<div id=k><p><img id=own></p></div>', '#k>p:1>img:1'],
    [`<ul>${'<li>x</li>'.repeat(60)}<li><img></ul>`, 'html:1>body:1>ul:1>li:61>img:1'],
  ])('%s', (text, expected) => {
    expect(elementPath(nth(tree(text), 'img').element)).toBe(expected);
  });

  it('does not change when something is added elsewhere', () => {
    const before = '<main><p>a</p><figure><img></figure></main>';
    const after = '<header>new</header><main><p>a</p><p>b</p><figure><img></figure></main><p>c</p>';
    expect(elementPath(nth(tree(after), 'img').element)).toBe(elementPath(nth(tree(before), 'img').element));
  });
});

describe('groupAround', () => {
  const groupOf = (text: string) => {
    const page = tree(text);
    return groupAround(page, nth(page, 'img').element);
  };
  it.each([
    ['a list', '<ul><li><img></li><li><a><img></a></li><li>no picture</li></ul>', { index: 1, size: 2 }],
    ['table cells', '<table><tr><td><img><td><img><td><img></table>', { index: 1, size: 3 }],
    ['siblings', '<p><img><img></p>', { index: 1, size: 2 }],
    ['figures', '<div><figure><img></figure><figure><img></figure></div>', { index: 1, size: 2 }],
  ])('%s', (_name, text, expected) => {
    expect(groupOf(text)).toMatchObject(expected);
  });

  it('is nothing for a picture alone', () => {
    expect(groupOf('<div><p><img></p><p>text</p></div>')).toBeNull();
  });
});

describe('captions', () => {
  const captionOf = (text: string) => {
    const page = tree(text);
    const { element, at } = nth(page, 'img');
    const caption = captionElement(page, element, page.surroundings[at]?.figure ?? null);
    if (!caption) return null;
    const { text: words, span } = readCaption(page, caption);
    return { words, inside: span ? text.slice(span.start, span.end) : null };
  };

  it.each([
    [
      'a figcaption',
      '<figure><img><figcaption>A <em>b</em></figcaption></figure>',
      { words: 'A b', inside: 'A <em>b</em>' },
    ],
    [
      'a figcaption before the picture',
      '<figure><figcaption>A</figcaption><a><img></a></figure>',
      { words: 'A', inside: 'A' },
    ],
    [
      'the row under it, in a table made for the two',
      '<table><tr><td><a href=x><img></a></td></tr><tr><td align="center"><small>A <b>b</b></small></td></tr></table>',
      { words: 'A b', inside: '<small>A <b>b</b></small>' },
    ],
    [
      'no row of a table of more',
      '<table><tr><td><img></td></tr><tr><td>A</td></tr><tr><td>B</td></tr></table>',
      null,
    ],
    [
      'no row of a table of columns',
      '<table><tr><td><img></td><td>x</td></tr><tr><td>A</td></tr></table>',
      null,
    ],
    ['no row with a picture', '<table><tr><td><img></td></tr><tr><td>A <img></td></tr></table>', null],
    [
      'one that holds a link is read and not replaced',
      '<figure><img><figcaption><a href=x>A</a></figcaption></figure>',
      { words: 'A', inside: null },
    ],
    [
      'one that is never closed is read and not replaced',
      '<figure><img><figcaption>A</figure>',
      { words: 'A', inside: null },
    ],
    [
      'a class that says so',
      '<div><img><span class="img-caption">A</span></div>',
      { words: 'A', inside: 'A' },
    ],
    ['none', '<div><img><span>A</span></div>', null],
  ])('%s', (_name, text, expected) => {
    expect(captionOf(text)).toEqual(expected);
  });
});

describe('words kept in attributes', () => {
  const kept = (html: string) => {
    const { surroundings, ...page } = tree(html);
    const { element, at } = nth({ surroundings, ...page }, 'img');
    return storedWords(element, surroundings[at]?.link ?? null).map(
      ({ attribute, text }) => `${attribute}: ${text}`,
    );
  };

  it.each([
    ['a title', '<img title=" The  hall ">', ['title: The hall']],
    [
      'fields of the link around it',
      '<a href="b" title="See it large" data-caption="The hall, 2024"><img></a>',
      ['title: See it large', 'data-caption: The hall, 2024'],
    ],
    [
      'tags left out',
      '<img data-description="<b>The hall</b> at night">',
      ['data-description: The hall at night'],
    ],
    ['the same once', '<a href="b" title="The hall"><img title="The hall"></a>', ['title: The hall']],
    ['names of several parts', '<img data-photo-legend="Old hall">', ['data-photo-legend: Old hall']],
    [
      'nothing that is for scripts',
      '<img data-text="{&quot;a&quot;: 1}" data-title="hall.jpg" data-src="a b" data-captions="a b" alt="c d">',
      [],
    ],
    [
      'six at most',
      `<img ${[...'abcdefgh'].map((a) => `data-${a}-text="the ${a}"`).join(' ')}>`,
      [...'abcdef'].map((a) => `data-${a}-text: the ${a}`),
    ],
  ])('%s', (_name, html, expected) => {
    expect(kept(html)).toEqual(expected);
  });

  it('cut at 300 characters', () => {
    expect(kept(`<img title="${'a b '.repeat(200)}">`)[0]).toHaveLength('title: '.length + 300);
  });
});

describe('an area', () => {
  const partOf = (html: string) => {
    const page = tree(html);
    return areaPart(page, nth(page, 'area').element, (to) => (to.startsWith('http') ? null : to));
  };
  const plan = '<img src="plan.png" usemap="#rooms" width="450" height="300">';

  it.each([
    ['a rectangle', 'coords="10,20,110,80"', { left: 10, top: 20, width: 100, height: 60 }],
    ['a circle', 'shape="circle" coords="50 40 30"', { left: 20, top: 10, width: 60, height: 60 }],
    ['a polygon', 'shape="poly" coords="5,5; 25,10; 15,45"', { left: 5, top: 5, width: 20, height: 40 }],
    ['the rest', 'shape="default"', null],
    ['one without numbers', 'coords="all of it"', null],
  ])('is a part of the picture that uses its map: %s', (_name, attributes, box) => {
    const html = `${plan}<map name="rooms"><p><area href="b" ${attributes}></p></map>`;
    expect(partOf(html)).toEqual({ file: 'plan.png', box, widthPx: 450, heightPx: 300 });
  });

  it.each([
    ['of a map that nothing uses', `${plan}<map name="garden"><area href="b" coords="1,2,3,4"></map>`, null],
    ['without a map', `${plan}<area href="b">`, null],
    [
      'of a picture from elsewhere, of a size that is not said',
      '<img src="http://a.example/b.png" usemap="rooms" width="50%"><map name="rooms"><area href="b"></map>',
      { file: null, box: null, widthPx: null, heightPx: null },
    ],
  ])('%s', (_name, html, expected) => expect(partOf(html)).toEqual(expected));
});
