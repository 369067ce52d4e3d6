import { expect, it } from 'vitest';
import { AS_IT_IS, type Revision, type StepName } from '@/core/revision/steps';
import { figureText } from './figure-text';

const rows: readonly [StepName, Partial<Revision>, string][] = [
  ['turn', {}, 'as it is'],
  ['turn', { turn: 1 }, 'a quarter to the right'],
  ['turn', { turn: 3 }, 'a quarter to the left'],
  ['mirror', { mirror: 'upside down' }, 'above is below'],
  ['straighten', { straighten: -1.5 }, '1.5° to the left'],
  ['crop', {}, 'the whole picture'],
  ['crop', { crop: { x: 0, y: 0, width: 0.5, height: 1 } }, '300 × 400'],
  ['crop', { crop: { x: 0, y: 0, width: 0.5, height: 1 }, struck: ['crop'] }, '300 × 400'],
  ['light', { light: { brightness: 10, contrast: 0, warmth: -5 } }, 'brightness +10, warmth −5'],
  ['size', { size: { by: 'longest', px: 1600 } }, '1600 pixels along its longer side'],
];

it.each(rows)('%s of %j: %s', (step, steps, text) => {
  expect(figureText(step, { ...AS_IT_IS, ...steps }, { widthPx: 600, heightPx: 400 })).toBe(text);
});
