/** Finds, among very many pictures, those that may show the same: by the hashes of whole pictures and by landmarks. */
import { votedAlignments, type Match, type Vote } from './align';
import { mirroredHash, type DctHash } from './dct-hash';
import { MOST_LANDMARKS } from './find-landmarks';
import type { Fingerprint } from './fingerprint';
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

/** What a picture has in common with what is looked for. */
interface Common {
  readonly picture: number;
  readonly isMirrored: boolean;
  whole: number;
  readonly matches: Match[];
}

/** A whole picture has no place within itself. */
const WHOLE_PLACE = [0, 0, 0] as const;

export class CandidateIndex {
  private readonly wholes: HashTables;
  private readonly landmarks: HashTables;
  private count = 0;
  /** Landmarks in common, by picture; kept between searches, since clearing what was touched is quicker than a new one. */
  private counts = new Uint16Array(1024);

  /** @param expected about how many pictures will come; more may, and are found more slowly */
  constructor(expected: number) {
    this.wholes = new HashTables(2 * expected);
    this.landmarks = new HashTables(MOST_LANDMARKS * expected);
  }

  /** Adds a picture and gives its number, from 0. */
  add({ hash, squareHash, landmarks }: Searchable): number {
    const picture = this.count++;
    this.wholes.add(hash, picture, WHOLE_PLACE);
    this.wholes.add(squareHash, picture, WHOLE_PLACE);
    for (const landmark of landmarks)
      this.landmarks.add(landmark, picture, [landmark.x, landmark.y, landmark.size]);
    if (this.count > this.counts.length) this.counts = new Uint16Array(this.counts.length * 2);
    return picture;
  }

  /** Pictures that may show the same, those with most in common first. */
  find(wanted: Searchable, most: number): Candidate[] {
    return [...this.common(wanted, false), ...this.common(wanted, true)]
      .sort((a, b) => firstWorth(b) - firstWorth(a))
      .slice(0, VOTED)
      .map(({ picture, isMirrored, whole, matches }) => ({
        ...{ picture, isMirrored, wholeDistance: whole },
        alignments: votedAlignments(matches.slice(0, MOST_MATCHES), TRIED).filter(
          ({ votes }) => votes >= LEAST_VOTES,
        ),
      }))
      .filter(({ wholeDistance, alignments }) => wholeDistance <= WHOLE_DISTANCE || alignments.length > 0)
      .sort((a, b) => worth(b) - worth(a))
      .slice(0, most);
  }

  /** Numbers of the pictures whose whole, or middle, has nearly that hash. */
  findWhole(hash: DctHash): number[] {
    const found = new Set<number>();
    this.wholes.near(hash, WHOLE_DISTANCE, (at) => found.add(this.wholes.pictureOf(at)));
    return [...found];
  }

  private common({ plane, hash, squareHash, landmarks }: Searchable, isMirrored: boolean): Common[] {
    const facing = (of: DctHash) => (isMirrored ? mirroredHash(of) : of);
    const wholes = new Map<number, number>();
    for (const whole of [facing(hash), facing(squareHash)]) {
      this.wholes.near(whole, WHOLE_DISTANCE, (at, distance) => {
        const picture = this.wholes.pictureOf(at);
        wholes.set(picture, Math.min(distance, wholes.get(picture) ?? FAR));
      });
    }
    // Landmarks are counted first, and looked at only for the pictures that have most of them.
    const hits: number[] = [];
    const touched: number[] = [];
    landmarks.forEach((landmark, n) => {
      this.landmarks.near(facing(landmark), LANDMARK_DISTANCE, (at) => {
        const picture = this.landmarks.pictureOf(at);
        if (this.counts[picture]! === 0) touched.push(picture);
        this.counts[picture]! += 1;
        hits.push(at, n);
      });
    });
    const found = new Map<number, Common>();
    for (const picture of [...wholes.keys(), ...this.mostTouched(touched)])
      found.set(picture, { picture, isMirrored, whole: wholes.get(picture) ?? FAR, matches: [] });
    const width = plane.width / Math.max(plane.width, plane.height);
    for (let i = 0; i < hits.length; i += 2) {
      const at = hits[i]!;
      const common = found.get(this.landmarks.pictureOf(at));
      if (!common) continue;
      const [x, y, size] = this.landmarks.detailsOf(at);
      const own = landmarks[hits[i + 1]!]!;
      const from = isMirrored ? { x: width - own.x, y: own.y, size: own.size } : own;
      common.matches.push({ from, to: { x: x!, y: y!, size: size! } });
    }
    for (const picture of touched) this.counts[picture] = 0;
    return [...found.values()];
  }

  /** The pictures with the most landmarks in common, as many as are put to the vote. */
  private mostTouched(touched: readonly number[]): number[] {
    const several = touched.filter((picture) => this.counts[picture]! >= LEAST_VOTES);
    return several.sort((a, b) => this.counts[b]! - this.counts[a]!).slice(0, VOTED);
  }
}

/** Distance of hashes that have nothing in common. */
const FAR = 64;

const nearness = (distance: number) => (distance <= WHOLE_DISTANCE ? WHOLE_DISTANCE + 2 - distance : 0);
const firstWorth = ({ matches, whole }: Common) => matches.length + 4 * nearness(whole);
const worth = ({ alignments, wholeDistance }: Candidate) =>
  (alignments[0]?.votes ?? 0) + nearness(wholeDistance);
