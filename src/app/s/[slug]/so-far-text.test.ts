import { expect, it } from 'vitest';
import { soFarText } from './so-far-text';

it.each([
  ['the site is read for the first time', { isReading: true, pages: 685, checked: 0, looking: null }, 'Not all of the site was read yet. Where its pictures stand, and what is wrong with them, is told once it was.'],
  ['no page is there yet', { isReading: true, pages: 0, checked: 0, looking: null }, null],
  ['all is done', { isReading: false, pages: 9, checked: 9, looking: null }, null],
  ['none is checked yet', { isReading: false, pages: 126, checked: 0, looking: null }, '126 pages are about to be checked: what is listed may still change.'],
  ['pages are being checked', { isReading: false, pages: 9, checked: 4, looking: null }, 'Checked 4 of 9 pages so far: what is listed may still change.'],
  [
    'pages are checked, pictures are being looked at',
    { isReading: false, pages: 685, checked: 685, looking: { read: 120, all: 1985 } },
    '685 pages checked for words and addresses. The pictures are being looked at, 120 of 1,985: leftovers, ages, families and rights follow.',
  ],
  [
    'both',
    { isReading: false, pages: 685, checked: 200, looking: { read: 1985, all: 1985 } },
    'Checked 200 of 685 pages so far: what is listed may still change. The pictures are being put together: leftovers, ages, families and rights follow.',
  ],
])('%s', (_, far, text) => {
  expect(soFarText(far)).toBe(text);
}); // oxfmt-ignore
