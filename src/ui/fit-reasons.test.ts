import { expect, it } from 'vitest';
import type { Fit } from '@/core/swap/fit';
import { reasonsOf } from './fit-reasons';

it('reasons are told in words, those for it first', () => {
  const parts: Fit['parts'] = [
    { part: 'size', score: 0.5, lacks: 2 },
    { part: 'words', score: 0.6, shared: ['choir', 'summer', 'concert', 'hall'] },
    { part: 'shape', score: 1, keeps: 1 },
    { part: 'date', score: 0, year: 2019 },
  ];
  expect(reasonsOf({ score: 0.6, parts })).toEqual([
    { text: 'both: choir, summer, concert', isAgainst: false },
    { text: 'the same shape', isAgainst: false },
    { text: '2.0 times too small', isAgainst: true },
    { text: 'taken in 2019', isAgainst: true },
  ]);
  expect(reasonsOf(undefined)).toEqual([]);
});
