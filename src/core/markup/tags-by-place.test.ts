import { describe, expect, it } from 'vitest';
import { readTree } from './page-tree';
import { tagsByPlace } from './tags-by-place';

const find = (text: string) => {
  const tagAt = tagsByPlace(readTree({ text, encoding: 'utf-8' }));
  return (place: string) => {
    const found = tagAt(text.indexOf(place));
    return found && `${found.element.tagName} ${found.isInTag ? 'in' : 'behind'}`;
  };
};

describe('the tag at a place', () => {
  it.each<[string, string, string | null]>([
    ['<p class="a">Words</p>', 'class', 'p in'],
    ['<p class="a">Words</p>', 'Words', 'p behind'],
    ['<p>One <img src="x.jpg" alt=""> two</p>', 'x.jpg', 'img in'],
    ['<p>One <img src="x.jpg" alt=""> two</p>', 'two', 'img behind'],
    ['<div>\n<a href="y"><b>z</b></a></div>', 'z', 'b behind'],
    ['<style>p{background:url(x.png)}</style><p>', 'x.png', 'style behind'],
    ['<table><tr><td background=x.gif>a', 'x.gif', 'td in'],
    ['plain words', 'words', null],
    ['<!-- <img src="x.jpg"> --><p>a', 'x.jpg', null],
    ['<iframe srcdoc="<img src=x.jpg>"></iframe>', 'x.jpg', 'iframe in'],
  ])('%s, %s', (text, place, expected) => {
    expect(find(text)(place)).toBe(expected);
  });

  it('is known among ten thousand', () => {
    const text = Array.from({ length: 10_000 }, (_, n) => `<i id="n${n}">${n}.</i>`).join('');
    const tree = readTree({ text, encoding: 'utf-8' });
    const tagAt = tagsByPlace(tree);
    for (const n of [0, 1, 4999, 9999])
      expect(tagAt(text.indexOf(`"n${n}"`))?.element.attrs[0]?.value).toBe(`n${n}`);
    expect(tree.elements[tagAt(text.indexOf('"n7777"'))?.at ?? 0]?.attrs[0]?.value).toBe('n7777');
  });
});
