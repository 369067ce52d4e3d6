/** What the kernels give, beside the same as its definition says it. */
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { WHOLE, type GreyPlane } from '../grey-plane';
import {
  BLOCK,
  BLOCK_SUMS,
  comparedParts,
  comparedSamples,
  correlationOf,
  momentsOf,
  resample,
  slopeSums,
  type Overlay,
} from './comparing';

/** A plane whose samples are drawn; `spread` is how far apart they lie, since nearly even ones lose most to rounding. */
const drawn = (least: number, most: number) =>
  fc
    .record({
      width: fc.integer({ min: least, max: most }),
      height: fc.integer({ min: least, max: most }),
      seed: fc.integer(),
      spread: fc.constantFrom(1, 16, 255),
    })
    .map(({ width, height, seed, spread }): GreyPlane & { readonly data: Float32Array } => {
      let state = seed | 1;
      const next = () => (((state = Math.imul(state, 1664525) + 1013904223) >>> 16) & 255) / 255;
      return {
        width,
        height,
        data: Float32Array.from({ length: width * height }, () => 255 - spread * next()),
      };
    });

const laid = fc
  .tuple(
    drawn(4, 40),
    drawn(4, 40),
    fc.tuple(...[0, 1, 2, 3].map(() => fc.double({ min: 0, max: 1, noNaN: true }))),
  )
  .map(([mine, theirs, [wide, left, high, top]]): Overlay => {
    // Anywhere within both, from a tenth of a sample a point up to as many as there is room for.
    const along = (own: number, points: number, share: number, from: number) => {
      const step = 0.1 + share * ((own - 1.1) / (points - 1) - 0.1);
      return { step, start: from * (own - 1.001 - step * (points - 1)) };
    };
    const x = along(mine.width, theirs.width, wide as number, left as number);
    const y = along(mine.height, theirs.height, high as number, top as number);
    return {
      ...{ mine, theirs, ax: x.step, bx: x.start, ay: y.step, by: y.start },
      ...{ firstX: 0, lastX: theirs.width - 1, firstY: 0, lastY: theirs.height - 1 },
      n: theirs.width * theirs.height,
    };
  })
  .filter(
    ({ mine, theirs }) => theirs.width * 0.1 < mine.width - 1.2 && theirs.height * 0.1 < mine.height - 1.2,
  );

/** Every point of the grid: brightness of what is laid over, its slopes, the place from the middle, the other's brightness. */
function points({ mine, theirs, ax, bx, ay, by, lastX, lastY }: Overlay) {
  const all = [];
  for (let y = 0; y <= lastY; y++) {
    for (let x = 0; x <= lastX; x++) {
      const [mx, my] = [ax * x + bx, ay * y + by];
      const [x0, y0] = [Math.floor(mx), Math.floor(my)];
      const [fx, fy] = [mx - x0, my - y0];
      const at = (dx: number, dy: number) => mine.data[(y0 + dy) * mine.width + x0 + dx] as number;
      const [above, below] = [at(1, 0) - at(0, 0), at(1, 1) - at(0, 1)];
      const p = (at(0, 0) + fx * above) * (1 - fy) + (at(0, 1) + fx * below) * fy;
      const v = at(0, 1) + fx * below - at(0, 0) - fx * above;
      const q = theirs.data[y * theirs.width + x] as number;
      all.push({ p, u: above + fy * (below - above), v, x: x - lastX / 2, y: y - lastY / 2, q });
    }
  }
  return all;
}

const sum = (all: readonly number[]) => all.reduce((a, b) => a + b, 0);
/** Sum of products about the means. */
const product = (a: readonly number[], b: readonly number[]) =>
  sum(a.map((one, n) => one * (b[n] as number))) - (sum(a) * sum(b)) / a.length;
/** Within a share of what could be at most, and of one unit. */
const near = (found: number, wanted: number, most: number) =>
  expect(Math.abs(found - wanted)).toBeLessThan(1e-4 * (1 + Math.abs(most)));

describe('kernels', () => {
  it('correlate what two planes both show, and nothing with an even one', () =>
    fc.assert(
      fc.property(laid, fc.constantFrom(0.001, 40), (overlay, flat) => {
        const all = points(overlay);
        const [p, q] = [all.map((one) => one.p), all.map((one) => one.q)];
        const [aa, bb] = [product(p, p), product(q, q)];
        const least = Math.min(aa, bb) / all.length;
        fc.pre(Math.abs(least - flat) > 0.001 * flat);
        near(correlationOf(overlay, flat), least < flat ? 0 : product(p, q) / Math.sqrt(aa * bb), 1);
      }),
      { numRuns: 100 },
    ));

  it('sum up slopes, and their products with each other and with the brightness of the other', () =>
    fc.assert(
      fc.property(laid, (overlay) => {
        const all = points(overlay);
        const unknowns = [
          all.map(({ p }) => p),
          all.map(({ u, x }) => u * x),
          all.map(({ u }) => u),
          all.map(({ v, y }) => v * y),
          all.map(({ v }) => v),
        ];
        const q = all.map((one) => one.q);
        const found = slopeSums(overlay);
        const n = all.length;
        const sq = found[25] as number;
        near((found[26] as number) - (sq * sq) / n, product(q, q), product(q, q));
        let at = 10;
        unknowns.forEach((one, i) => {
          const size = Math.sqrt(product(one, one));
          near(
            (found[5 + i] as number) - ((found[i] as number) * sq) / n,
            product(one, q),
            size * Math.sqrt(product(q, q)),
          );
          for (let j = i; j < unknowns.length; j++) {
            const other = unknowns[j] as number[];
            const about = ((found[i] as number) * (found[j] as number)) / n;
            near(
              (found[at++] as number) - about,
              product(one, other),
              size * Math.sqrt(product(other, other)),
            );
          }
        });
      }),
      { numRuns: 100 },
    ));

  it('give means, variances and covariance, of even samples too', () =>
    fc.assert(
      fc.property(drawn(1, 40), drawn(40, 50), ({ data }, other) => {
        const [a, b] = [[...data], [...other.data.subarray(0, data.length)]];
        const found = momentsOf(data, other.data.subarray(0, data.length));
        const n = a.length;
        near(found.meanA, sum(a) / n, 1);
        near(found.meanB, sum(b) / n, 1);
        near(found.aa, product(a, a) / n, product(a, a) / n);
        near(found.bb, product(b, b) / n, product(b, b) / n);
        near(found.ab, product(a, b) / n, Math.sqrt(product(a, a) * product(b, b)) / n);
      }),
      { numRuns: 100 },
    ));

  it('sum up each block, and leave out what is left over at the right and below', () =>
    fc.assert(
      fc.property(drawn(1, 40), fc.integer(), ({ width, height, data }, seed) => {
        const b = data.map((value, i) => value / 2 + ((Math.imul(i + 1, seed | 1) >>> 25) & 63));
        const { blocks, detail } = comparedSamples(data, b, [width, height]);
        const columns = Math.floor(width / BLOCK);
        expect(blocks).toHaveLength(BLOCK_SUMS * columns * Math.floor(height / BLOCK));
        let squares = 0;
        for (let block = 0; block * BLOCK_SUMS < blocks.length; block++) {
          const [left, top] = [(block % columns) * BLOCK, Math.floor(block / columns) * BLOCK];
          const inside = (samples: Float32Array) =>
            [...samples].filter((_, i) => {
              const [x, y] = [(i % width) - left, Math.floor(i / width) - top];
              return x >= 0 && x < BLOCK && y >= 0 && y < BLOCK;
            });
          near(blocks[block * BLOCK_SUMS] as number, sum(inside(data)), sum(inside(data)));
          near(blocks[block * BLOCK_SUMS + 1] as number, sum(inside(b)), sum(inside(b)));
          squares += blocks[block * BLOCK_SUMS + 2] as number;
        }
        // Of detail, which has a mean of its own: no more than there is in all, and all of it where nothing is left over.
        const all = (detail.aa + detail.meanA ** 2) * width * height;
        if (width % BLOCK === 0 && height % BLOCK === 0) near(squares, all, all);
        else expect(squares).toBeLessThanOrEqual(all * 1.0001 + 0.01);
      }),
      { numRuns: 100 },
    ));

  it('compare a rectangle of two parts as if they were cut before', () =>
    fc.assert(
      fc.property(drawn(8, 40), drawn(8, 40), ({ width, height, data }, other) => {
        const inside = { left: 1, top: 2, width: width - 3, height: height - 5 };
        const [one, two] = [{ width, height, data }, other].map((plane) => ({ plane, rect: WHOLE }));
        const compared = comparedParts(one!, two!, [width, height], { insideOf: () => inside });
        const cut = [data, resample(other, WHOLE, [width, height])].map((samples) =>
          samples.filter((_, i) => {
            const [x, y] = [(i % width) - inside.left, Math.floor(i / width) - inside.top];
            return x >= 0 && y >= 0 && x < inside.width && y < inside.height;
          }),
        );
        expect(compared).toEqual(comparedSamples(cut[0]!, cut[1]!, [inside.width, inside.height]));
      }),
      { numRuns: 50 },
    ));

  it('take a plane that lies there from the call before, and another of its size for another', () => {
    const even = (tone: number) => ({ width: 30, height: 20, data: new Float32Array(600).fill(tone) });
    const [dark, light] = [even(10), even(200)];
    const toneOf = (plane: GreyPlane) => Math.round(resample(plane, WHOLE, [2, 1])[0]!);
    const means = () => momentsOf(light.data, dark.data);
    expect([dark, dark, light, dark].map(toneOf)).toEqual([10, 10, 200, 10]);
    expect([means(), means()].map(({ meanA, meanB }) => [meanA, meanB])).toEqual([
      [200, 10],
      [200, 10],
    ]);
    // What lay second is overwritten by a larger first, and no longer what lies there.
    resample({ width: 300, height: 200, data: new Float32Array(60_000).fill(77) }, WHOLE, [2, 1]);
    expect(toneOf(light)).toBe(200);
    expect(means()).toMatchObject({ meanA: 200, meanB: 10 });
  });

  it('have room for a plane of any size', () => {
    const [width, height] = [3000, 2000];
    const data = new Uint8Array(width * height).fill(7);
    data.fill(9, data.length / 2);
    const halves = resample({ width, height, data }, { left: 0, top: 0, width: 1, height: 1 }, [2, 2]);
    expect([...halves]).toEqual([7, 7, 9, 9].map((value) => expect.closeTo(value, 3)));
  });
});
