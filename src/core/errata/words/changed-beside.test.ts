import { describe, expect, it } from 'vitest';
import { dayOf, type Day } from '../../dating/day';
import { changedBeside } from './changed-beside';

const day = (year: number, month = 1, date = 1) => dayOf(year, month, date) as Day;
const TODAY = day(2026, 11, 28);

interface Around {
  readonly alt?: string;
  readonly caption?: string;
  readonly entry?: string;
  readonly before?: string;
  readonly after?: string;
}

function said(
  around: Around,
  taken: number | null,
  kind: 'building' | 'portrait' = 'building',
): string | null {
  const { alt = null, caption = null, entry, before = '', after = '' } = around;
  const context = { before, after, headings: [], group: null, ...(entry === undefined ? {} : { entry }) };
  const span = taken === null ? null : { from: day(taken), until: day(taken, 12, 31) };
  const dating = span && { ...span, because: [], against: [], belief: 1 };
  return changedBeside({ dating, kind }, { alt, caption, context: context as never }, TODAY);
}

describe('changedBeside', () => {
  it.each<[string, Around, number, string]>([
    [
      'in English',
      { caption: 'The tack room', before: 'The barn stands. The tack room was repainted in 2024.' },
      2022,
      'The tack room was repainted in 2024.',
    ],
    [
      'in German, the time before the verb',
      { alt: 'Die Aula mit Stühlen', before: 'Die Aula wurde 2024 renoviert.' },
      2021,
      'Die Aula wurde 2024 renoviert.',
    ],
    [
      'in French',
      { caption: 'Les vestiaires', before: 'Les vestiaires ont été repeints en 2022.' },
      2020,
      'Les vestiaires ont été repeints en 2022.',
    ],
    [
      'in Spanish',
      { caption: 'El patio', after: 'El patio fue reformado en 2023. Hay bancos.' },
      2019,
      'El patio fue reformado en 2023.',
    ],
    ['in its own caption', { caption: 'The hall, rebuilt in 2020' }, 2016, 'The hall, rebuilt in 2020'],
    [
      'after captions without a stop',
      { caption: 'The hall', before: 'The barn as of old The hall was extended in 2020.' },
      2016,
      'The hall was extended in 2020.',
    ],
  ])('tells what was changed since: %s', (_, around, taken, sentence) => {
    expect(said(around, taken)).toBe(sentence);
  });

  it.each<[string, Around, number | null]>([
    ['another room', { caption: 'The school', before: 'The tack room was repainted in 2024.' }, 2020],
    ['before it was taken', { caption: 'The hall', before: 'The hall was repainted in 2015.' }, 2020],
    ['at a time that is not told', { caption: 'The hall', before: 'The hall was repainted.' }, 2020],
    [
      'when the picture’s own time is not known',
      { caption: 'The hall', before: 'The hall was repainted in 2024.' },
      null,
    ],
  ])('says nothing of what was changed: %s', (_, around, taken) => {
    expect(said(around, taken)).toBeNull();
  });

  it.each<[string, Around, boolean]>([
    ['who retired', { alt: 'Edmund Garrick', after: 'Edmund Garrick retired in May 2024.' }, true],
    ['who has gone, by the caption', { caption: 'Jost Petri, im Ruhestand' }, true],
    [
      'somebody else who retired',
      { alt: 'Joan Tarrant', after: 'Roma Pettifer retired in May 2024.' },
      false,
    ],
    ['nobody', { alt: 'Joan Tarrant', after: 'She teaches on Mondays.' }, false],
  ])('tells of people: %s', (_, around, isTold) => {
    expect(said(around, null, 'portrait') !== null).toBe(isTold);
  });
});
