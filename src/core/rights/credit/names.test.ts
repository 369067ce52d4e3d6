/** Names as credits write them, each beside what a longer or another name looks like. */
import { describe, expect, it } from 'vitest';
import { textAlone } from './credit-text';
import { namesCreator } from './names';

const NO_OWN: ReadonlySet<string> = new Set();
const names = (text: string, creator: string, own = NO_OWN) => namesCreator(textAlone(text), creator, own);

describe.each<[creator: string, named: readonly string[], not: readonly string[]]>([
  [
    'Ann Lee',
    ['Ann Lee', 'ann lee', 'A. Lee', 'A Lee', 'Lee, Ann', 'Lee, A.', 'Lee Ann', 'Photo:Ann Lee', '(Ann Lee)', 'Ann Lee’s'],
    ['Lee', 'Ann', 'B. Lee', 'Anna Lee', 'Ann Leeson', 'Joann Lee', 'Ann-Lee', 'Ann Lee-Smith', 'Ann Lee Hooper', 'Ann\nLee', 'Ann. Lee', 'Lees Ann'],
  ],
  [
    'Ann Beth Lee',
    ['Ann Beth Lee', 'Ann B. Lee', 'A. B. Lee', 'A.B. Lee', 'AB Lee', 'Ann Lee', 'A. Lee', 'Lee, Ann Beth', 'Lee, Ann'],
    ['Beth Lee', 'Ann Carla Lee', 'A. C. Lee', 'B. A. Lee', 'Ann Beth Carla Lee'],
  ],
  ['Anne-Marie Lee', ['Anne-Marie Lee', 'A.-M. Lee', 'A. Lee', 'A-M Lee'], ['Anne Lee', 'Marie Lee', 'Anne-Claire Lee']],
  ['Jo van der Berg', ['Jo van der Berg', 'J. van der Berg', 'van der Berg, Jo'], ['Jo Berg', 'Jo van Berg', 'Jo der Berg']],
  ['Zoë Müller', ['Zoë Müller', 'Zoe Müller', 'Zoe Muller', 'Z. Müller'], ['Zoé Müller', 'Zoë Möller', 'Zoe Mueller']],
  ['Søren Łuk', ['Søren Łuk', 'Soren Luk'], ['Sören Łuk', 'Seren Luk']],
  ["Sean O'Brien", ['Sean O’Brien', "S. O'Brien"], ['Sean Brien', 'Sean Obrien']],
  ['Lee, Ann', ['Ann Lee', 'A. Lee'], ['Ann', 'Bob Lee']],
  ['Dr. Ann Lee', ['Ann Lee', 'Dr Ann Lee'], ['Dr Lee']],
  ['Ann Lee (photographer)', ['Ann Lee'], ['photographer']],
  ['mountainhiker', ['mountainhiker', 'Photo mountainhiker'], ['mountainhikers', 'mountain hiker', 'mountainhiker77']],
  ['Ferndrake Photo Club', ['Ferndrake Photo Club', 'FERNDRAKE PHOTO CLUB'], ['Ferndrake Club', 'F. Club', 'Ferndrake Photo']],
  ['Moss & Sons', ['Moss & Sons', 'Moss + Sons'], ['Moss', 'Sons', 'M. Sons']],
  ['Ann Lee / Brightline', ['Ann Lee / Brightline', 'Ann Lee/Brightline'], ['Ann Lee', 'Brightline', 'A. Lee / Brightline']],
  ['Studio 54', ['Studio 54'], ['Studio', 'Studio 55']],
])('%s', (creator, named, not) => {
  it.each(named)('is named in “%s”', (text) => {
    expect(names(text, creator)).toBe(true);
  });
  it.each(not)('is not named in “%s”', (text) => {
    expect(names(text, creator)).toBe(false);
  });
}); // oxfmt-ignore

it.each<[string, boolean]>([
  ['Photo Ann Lee', true],
  ['PHOTO BY ANN LEE', true],
  ['Foto von Ann Lee', true],
  ['Photo de Ann Lee', true],
  ['Crédit Ann Lee', true],
  ['Copyright Ann Lee', true],
  ['© Ann Lee CC BY 4.0', true],
  ['CC BY 4.0 Ann Lee', true],
  ['Mrs Ann Lee', true],
  ['Mary Ann Lee', false],
  ['M. Ann Lee', false],
  ['Ann Lee B. Hooper', false],
  ['Brightline Ann Lee', false],
  ['Brightline, Ann Lee', true],
  ['Brightline / Ann Lee', true],
])('“%s” beside other capitalised words: %s', (text, isNamed) => {
  expect(names(text, 'Ann Lee')).toBe(isNamed);
});

it('words of the credit’s own title and holder make no name longer', () => {
  expect(names('The Old Hall Ann Lee', 'Ann Lee')).toBe(false);
  expect(names('The Old Hall Ann Lee', 'Ann Lee', new Set(['the', 'old', 'hall']))).toBe(true);
});

it.each<[string, string, boolean]>([
  ['Ann and Tom Lee', 'Ann Lee', true],
  ['Ann & Tom Lee', 'Ann Lee', true],
  ['Ann und Tom Lee', 'Ann Lee', true],
  ['Ann and Tom Lee', 'Tom Lee', true],
  ['Ann and Tom Lee', 'Bob Lee', false],
  ['Ann, Tom Lee', 'Ann Lee', false],
])('a family name that two share: “%s” names %s: %s', (text, creator, isNamed) => {
  expect(names(text, creator)).toBe(isNamed);
});
