import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { frameOf, votedAlignments, type Match } from './align';

const share = fc.double({ min: 0.05, max: 0.95, noNaN: true });
const plane = (width: number, height: number) => ({ width, height, data: new Uint8Array(width * height) });

/** Pairs of places that agree on a scale and a shift, but for a little trembling. */
function agreeing(
  scale: number,
  dx: number,
  dy: number,
  places: readonly (readonly [number, number])[],
): Match[] {
  return places.map(([x, y], n) => {
    const tremble = n % 2 === 0 ? 0.002 : -0.002;
    return {
      from: { x, y, size: 0.1 },
      to: { x: scale * x + dx + tremble, y: scale * y + dy - tremble, size: 0.1 * scale },
    };
  });
}

const side = fc.constantFrom(0.06, 0.075, 0.1);
const coarse = fc.integer({ min: 1, max: 12 }).map((n) => n / 25);
const landmark = fc.record({ x: coarse, y: coarse, size: side });

/** Whether a pair agrees with another on where the one picture lies in the other. */
function agrees({ from, to }: Match, centre: Match): boolean {
  const scale = centre.to.size / centre.from.size;
  const [dx, dy] = [centre.to.x - scale * centre.from.x, centre.to.y - scale * centre.from.y];
  return (
    Math.abs(Math.log(to.size / from.size) - Math.log(scale)) < 0.22 &&
    Math.abs(scale * from.x + dx - to.x) < 0.05 &&
    Math.abs(scale * from.y + dy - to.y) < 0.05
  );
}

/** The largest number of open pairs that agree with one of them; what is left is asked again. */
function greedily(matches: readonly Match[], most: number): { votes: number }[] {
  let open = matches.toSorted(
    (a, b) => Math.log(a.to.size / a.from.size) - Math.log(b.to.size / b.from.size),
  );
  const found: { votes: number }[] = [];
  while (found.length < most && open.length > 0) {
    const all = open.map((centre) => open.filter((one) => agrees(one, centre)));
    const best = all.reduce((largest, one) => (one.length > largest.length ? one : largest));
    open = open.filter((one) => !best.includes(one));
    const [froms, tos] = [best.map(({ from }) => from), best.map(({ to }) => `${to.x} ${to.y}`)];
    found.push({ votes: Math.min(new Set(froms).size, new Set(tos).size) });
  }
  return found;
}

describe('votedAlignments', () => {
  it('finds the scale and shift that most pairs agree on, whatever stands beside them', () =>
    fc.assert(
      fc.property(
        fc.double({ min: 0.4, max: 2, noNaN: true }),
        share,
        share,
        fc.uniqueArray(fc.tuple(share, share), { minLength: 12, maxLength: 30, selector: ([x, y]) => `${x.toFixed(2)} ${y.toFixed(2)}` }),
        (scale, dx, dy, places) => {
          const noise = places.slice(0, 5).map(([x, y]): Match => ({ from: { x, y, size: 0.1 }, to: { x: y, y: 1 - x, size: 0.31 } }));
          const [best] = votedAlignments([...agreeing(scale, dx, dy, places), ...noise], 3);
          expect(best?.scale).toBeCloseTo(scale, 0.7);
          expect(best?.votes).toBeGreaterThan(places.length / 2);
          const [x, y] = [0.5, 0.5];
          expect((best?.scale ?? 0) * x + (best?.dx ?? 0)).toBeCloseTo(scale * x + dx, 1);
          expect((best?.scale ?? 0) * y + (best?.dy ?? 0)).toBeCloseTo(scale * y + dy, 1);
        },
      ),
      { numRuns: 60 },
    )); // oxfmt-ignore

  it('finds as many that agree as holding every pair against every other does', () =>
    fc.assert(
      fc.property(
        fc.array(
          fc.record({
            from: fc.record({ x: share, y: share, size: fc.double({ min: 0.02, max: 0.2, noNaN: true }) }),
            to: fc.record({ x: share, y: share, size: fc.double({ min: 0.02, max: 0.2, noNaN: true }) }),
          }),
          { minLength: 1, maxLength: 40 },
        ),
        (matches) => {
          const most = Math.max(
            ...matches.map((centre) => {
              const ones = matches.filter((one) => agrees(one, centre));
              return Math.min(ones.length, new Set(ones.map(({ from }) => from)).size);
            }),
          );
          expect(votedAlignments(matches, 1)[0]?.votes).toBe(most);
        },
      ),
    ));

  it('finds one after the other as holding every open pair against every other does', () =>
    fc.assert(
      fc.property(
        fc.array(fc.record({ from: landmark, to: landmark }), { minLength: 1, maxLength: 120, size: 'max' }),
        fc.integer({ min: 1, max: 5 }),
        (matches, most) => {
          const found = votedAlignments(matches, most);
          expect(found.map(({ votes }) => votes)).toEqual(greedily(matches, most).map(({ votes }) => votes));
        },
      ),
    ));

  it('counts a landmark once, however many it is like', () => {
    const one = { x: 0.5, y: 0.5, size: 0.1 };
    const matches = [0.5, 0.502, 0.504, 0.506].map((x) => ({ from: one, to: { x, y: 0.5, size: 0.1 } }));
    expect(votedAlignments(matches, 1)[0]?.votes).toBe(1);
  });

  it('gives no more than are asked for, and none of nothing', () => {
    const far = [0, 0.3, 0.6].flatMap((dx) => agreeing(1, dx, 0, [[0.1, 0.1], [0.3, 0.2], [0.2, 0.4]])); // oxfmt-ignore
    expect(votedAlignments(far, 2)).toHaveLength(2);
    expect(votedAlignments([], 3)).toEqual([]);
  });
});

describe('frameOf', () => {
  it.each([
    ['the same picture', { scale: 1, dx: 0, dy: 0 }, [300, 200], [600, 400], [0, 0, 1, 1]],
    ['the middle square of a landscape', { scale: 2 / 3, dx: 1 / 6, dy: 0 }, [100, 100], [300, 200], [1 / 6, 0, 2 / 3, 1]],
    ['a picture with a border around it', { scale: 0.8, dx: 0.1, dy: 0.1 }, [200, 200], [250, 250], [0.1, 0.1, 0.8, 0.8]],
    ['an upright part of a landscape', { scale: 0.5, dx: 0.25, dy: 0 }, [50, 100], [300, 150], [0.25, 0, 0.25, 1]],
  ] as const)('of %s', (_, alignment, own, other, [left, top, width, height]) => {
    const frame = frameOf(alignment, plane(own[0], own[1]), plane(other[0], other[1]));
    expect(frame.left).toBeCloseTo(left, 6);
    expect(frame.top).toBeCloseTo(top, 6);
    expect(frame.width).toBeCloseTo(width, 6);
    expect(frame.height).toBeCloseTo(height, 6);
  }); // oxfmt-ignore
});
