import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { fitOf, rarities, type PutIn, type PutOut } from './fit';
import { assigned, pairUp } from './pair-up';
import type { Slot } from './slot';

const slot = (widthPx: number, heightPx: number, shape: Slot['shape'] = 'fixed'): Slot => ({ widthPx, heightPx, shape, from: 'declared', css: null }); // oxfmt-ignore
const out = (words: string, slots: readonly Slot[] = [slot(800, 600)], years: number[] = []): PutOut => ({ slots, words: words.split(' '), years }); // oxfmt-ignore
const come = (words: string, widthPx = 1600, heightPx = 1200, year: number | null = null): PutIn => ({ widthPx, heightPx, words: words.split(' '), year, isSame: false }); // oxfmt-ignore
const even = () => 1;
const partOf = (fit: ReturnType<typeof fitOf>, name: string) => fit.parts.find(({ part }) => part === name);

describe('a fit', () => {
  it.each([
    ['the same shape, large enough', come('a', 1600, 1200), { keeps: 1, lacks: 1 }],
    ['a wide picture for a place that is less wide', come('a', 3200, 1200), { keeps: 0.5, lacks: 1 }],
    ['half as large as the place', come('a', 400, 300), { keeps: 1, lacks: 2 }],
    ['upright for a place that lies', come('a', 600, 800), { keeps: 450 / 800, lacks: 800 / 600 }],
  ])('of %s', (_, candidate, { keeps, lacks }) => {
    const fit = fitOf(out('a'), candidate, even);
    expect(partOf(fit, 'shape')).toMatchObject({ keeps: expect.closeTo(keeps) as number });
    expect(partOf(fit, 'size')).toMatchObject({ lacks: expect.closeTo(lacks) as number });
  });

  it('asks nothing of shape and size where a place takes any', () => {
    const fit = fitOf(out('a', [slot(2000, 2000, 'free')]), come('b', 300, 900), even);
    expect([partOf(fit, 'shape')?.score, partOf(fit, 'size')?.score]).toEqual([1, 1]);
  });

  it('tells the words in common, the rarest first, whatever their endings', () => {
    const rarityOf = rarities([
      out('music lessons violin'),
      out('music choir'),
      come('music violins lesson'),
    ]);
    expect(partOf(fitOf(out('music lessons violin'), come('music violins lesson'), rarityOf), 'words')).toMatchObject({ shared: ['violins', 'lesson', 'music'] }); // oxfmt-ignore
  });

  it.each([
    [[2025], 2025, 1],
    [[2023, 2024], 2025, 0.5],
    [[2019], 2025, 0],
  ])('of places that speak of %j for a picture of %i', (years, year, score) => {
    expect(partOf(fitOf(out('a', [], years), come('b', 9, 9, year), even), 'date')?.score).toBe(score);
  });

  it('is whole for the same picture, larger', () => {
    expect(fitOf(out('a'), { ...come('b'), isSame: true }, even).score).toBe(1);
  });
});

describe('an assignment', () => {
  /** Every way to give rows columns, the cheapest sum. */
  const cheapest = (
    costs: readonly (readonly number[])[],
    row = 0,
    taken: readonly number[] = [],
  ): number => {
    if (row === costs.length) return 0;
    const free = (costs[row] ?? []).map((_, column) => column).filter((column) => !taken.includes(column));
    return Math.min(...free.map((column) => (costs[row]?.[column] ?? 0) + cheapest(costs, row + 1, [...taken, column]))); // oxfmt-ignore
  };

  it('costs as little as the best of all', () => {
    const cost = fc.integer({ min: -20, max: 20 });
    const matrix = fc.integer({ min: 1, max: 5 }).chain((rows) => fc.integer({ min: rows, max: 6 }).chain((columns) => fc.array(fc.array(cost, { minLength: columns, maxLength: columns }), { minLength: rows, maxLength: rows }))); // oxfmt-ignore
    fc.assert(
      fc.property(matrix, (costs) => {
        const columns = assigned(costs);
        expect(new Set(columns).size).toBe(costs.length);
        expect(columns.reduce<number>((sum, column, row) => sum + (costs[row]?.[column ?? -1] ?? 1e9), 0)).toBe(cheapest(costs)); // oxfmt-ignore
      }),
    );
  });

  it('leaves out the rows that cost most where there are too few columns', () => {
    expect(assigned([[5], [1], [3]])).toEqual([null, 0, null]);
    expect(assigned([[], []])).toEqual([null, null]);
    expect(assigned([])).toEqual([]);
  });
});

describe('pairs', () => {
  it('go by what the places speak of, for all together', () => {
    const outs = [out('lessons violin teacher'), out('choir summer concert'), out('lessons drums')];
    const candidates = [come('drums workshop'), come('violin lesson'), come('summer concert choir'), come('caretaker')]; // oxfmt-ignore
    const pairs = pairUp(outs, candidates);
    expect(pairs.map(({ candidate }) => candidate)).toEqual([1, 2, 0]);
  });

  it('fall back on shape where nothing is said', () => {
    const outs = [out('a', [slot(600, 900)]), out('b', [slot(900, 600)])];
    expect(pairUp(outs, [come('c', 1500, 1000), come('d', 1000, 1500)]).map(({ candidate }) => candidate)).toEqual([1, 0]); // oxfmt-ignore
  });

  it('has none for the picture that suits worst where too few come', () => {
    const pairs = pairUp([out('choir'), out('organ')], [come('organ loft')]);
    expect(pairs).toMatchObject([{ candidate: null, fit: null }, { candidate: 0 }]);
  });
});
