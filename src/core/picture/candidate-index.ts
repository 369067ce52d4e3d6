/**
 * Finds, among very many pictures, those that may show the same: by the hashes of whole pictures and by landmarks,
 * looked up in tables of a part of their bits (locality-sensitive hashing), so that the search does not go through all.
 */
import { votedAlignments, type Match, type Place, type Vote } from './align';
import { bitsOf, mirroredHash, type DctHash } from './dct-hash';
import type { Fingerprint } from './fingerprint';

/** Bits of a hash that make the key of each table: low frequencies, which change least. */
const KEYS: readonly (readonly number[])[] = [
  [1, 2, 3, 8, 9, 10, 11, 16, 17, 18, 24, 25, 32],
  [1, 2, 8, 9, 16, 4, 5, 12, 19, 26, 33, 40, 10],
  [1, 8, 2, 16, 3, 24, 13, 20, 27, 34, 41, 17, 9],
];
const KEY_BITS = 13;
/** Bits in which landmarks of the same blob may differ. */
const LANDMARK_DISTANCE = 19;
/** Distance up to which whole pictures, or the middle of one, may be the same. */
export const WHOLE_DISTANCE = 12;
/** Pictures whose landmarks are put to the vote, and pairs of landmarks of each. */
const VOTED = 48;
const MOST_MATCHES = 300;
/** Alignments of each picture that are given, and landmarks that must agree on one. */
const TRIED = 4;
const LEAST_VOTES = 2;

/** What of a fingerprint is looked up. */
export interface Searchable extends Pick<Fingerprint, 'hash' | 'squareHash' | 'landmarks'> {
  readonly plane: Pick<Fingerprint['plane'], 'width' | 'height'>;
}

export interface Candidate {
  /** Number of the picture in the index. */
  readonly picture: number;
  readonly isMirrored: boolean;
  /** Distance of the hashes of the wholes, or of their middles, in bits. */
  readonly wholeDistance: number;
  /** How it may lie there, by the landmarks that both have; the likeliest first. */
  readonly alignments: readonly Vote[];
}

function keyOf(low: number, high: number, table: number): number {
  let key = 0;
  for (const bit of KEYS[table] as readonly number[])
    key = (key << 1) | ((bit < 32 ? low >>> bit : high >>> (bit - 32)) & 1);
  return key;
}

/** Grows by doubling; indexes of postings. */
class Postings {
  private readonly heads: Int32Array[] = KEYS.map(() => new Int32Array(1 << KEY_BITS).fill(-1));
  private readonly sizes: Int32Array[] = KEYS.map(() => new Int32Array(1 << KEY_BITS));
  private next: Int32Array[] = KEYS.map(() => new Int32Array(1024));
  low = new Int32Array(1024);
  high = new Int32Array(1024);
  picture = new Int32Array(1024);
  /** Three numbers each: middle across and down, and size. */
  places = new Float32Array(3 * 1024);
  count = 0;

  add(hash: DctHash, picture: number, { x, y, size }: Place): void {
    if (this.count === this.low.length) this.grow();
    const at = this.count++;
    this.low[at] = hash.low;
    this.high[at] = hash.high;
    this.picture[at] = picture;
    this.places.set([x, y, size], 3 * at);
    for (let table = 0; table < KEYS.length; table++) {
      const key = keyOf(hash.low, hash.high, table);
      const heads = this.heads[table] as Int32Array;
      (this.next[table] as Int32Array)[at] = heads[key] as number;
      heads[key] = at;
      (this.sizes[table] as Int32Array)[key]! += 1;
    }
  }

  /** Calls `meet` for every posting near a hash; one that several tables find is met as often. */
  near(hash: DctHash, distance: number, meet: (at: number, distance: number) => void): void {
    for (let table = 0; table < KEYS.length; table++) {
      const key = keyOf(hash.low, hash.high, table);
      const next = this.next[table] as Int32Array;
      for (let at = (this.heads[table] as Int32Array)[key] as number; at >= 0; at = next[at] as number) {
        const d = bitsOf((this.low[at] as number) ^ hash.low) + bitsOf((this.high[at] as number) ^ hash.high);
        if (d <= distance) meet(at, d);
      }
    }
  }

  private grow(): void {
    const longer = (old: Int32Array) => {
      const grown = new Int32Array(old.length * 2);
      grown.set(old);
      return grown;
    };
    this.low = longer(this.low);
    this.high = longer(this.high);
    this.picture = longer(this.picture);
    const places = new Float32Array(this.places.length * 2);
    places.set(this.places);
    this.places = places;
    this.next = this.next.map(longer);
  }
}

/** What a picture has in common with what is looked for. */
interface Common {
  readonly picture: number;
  readonly isMirrored: boolean;
  whole: number;
  readonly matches: Map<number, Match>;
}

const MIDDLE: Place = { x: 0.5, y: 0.5, size: 1 };

export class CandidateIndex {
  private readonly wholes = new Postings();
  private readonly blobs = new Postings();
  private count = 0;

  /** Adds a picture and gives its number, from 0. */
  add({ hash, squareHash, landmarks }: Searchable): number {
    const picture = this.count++;
    this.wholes.add(hash, picture, MIDDLE);
    this.wholes.add(squareHash, picture, MIDDLE);
    for (const landmark of landmarks) this.blobs.add(landmark, picture, landmark);
    return picture;
  }

  /** Pictures that may show the same, those with most in common first. */
  find(wanted: Searchable, most: number): Candidate[] {
    return [...this.common(wanted, false), ...this.common(wanted, true)]
      .sort((a, b) => firstWorth(b) - firstWorth(a))
      .slice(0, VOTED)
      .map(({ picture, isMirrored, whole, matches }) => ({
        ...{ picture, isMirrored, wholeDistance: whole },
        alignments: votedAlignments([...matches.values()].slice(0, MOST_MATCHES), TRIED).filter(
          ({ votes }) => votes >= LEAST_VOTES,
        ),
      }))
      .filter(({ wholeDistance, alignments }) => wholeDistance <= WHOLE_DISTANCE || alignments.length > 0)
      .sort((a, b) => worth(b) - worth(a))
      .slice(0, most);
  }

  private common({ plane, hash, squareHash, landmarks }: Searchable, isMirrored: boolean): Common[] {
    const found = new Map<number, Common>();
    const entry = (picture: number): Common => {
      let known = found.get(picture);
      if (!known) found.set(picture, (known = { picture, isMirrored, whole: 64, matches: new Map() }));
      return known;
    };
    const facing = (of: DctHash) => (isMirrored ? mirroredHash(of) : of);
    for (const whole of [facing(hash), facing(squareHash)]) {
      this.wholes.near(whole, WHOLE_DISTANCE, (at, distance) => {
        const known = entry(this.wholes.picture[at] as number);
        known.whole = Math.min(known.whole, distance);
      });
    }
    const width = plane.width / Math.max(plane.width, plane.height);
    landmarks.forEach((landmark, n) => {
      const from = isMirrored ? { ...landmark, x: width - landmark.x } : landmark;
      this.blobs.near(facing(landmark), LANDMARK_DISTANCE, (at) => {
        const { matches } = entry(this.blobs.picture[at] as number);
        const key = at * 256 + n;
        if (matches.has(key)) return;
        const [x, y, size] = this.blobs.places.subarray(3 * at, 3 * at + 3);
        matches.set(key, { from, to: { x: x!, y: y!, size: size! } });
      });
    });
    return [...found.values()];
  }
}

const nearness = (distance: number) => (distance <= WHOLE_DISTANCE ? WHOLE_DISTANCE + 2 - distance : 0);
const firstWorth = ({ matches, whole }: Common) => matches.size + 4 * nearness(whole);
const worth = ({ alignments, wholeDistance }: Candidate) =>
  (alignments[0]?.votes ?? 0) + nearness(wholeDistance);
