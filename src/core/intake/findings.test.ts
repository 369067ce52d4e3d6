import { describe, expect, it } from 'vitest';
import { findingsOf, type Arrived, type KnownThere } from './findings';

const RULES = { asked: 1200, thisYear: 2026 };
const arrived = (more: Partial<Arrived> = {}): Arrived => ({
  fileName: 'choir.jpg',
  entry: '',
  widthPx: 3000,
  heightPx: 2000,
  softness: 0.3,
  takenYear: null,
  twin: null,
  known: [],
  ...more,
});
const there = (more: Partial<KnownThere> = {}): KnownThere => ({ path: 'img/choir.jpg', pages: 4, isSameBytes: false, ownPx: 3000, therePx: 900, ownShare: 1, thereShare: 1, ...more }); // oxfmt-ignore

describe('an arriving picture', () => {
  it('of which nothing is to be said', () => {
    expect(findingsOf(arrived(), RULES)).toEqual([]);
  });

  it('that is a file of the site already says so, and nothing of looks', () => {
    const known = [there(), there({ path: 'img/same.jpg', pages: 2, isSameBytes: true })];
    expect(findingsOf(arrived({ known }), RULES)).toEqual([
      { kind: 'same bytes', path: 'img/same.jpg', pages: 2 },
    ]);
  });

  it.each([
    ['larger', {}, 3.33],
    ['smaller', { ownPx: 450 }, 0.5],
    ['same size', { ownPx: 930 }, 1.03],
    ['part of it', { thereShare: 0.5 }, 3.33],
    ['holds it', { ownShare: 0.6 }, 3.33],
  ] as const)('that shows what is there, %s', (relation, more, scale) => {
    expect(findingsOf(arrived({ known: [there(more)] }), RULES)).toMatchObject([
      { kind: 'same picture', relation, path: 'img/choir.jpg', pages: 4, scale: expect.closeTo(scale) as number }, // oxfmt-ignore
    ]);
  });

  it.each([
    ['the folder', { entry: '2024-summer/choir.jpg' }, 2024],
    ['the name', { fileName: 'concert-2022-06.jpg' }, 2022],
  ])('was taken in another year than %s says', (_, more, said) => {
    const found = findingsOf(arrived({ ...more, takenYear: 2019 }), RULES);
    expect(found).toEqual([{ kind: 'date', taken: 2019, said }]);
  });

  it.each([
    [{ entry: '2019/choir.jpg', takenYear: 2019 }],
    [{ entry: '2019-2024/choir-2022.jpg', takenYear: 2021 }],
    [{ entry: '2019/choir.jpg', takenYear: null }],
  ])('contradicts nothing: %j', (more) => {
    expect(findingsOf(arrived(more), RULES)).toEqual([]);
  });

  it('is twice, blurred and small at once', () => {
    const found = findingsOf(arrived({ twin: 'a.jpg', softness: 0.8, widthPx: 640, heightPx: 480 }), RULES);
    expect(found.map(({ kind }) => kind)).toEqual(['twice', 'blurred', 'small']);
  });
});
