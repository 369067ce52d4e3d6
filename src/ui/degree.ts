import type { Degree } from '@/core/errata/rule';

/** How a degree is called, and its colour as a text. */
export const DEGREE_WORD: Readonly<Record<Degree, string>> = { must: 'Must', should: 'Should', note: 'Note' };
export const DEGREE_TEXT: Readonly<Record<Degree, string>> = {
  must: 'text-must',
  should: 'text-should',
  note: 'text-note',
};
