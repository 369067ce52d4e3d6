/** The parts of taking off that know nothing of pages: white space, lists, styles, data. */
import { describe, expect, it } from 'vitest';
import { withBlanks } from './blanks';
import { cutsInList } from './in-attribute';
import { cutsInJson } from './in-json';
import { cutsInStyle } from './in-style';

/** Cuts what is between « and » out, with what goes along. */
function marked(text: string): { plain: string; spans: { start: number; end: number }[] } {
  const spans: { start: number; end: number }[] = [];
  let plain = '';
  for (const part of text.split(/(«[^»]*»)/u)) {
    if (!part.startsWith('«')) plain += part;
    else {
      spans.push({ start: plain.length, end: plain.length + part.length - 2 });
      plain += part.slice(1, -1);
    }
  }
  return { plain, spans };
}

const without = (text: string, cuts: readonly { start: number; end: number; becomes?: string }[]): string =>
  cuts.toSorted((a, b) => b.start - a.start).reduce((left, { start, end, becomes = '' }) => left.slice(0, start) + becomes + left.slice(end), text); // oxfmt-ignore

describe('white space goes along', () => {
  it.each([
    ['a «x» b', 'a b'],
    ['a «x»b', 'a b'],
    ['a«x» b', 'a b'],
    ['a\n  «x»\nb', 'a\nb'],
    ['a\r\n\t«x»  \r\nb', 'a\r\nb'],
    ['«x»\nb', 'b'],
    ['a\n«x»', 'a\n'],
    ['a «x» «y» b', 'a b'],
    ['a\n «x»\n «y»\nb', 'a\nb'],
    ['«x»«y»', ''],
    ['(«x»)', '()'],
    ['a\n\n«x»\n\nb', 'a\n\n\nb'],
  ])('%j', (text, left) => {
    const { plain, spans } = marked(text);
    expect(
      without(
        plain,
        withBlanks(plain, spans, () => false),
      ),
    ).toBe(left);
    expect(withBlanks(plain, spans, () => true).length).toBeLessThanOrEqual(spans.length);
  });
});

describe('candidates of a list', () => {
  it.each([
    ['«a» 1x, b 2x', 'b 2x'],
    ['a 1x, «b» 2x', 'a 1x'],
    ['a 1x, «b» 2x, c 3x', 'a 1x, c 3x'],
    ['«a» 1x, «b» 2x, c 3x', 'c 3x'],
    ['a 1x,\n   «b» 2x,\n   «c» 3x', 'a 1x'],
    ['a, «b» 2x', 'a'],
    ['«data:,x» 1x, b 2x', 'b 2x'],
    ['«a» 1x', null],
    ['«a», «b» 2x', null],
  ])('%j', (text, left) => {
    const { plain, spans } = marked(text);
    const cuts = cutsInList(plain, spans.map(({ start }) => start)); // oxfmt-ignore
    expect(cuts && without(plain, cuts)).toBe(left);
  });
});

describe('styles', () => {
  it.each([
    ['a{background:url(«x.png»)}', 'a{background:none}'],
    ["a{background:URL( '«x.png»' ) 0 0}", 'a{background:none 0 0}'],
    ['a{mask:url("«x.svg»") center / contain}', 'a{mask:none center / contain}'],
    ['a{background:url(a.png),url(«x.png») top}', 'a{background:url(a.png),none top}'],
    ['a{background:image-set(url(«x.png») 1x,url(b.png) 2x)}', 'a{background:image-set(url(b.png) 2x)}'],
    ['a{background:image-set(url(a.png) 1x , url(«x.png») 2x)}', 'a{background:image-set(url(a.png) 1x)}'],
    ['a{background:image-set("«x.png»" type("image/png") 1x)}', 'a{background:none}'],
    ['a{cursor:url(a.cur),url(«x.cur»),auto}', 'a{cursor:url(a.cur),auto}'],
    ['a{content:url(«x.png») / "star"}', 'a{content:none}'],
    ['a{content:counter(n) url(«x.png»)}', 'a{content:counter(n)}'],
    ['a{list-style-image:url(«x.gif»);color:red}', 'a{list-style-image:none;color:red}'],
    ['@media print{a{background:url(«x.png»)}}', '@media print{a{background:none}}'],
    ['a{color:red;}/* url(x.png) */b{background:url(«x.png»)}', 'a{color:red;}/* url(x.png) */b{background:none}'],
    ['a{width:calc(1px + (2px * 3));background:url(«x.png»)}', 'a{width:calc(1px + (2px * 3));background:none}'],
    ['a{background:u\\72l(«x.png»)}', 'a{background:none}'],
    ['color: red; background : url(«x.png»)', 'color: red; background : none'],
  ])('%s', (text, left) => {
    const { plain, spans } = marked(text);
    expect(without(plain, cutsInStyle(plain, spans))).toBe(left);
  }); // oxfmt-ignore
  it('leaves alone what stands in no value', () => {
    expect(cutsInStyle('a{color:red}', [{ start: 2, end: 5 }])).toEqual([]);
    expect(cutsInStyle('', [{ start: 0, end: 0 }])).toEqual([]);
  });
});

describe('data', () => {
  it.each([
    ['{"a":1,"image":"«x»"}', '{"a":1}'],
    ['{"image":"«x»","a":1}', '{"a":1}'],
    ['{"image":["«x»","«y»"],"a":1}', '{"a":1}'],
    ['{"image":["a","«x»","b"]}', '{"image":["a","b"]}'],
    ['{"image":{"@type":"ImageObject","url":"«x»","caption":"Tom"},"a":1}', '{"a":1}'],
    ['{"image":{"url":"«x»"},"a":1}', '{"a":1}'],
    ['{"logo":{"@type":"ImageObject","url":"a","thumbnail":{"url":"«x»"}}}', '{"logo":{"@type":"ImageObject","url":"a"}}'],
    ['{"@type":"Person","name":"Tom","url":"«x»"}', '{"@type":"Person","name":"Tom"}'],
    ['{"@graph":[{"@type":"Event","image":"«x»"},{"@type":"Place"}]}', '{"@graph":[{"@type":"Event"},{"@type":"Place"}]}'],
    ['{"image":"«x»"}', '{}'],
    ['["«x»"]', '[]'],
    ['{ "image": "«x»", "icon": "«y»", "a": 1 }', '{ "a": 1 }'],
  ])('%s', (text, left) => {
    const { plain, spans } = marked(text);
    const rest = without(plain, cutsInJson(plain, spans));
    expect(rest).toBe(left);
    JSON.parse(rest);
  }); // oxfmt-ignore
  it('that are none have nothing to cut', () => {
    expect(cutsInJson('no data', [{ start: 0, end: 2 }])).toEqual([]);
  });
});
