/** Finds, among very many pictures, those that may show the same: by the hashes of whole pictures and by landmarks. */
import { votedAlignments, type Match, type Vote } from './align';
import { mirroredHash, type DctHash } from './dct-hash';
import { MOST_LANDMARKS } from './find-landmarks';
import { MIDDLES, type Fingerprint } from './fingerprint';
import { HashTables } from './hash-tables';

/** Bits in which landmarks of the same blob may differ. */
const LANDMARK_DISTANCE = 19;
/** Distance up to which whole pictures, or the middle of one, may be the same. */
export const WHOLE_DISTANCE = 12;
/** Pictures whose landmarks are put to the vote, and pairs of landmarks of each. */
const VOTED = 48;
const MOST_MATCHES = 200;
/** Alignments of each picture that are given, and landmarks that must agree on one. */
const TRIED = 4;
const LEAST_VOTES = 2;
/** The same of a mirrored one: few pictures are mirrored, and by chance as many seem so as not. */
const LEAST_MIRRORED = 4;

/** Numbers of each pair of landmarks that is met. */
const HIT = 3;

/** What of a fingerprint is looked up. */
export interface Searchable extends Pick<Fingerprint, 'hash' | 'squareHash' | 'middleHashes' | 'landmarks'> {
  readonly plane: Pick<Fingerprint['plane'], 'width' | 'height'>;
}

export interface Candidate {
  /** Number of the picture in the index. */
  readonly picture: number;
  readonly isMirrored: boolean;
  /** Distance of the hashes of the wholes, or of their middles, in bits. */
  readonly wholeDistance: number;
  /**
   * Widths, in shares of the other's, that it may have in the middle of it: the middle of the one has nearly the hash
   * of the other's; the nearest first.
   */
  readonly middles: readonly number[];
  /** How it may lie there, by the landmarks that both have; the likeliest first. */
  readonly alignments: readonly Vote[];
  /** How much speaks for it: landmarks that agree, or as many as the nearness of hashes is worth. */
  readonly worth: number;
}

/** What a picture has in common with what is looked for. */
interface Common {
  readonly picture: number;
  readonly isMirrored: boolean;
  whole: number;
  /** Distance of the nearest hashes of middles, and where each puts the one in the other. */
  middle: number;
  readonly middles: ReadonlyMap<number, number>;
  /** How many pairs of landmarks may be the same; of the first of them the number in the tables, and that of the own one. */
  pairs: number;
  readonly matches: number[];
}

/** Share of both sides that each hash of a picture is of; the square in the middle is of no such share. */
const SHARES: readonly number[] = [1, 0, ...MIDDLES];
const WHOLE_HASH = 0;
const SQUARE_HASH = 1;
const hashesOf = ({ hash, squareHash, middleHashes }: Omit<Searchable, 'plane' | 'landmarks'>) => [
  hash,
  squareHash,
  ...middleHashes,
];
/** Middles of each picture that are tried. */
const TRIED_MIDDLES = 2;

export class CandidateIndex {
  private readonly wholes: HashTables;
  private readonly landmarks: HashTables;
  private count = 0;
  /** Landmarks in common, by picture; kept between searches, since clearing what was touched is quicker than a new one. */
  private counts = new Uint32Array(1024);
  /** The last search's pairs of landmarks: the picture of the one, its number in the tables, and that of the other. */
  private hits = new Int32Array(HIT * 1024);

  /** @param expected about how many pictures will come; more may, and are found more slowly */
  constructor(expected: number) {
    this.wholes = new HashTables((2 + MIDDLES.length) * expected);
    this.landmarks = new HashTables(MOST_LANDMARKS * expected);
  }

  /** Adds a picture and gives its number, from 0. */
  add(looks: Searchable): number {
    const picture = this.count++;
    hashesOf(looks).forEach((hash, n) => this.wholes.add(hash, picture, [n, 0, 0]));
    for (const landmark of looks.landmarks)
      this.landmarks.add(landmark, picture, [landmark.x, landmark.y, landmark.size]);
    if (this.count > this.counts.length) this.counts = new Uint32Array(this.counts.length * 2);
    return picture;
  }

  /**
   * Pictures that may show the same, those with most in common first.
   *
   * @param isAsked says by its number which of them are of interest; the others are not looked at more closely
   */
  find(wanted: Searchable, most: number, isAsked: (picture: number) => boolean = () => true): Candidate[] {
    return [...this.common(wanted, false), ...this.common(wanted, true)]
      .sort((a, b) => firstWorth(b) - firstWorth(a))
      .slice(0, VOTED)
      .filter(({ picture }) => isAsked(picture))
      .map((common) => ({
        ...{ picture: common.picture, isMirrored: common.isMirrored, wholeDistance: common.whole },
        middles: [...common.middles]
          .sort((a, b) => a[1] - b[1])
          .slice(0, TRIED_MIDDLES)
          .map(([width]) => width),
        alignments: votedAlignments(this.matchesOf(wanted, common), TRIED).filter(
          ({ votes }) => votes >= leastVotes(common.isMirrored),
        ),
      }))
      .filter(
        ({ wholeDistance, middles, alignments }) =>
          wholeDistance <= WHOLE_DISTANCE || middles.length + alignments.length > 0,
      )
      .map((candidate) => ({ ...candidate, worth: worthOf(candidate) }))
      .sort((a, b) => b.worth - a.worth)
      .slice(0, most);
  }

  /** Numbers of the pictures whose whole has nearly that hash. */
  findWhole(hash: DctHash): number[] {
    const found = new Set<number>();
    this.wholes.near(hash, WHOLE_DISTANCE, (at) => {
      if (this.wholes.detailOf(at, 0) === WHOLE_HASH) found.add(this.wholes.pictureOf(at));
    });
    return [...found];
  }

  private common(looks: Searchable, isMirrored: boolean): Common[] {
    const { landmarks } = looks;
    const facing = (of: DctHash) => (isMirrored ? mirroredHash(of) : of);
    const wholes = new Map<number, Whole>();
    hashesOf(looks).forEach((hash, own) => {
      this.wholes.near(facing(hash), WHOLE_DISTANCE, (at, distance) => {
        const picture = this.wholes.pictureOf(at);
        const other = this.wholes.detailOf(at, 0);
        let known = wholes.get(picture);
        if (!known) wholes.set(picture, (known = { whole: FAR, middle: FAR, middles: new Map() }));
        if (Math.max(own, other) <= SQUARE_HASH) known.whole = Math.min(known.whole, distance);
        if (own === SQUARE_HASH || other === SQUARE_HASH || own === other) return;
        known.middle = Math.min(known.middle, distance);
        const width = SHARES[other]! / SHARES[own]!;
        known.middles.set(width, Math.min(distance, known.middles.get(width) ?? FAR));
      });
    });
    // Landmarks are counted first, and looked at only for the pictures that have most of them in common.
    const touched: number[] = [];
    let { hits } = this;
    let end = 0;
    landmarks.forEach((landmark, n) => {
      this.landmarks.near(facing(landmark), LANDMARK_DISTANCE, (at) => {
        const picture = this.landmarks.pictureOf(at);
        if (this.counts[picture]! === 0) touched.push(picture);
        this.counts[picture]! += 1;
        if (end === hits.length) hits = this.moreHits();
        hits[end++] = picture;
        hits[end++] = at;
        hits[end++] = n;
      });
    });
    const several = touched.filter((picture) => this.counts[picture]! >= leastVotes(isMirrored));
    several.sort((a, b) => this.counts[b]! - this.counts[a]!);
    const found = [...new Set([...wholes.keys(), ...several.slice(0, VOTED)])].map((picture): Common => {
      const { whole, middle, middles } = wholes.get(picture) ?? NOTHING;
      return { picture, isMirrored, whole, middle, middles, pairs: 0, matches: [] };
    });
    // From here on they count which of those found a picture is, from 1.
    for (const picture of touched) this.counts[picture] = 0;
    found.forEach(({ picture }, n) => (this.counts[picture] = n + 1));
    for (let i = 0; i < end; i += HIT) {
      const number = this.counts[hits[i]!]!;
      if (number === 0) continue;
      const common = found[number - 1]!;
      if (common.pairs++ < MOST_MATCHES) common.matches.push(hits[i + 1]!, hits[i + 2]!);
    }
    for (const { picture } of found) this.counts[picture] = 0;
    return found;
  }

  private matchesOf({ plane, landmarks }: Searchable, { matches, isMirrored }: Common): Match[] {
    const width = plane.width / Math.max(plane.width, plane.height);
    const found: Match[] = [];
    for (let i = 0; i < matches.length; i += 2) {
      const at = matches[i]!;
      const own = landmarks[matches[i + 1]!]!;
      const from = isMirrored ? { x: width - own.x, y: own.y, size: own.size } : own;
      const to = {
        x: this.landmarks.detailOf(at, 0),
        y: this.landmarks.detailOf(at, 1),
        size: this.landmarks.detailOf(at, 2),
      };
      found.push({ from, to });
    }
    return found;
  }

  private moreHits(): typeof this.hits {
    const hits = new Int32Array(2 * this.hits.length);
    hits.set(this.hits);
    return (this.hits = hits);
  }
}

const leastVotes = (isMirrored: boolean): number => (isMirrored ? LEAST_MIRRORED : LEAST_VOTES);

/** Distance of hashes that have nothing in common. */
const FAR = 64;
const NOTHING = { whole: FAR, middle: FAR, middles: new Map<number, number>() };

/** What hashes of the whole and of the middles have in common. */
interface Whole {
  whole: number;
  middle: number;
  readonly middles: Map<number, number>;
}

const nearness = (distance: number) => (distance <= WHOLE_DISTANCE ? WHOLE_DISTANCE + 2 - distance : 0);
const firstWorth = ({ pairs, whole, middle }: Common) =>
  pairs + 4 * Math.max(nearness(whole), nearness(middle));
/** A middle that is near is worth half as much as the whole: there are more of them. */
const worthOf = ({ alignments, middles, wholeDistance }: Omit<Candidate, 'worth'>) =>
  (alignments[0]?.votes ?? 0) +
  Math.max(nearness(wholeDistance), middles.length > 0 ? WHOLE_DISTANCE / 2 : 0);
