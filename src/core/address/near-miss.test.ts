import { expect, it } from 'vitest';
import { nearMisses } from './near-miss';

const find = nearMisses(['img/Choir.JPG', 'img/cafe\u0301.jpg', 'img/a.jpg']);

it.each([
  ['img/choir.jpg', { kind: 'case', path: 'img/Choir.JPG' }],
  ['IMG/choir.jpg', { kind: 'case', path: 'img/Choir.JPG' }],
  ['img/caf\u00e9.jpg', { kind: 'form', path: 'img/cafe\u0301.jpg' }],
  ['img/CAF\u00c9.jpg', { kind: 'case', path: 'img/cafe\u0301.jpg' }],
  ['img/a.jpg', null],
  ['img/b.jpg', null],
])('%s', (path, expected) => {
  expect(find(path)).toEqual(expected);
});
