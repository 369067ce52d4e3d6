import { expect, it } from 'vitest';
import { captionNumbers, numbersIn } from './picture-numbers';

it.each<[string, readonly number[]]>([
  ['Figure 3: The hall', [3]],
  ['Fig. 3. The hall', [3]],
  ['Abb. 12 – Der Saal', [12]],
  ['(4) The hall', [4]],
  ['The hall [7]', [7]],
  ['5. The hall', [5]],
  ['III. The hall', [3]],
  ['Foto 2', [2]],
  ['No. 9: The hall', [9]],
  ['The hall, 2019', []],
  ['3 cellos on the stage', []],
  ['Opened at 7.30', []],
  ['The hall', []],
])('the caption “%s” carries %j', (caption, numbers) => {
  expect(captionNumbers(caption)).toEqual(numbers);
});

it.each<[string, readonly number[]]>([
  ['Figures 1–3: Ann Lee', [1, 2, 3]],
  ['Figs. 1, 4 and 6: Ann Lee', [1, 4, 6]],
  ['Abb. 2 und 3: Ann Lee', [2, 3]],
  ['1: Ann Lee; 2: Bob Moor', [1, 2]],
  ['(1) Ann Lee, (2) Bob Moor', [1, 2]],
  ['Photos: 1 Ann Lee; 2 Bob Moor', [1, 2]],
  ['Photo: Ann Lee, CC BY 4.0', []],
  ['Ann Lee, CC BY-SA 3.0; Bob Moor, CC BY 4.0', []],
  ['© 2019 Ann Lee', []],
])('“%s” names %j', (text, numbers) => {
  expect(numbersIn(text).flatMap((span) => span.numbers)).toEqual(numbers);
});
