import { expect, it } from 'vitest';
import { withoutMoot } from './moot-edits';
import type { SourceEdit } from './source-edit';
import { spliceText } from './splice-text';

const TEXT = '0123456789';
const edit = (start: number, end: number, becomes = ''): SourceEdit => ({ start, end, was: TEXT.slice(start, end), becomes }); // oxfmt-ignore

it.each<[string, readonly SourceEdit[], readonly number[]]>([
  ['within what goes', [edit(2, 8), edit(4, 5, 'x')], [0]],
  ['at its very beginning and end', [edit(2, 8), edit(2, 3, 'x'), edit(7, 8, 'x')], [0]],
  ['put in between what goes', [edit(2, 8), edit(5, 5, 'x')], [0]],
  ['put in beside what goes', [edit(2, 8), edit(2, 2, 'x'), edit(8, 8, 'y')], [0, 1, 2]],
  ['beside one another', [edit(2, 4), edit(4, 6, 'x')], [0, 1]],
  ['within what is only replaced', [edit(2, 8, 'other'), edit(4, 5, 'x')], [0, 1]],
  ['taken out within what goes', [edit(4, 5), edit(2, 8)], [1]],
])('edits %s', (_, edits, kept) => {
  expect(withoutMoot(edits)).toEqual(kept.map((at) => edits[at]));
});

it.each<[readonly SourceEdit[], string | null]>([
  [[], TEXT],
  [[edit(0, 2), edit(5, 5, 'x'), edit(9, 10, 'end')], '234x5678end'],
  [[edit(0, 10)], ''],
  [[edit(2, 5), edit(4, 6)], null],
])('%j spliced', (edits, text) => {
  expect(spliceText(TEXT, edits)).toBe(text);
});
