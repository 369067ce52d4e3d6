import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { hashDistance, type DctHash } from './dct-hash';
import { HashTables } from './hash-tables';

const hash: fc.Arbitrary<DctHash> = fc.record({ low: fc.integer(), high: fc.integer() });
const turned = ({ low, high }: DctHash, bits: readonly number[]): DctHash =>
  bits.reduce(
    (one, bit) =>
      bit < 32 ? { ...one, low: one.low ^ (1 << bit) } : { ...one, high: one.high ^ (1 << (bit - 32)) },
    { low, high },
  );

describe('HashTables', () => {
  it('finds a hash by itself, once, with its picture and its details', () =>
    fc.assert(
      fc.property(
        fc.uniqueArray(hash, { minLength: 1, maxLength: 40, selector: (h) => `${h.low} ${h.high}` }),
        (all) => {
          const tables = new HashTables(10);
          all.forEach((one, n) => tables.add(one, 100 + n, [n, 0.5, 0.25]));
          all.forEach((one, n) => {
            const met: number[] = [];
            tables.near(one, 0, (at) => met.push(at));
            expect(met).toEqual([n]);
            expect(tables.pictureOf(n)).toBe(100 + n);
            expect([0, 1, 2].map((k) => tables.detailOf(n, k))).toEqual([n, 0.5, 0.25]);
          });
        },
      ),
    ));

  it('meets nothing twice and nothing too far, however many tables know it', () =>
    fc.assert(
      fc.property(
        hash,
        fc.array(fc.uniqueArray(fc.integer({ min: 0, max: 63 }), { maxLength: 12 }), { maxLength: 30 }),
        (one, changes) => {
          const tables = new HashTables(1000);
          const others = changes.map((bits) => turned(one, bits));
          others.forEach((other, n) => tables.add(other, n, [0, 0, 0]));
          const met: number[] = [];
          tables.near(one, 5, (at, distance) => {
            expect(distance).toBe(hashDistance(one, others[at] as DctHash));
            met.push(at);
          });
          expect(new Set(met).size).toBe(met.length);
          for (const at of met) expect(hashDistance(one, others[at] as DctHash)).toBeLessThanOrEqual(5);
        },
      ),
    ));

  it('finds most of those that differ in a few bits', () => {
    const tables = new HashTables(1000);
    const one = { low: 0x1234567, high: 0x7654321 };
    let count = 0;
    for (let first = 0; first < 64; first++)
      for (let second = first + 1; second < 64; second += 7)
        tables.add(turned(one, [first, second]), count++, [0, 0, 0]);
    let met = 0;
    tables.near(one, 2, () => met++);
    expect(met / count).toBeGreaterThan(0.6);
  });

  it('holds more than it expected', () => {
    const tables = new HashTables(1);
    for (let n = 0; n < 5000; n++) tables.add({ low: n, high: -n }, n, [0, 0, 0]);
    const met: number[] = [];
    tables.near({ low: 4321, high: -4321 }, 0, (at) => met.push(tables.pictureOf(at)));
    expect(met).toEqual([4321]);
  });
});
