/**
 * Hashes in tables by a part of their bits (locality-sensitive hashing): those near one are found without going through
 * all. Plain arrays of numbers, since there are some two hundred hashes a picture.
 */
import { bitsOf, type DctHash } from './dct-hash';

/**
 * Bits of a hash that make the key of each table, those first that count most: low frequencies, which change least. How
 * many of them are taken depends on how many hashes there will be.
 */
const KEYS: readonly (readonly number[])[] = [
  [1, 8, 17, 16, 4, 24, 10, 25, 2, 9, 26, 11, 5, 13, 3, 32, 48, 18, 40, 19, 41, 12],
  [8, 2, 9, 1, 16, 3, 33, 11, 18, 4, 24, 19, 17, 41, 10, 32, 34, 25, 26, 48, 27, 12],
  [16, 9, 8, 3, 1, 4, 18, 11, 2, 33, 17, 25, 24, 20, 41, 10, 13, 12, 34, 32, 5, 19],
  [1, 9, 16, 10, 17, 8, 3, 32, 2, 40, 33, 11, 4, 41, 25, 24, 5, 12, 19, 34, 18, 13],
];
const FEWEST_BITS = 18;
const MOST_BITS = 22;
/** So many hashes a key are few enough to go through, and too few would mean that near ones have other keys. */
const WANTED_PER_KEY = 8;

/** The bits of a table's key as masks: two hashes have the same key where they do not differ under them. */
interface Mask {
  readonly low: number;
  readonly high: number;
}

function maskOf(bits: readonly number[]): Mask {
  return {
    low: bits.filter((bit) => bit < 32).reduce((mask, bit) => mask | (1 << bit), 0),
    high: bits.filter((bit) => bit >= 32).reduce((mask, bit) => mask | (1 << (bit - 32)), 0),
  };
}

function keyOf(low: number, high: number, bits: readonly number[]): number {
  let key = 0;
  for (const bit of bits) key = (key << 1) | ((bit < 32 ? low >>> bit : high >>> (bit - 32)) & 1);
  return key;
}

/** A hash takes eight numbers that lie together, since to fetch them is what finding costs: low, high, the next of each table, its picture. */
const SLOT = 8;
const NEXT = 2;
const PICTURE = 6;

/** Hashes with the number of the picture that each belongs to, and where in it. */
export class HashTables {
  private readonly keys: readonly (readonly number[])[];
  private readonly masks: readonly Mask[];
  private readonly heads: readonly Int32Array[];
  private slots = new Int32Array(SLOT * 1024);
  /** Three numbers of each hash. */
  private details = new Float32Array(3 * 1024);
  private count = 0;

  /** @param expected about how many hashes will come; more may */
  constructor(expected: number) {
    const wanted = Math.ceil(Math.log2(Math.max(1, expected / WANTED_PER_KEY)));
    const bits = Math.min(MOST_BITS, Math.max(FEWEST_BITS, wanted));
    this.keys = KEYS.map((all) => all.slice(0, bits));
    this.masks = this.keys.map(maskOf);
    this.heads = this.keys.map(() => new Int32Array(1 << bits).fill(-1));
  }

  add({ low, high }: DctHash, picture: number, details: readonly [number, number, number]): void {
    if (SLOT * this.count === this.slots.length) this.grow();
    const at = this.count++;
    const slot = SLOT * at;
    this.slots[slot] = low;
    this.slots[slot + 1] = high;
    this.slots[slot + PICTURE] = picture;
    this.details.set(details, 3 * at);
    for (let table = 0; table < KEYS.length; table++) {
      const heads = this.heads[table]!;
      const key = keyOf(low, high, this.keys[table]!);
      this.slots[slot + NEXT + table] = heads[key]!;
      heads[key] = at;
    }
  }

  /** Calls `meet` once for every hash that is within so many bits and has the same key in one of the tables. */
  near({ low, high }: DctHash, distance: number, meet: (at: number, distance: number) => void): void {
    const { slots } = this;
    for (let table = 0; table < KEYS.length; table++) {
      const next = NEXT + table;
      for (let at = this.heads[table]![keyOf(low, high, this.keys[table]!)]!; at >= 0;) {
        const slot = SLOT * at;
        const differsLow = slots[slot]! ^ low;
        const differsHigh = slots[slot + 1]! ^ high;
        const apart = bitsOf(differsLow) + bitsOf(differsHigh);
        if (apart <= distance && !this.wasMet(differsLow, differsHigh, table)) meet(at, apart);
        at = slots[slot + next]!;
      }
    }
  }

  pictureOf(at: number): number {
    return this.slots[SLOT * at + PICTURE]!;
  }

  /** @param n 0 to 2: which of its details */
  detailOf(at: number, n: number): number {
    return this.details[3 * at + n]!;
  }

  /** By half as much again: there may be very many. */
  private grow(): void {
    const capacity = Math.ceil((this.slots.length / SLOT) * 1.5);
    const slots = new Int32Array(SLOT * capacity);
    slots.set(this.slots);
    this.slots = slots;
    const details = new Float32Array(3 * capacity);
    details.set(this.details);
    this.details = details;
  }

  /** Whether an earlier table has the same key for both, and so has met it. */
  private wasMet(differsLow: number, differsHigh: number, table: number): boolean {
    for (let earlier = 0; earlier < table; earlier++) {
      const mask = this.masks[earlier]!;
      if ((differsLow & mask.low) === 0 && (differsHigh & mask.high) === 0) return true;
    }
    return false;
  }
}
