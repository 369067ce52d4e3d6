import { expect, it } from 'vitest';
import { isTaught, leftoverStrength, SAID } from './leftover-strength';

it.each([
  [0.99, 'sure'],
  [0.9, 'likely'],
  [0.8, 'likely'],
  [0.5, 'maybe'],
  [0.1, null],
])('a belief of %f is %s', (belief, strength) => {
  expect(leftoverStrength(belief)).toBe(strength);
});

it.each([
  [SAID.placeholder, true],
  [SAID['not a placeholder'], true],
  ['It looks like one that you pointed out.', false],
])('“%s” is what a person said of it: %s', (text, isSaid) => {
  expect(isTaught([{ weight: 7, text }])).toBe(isSaid);
});
