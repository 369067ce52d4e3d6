import { expect, it } from 'vitest';
import { readTree } from '../markup/page-tree';
import { hiddenElements, readHiding } from './hidden-elements';

const isHidden = (css: string, html: string): boolean => {
  const tree = readTree({ text: `<!doctype html><body>${html}`, encoding: 'utf-8' });
  const hidden = hiddenElements(tree, [readHiding(css)]);
  return tree.elements.some((element) => hidden.has(element));
};
const P = '<p class="c">Words</p>';

it.each<[string, string, string]>([
  ['not displayed', '.c{display:none}', P],
  ['not visible', '.c{visibility:hidden}', P],
  ['collapsed', '.c{visibility:collapse}', P],
  ['off the screen to the left', '.c{position:absolute;left:-9999px}', P],
  ['off the screen upwards', '.c{position:fixed;top:-200em}', P],
  ['clipped to nothing', '.c{position:absolute;clip:rect(0 0 0 0)}', P],
  ['clipped to one pixel', '.c{position:absolute;clip:rect(1px,1px,1px,1px)}', P],
  ['clipped by a path', '.c{clip-path:inset(50%)}', P],
  ['indented away', '.c{text-indent:-999px}', P],
  ['without opacity', '.c{opacity:0}', P],
  ['without size', '.c{font-size:0}', P],
  ['a box of one pixel', '.c{width:1px;height:1px;overflow:hidden}', P],
  ['by an attribute', '', '<p hidden>Words</p>'],
  ['where it is written', '', '<p style="display:none">Words</p>'],
  ['the later of two rules', '.c{display:block}.c{display:none}', P],
  ['the more specific of two rules', 'p.c{display:none}.c{display:block}', P],
  ['what is important', '.c{display:none!important}', '<p class="c" style="display:block">Words</p>'],
  ['by a class with an escape', '.md\\:c{display:none}', '<p class="md:c">Words</p>'],
  ['on screens', '@media screen{.c{display:none}}', P],
  ['on wide windows', '@media (min-width:700px){.c{display:none}}', P],
])('%s: hidden', (_, css, html) => {
  expect(isHidden(css, html)).toBe(true);
});

it.each<[string, string, string]>([
  ['another class', '.d{display:none}', P],
  ['shown again by a later rule', '.c{display:none}.c{display:block}', P],
  [
    'shown again by a more specific rule',
    '.c.on{display:block}.c{display:none}',
    '<p class="c on">Words</p>',
  ],
  ['shown again where it is written', '.c{display:none}', '<p class="c" style="display:block">Words</p>'],
  ['in print', '@media print{.c{display:none}}', P],
  ['on narrow windows', '@media (max-width:600px){.c{display:none}}', P],
  ['while somebody points at it', '.c:hover{display:none}', P],
  ['what stands before it', '.c::before{display:none}', P],
  ['moved a little', '.c{position:absolute;left:-5px}', P],
  ['moved without being lifted', '.c{left:-9999px}', P],
  ['half seen through', '.c{opacity:0.5}', P],
  ['a small box that shows what runs over', '.c{width:1px;height:1px}', P],
  ['what can’t be read', '.c{display:', P],
  ['one among certain siblings, told apart by nobody here', '.c:nth-child(2 of .c){display:none}', P],
  ['what stands in a shadow tree', ':host(.x) .c{display:none}', P],
])('%s: seen', (_, css, html) => {
  expect(isHidden(css, html)).toBe(false);
});
