/** Whether two pictures show the same, and how the one lies in the other. */
import { frameOf, type Frame } from './align';
import type { Candidate } from './candidate-index';
import { compareDetail } from './detail';
import type { Fingerprint } from './fingerprint';
import { fitted, resample, WHOLE, type GreyPlane, type Rect } from './grey-plane';
import { exactFrame, roughFrame, type Refined } from './refine-frame';
import { mirrored, shrunk } from './shrink';

export interface Link {
  /**
   * `same`: the whole picture, scaled or written anew. `part`: one lies in the other, cut out or with a border.
   * `over`: the whole picture, with something laid over it.
   */
  readonly kind: 'same' | 'part' | 'over';
  readonly isMirrored: boolean;
  /** The common part, in shares of the one picture and of the other. */
  readonly own: Rect;
  readonly other: Rect;
  /** How well their detail agrees, 0 to 1: of two links, the higher is the better. */
  readonly score: number;
  /** Whether next to no detail contradicts. */
  readonly isClose: boolean;
}

/** Shapes that differ by so much (as logarithm of their ratio) are not the same frame. */
const SAME_SHAPE = 0.025;
/** What detail must agree on, and how much of it may differ, for each kind of link. */
const SAME = { agreement: 0.6, contradicted: 0.035, oneSided: 0.12, light: 0 };
const PART = { agreement: 0.55, contradicted: 0.16, oneSided: 0.3, light: 0.6 };
/** Smooth pictures have little detail to agree on; their light and shade must, then. */
const SMOOTH_PART = { agreement: 0.5, contradicted: 0.05, oneSided: 0.5, light: 0.95 };
const OVER = { agreement: 0.6, contradicted: 0.25, oneSided: 0.5, light: 0.7 };
const SMOOTH_OVER = { agreement: 0.2, contradicted: 0.25, oneSided: 0.6, light: 0.93 };
/** Detail of a link between pictures that each stand in several files. */
const CLOSE = { agreement: 0.8, contradicted: 0.05 };
/** What is laid over a picture adds structure to it and takes next to none away. */
const TAKEN_AWAY = 0.02;
/** Tiles below which detail says too little, and light and shade must agree nearly wholly. */
const FEW_TILES = 6;
const FLAT_AGREEMENT = 0.98;
/** Samples along the long side; parts lie less exactly on each other, and are compared less finely. */
const FINEST = 256;
const FINEST_PART = 176;
/** Agreement of light and shade after the coarse search that makes a closer look worth while. */
const WORTH_A_LOOK = 0.5;
/** Candidates whose exact place is sought. */
const LOOKED_AT = 5;
/** Distance of hashes up to which whole pictures, or the middle of one, may be the same. */
const NEAR_WHOLE = 16;
/** Pixels along the long side of a first glance, and the correlation that it asks for. */
const GLANCE_PX = 32;
const GLANCE = 0.6;

/** A candidate with its fingerprint. */
export interface Compared {
  readonly candidate: Candidate;
  readonly print: Fingerprint;
}

/**
 * Links of a picture to those candidates that show the same. Whole frames are compared first: where a candidate turns
 * out to be the very same frame, cuttings are not looked for.
 */
export function linksTo<T extends Compared>(
  own: Fingerprint,
  others: readonly T[],
): { readonly to: T; readonly link: Link }[] {
  const linked = (to: T, link: Link | null) => (link ? [{ to, link }] : []);
  const wholes = others.flatMap((to) => linked(to, compareWhole(own, to)));
  if (wholes.some(({ link }) => link.kind === 'same' && !link.isMirrored)) return wholes;
  const isLinked = new Set(wholes.filter(({ link }) => link.kind === 'same').map(({ to }) => to));
  const rough = others
    .filter((to) => !isLinked.has(to))
    .map((to) => ({ to, ...roughPart(own, to) }))
    .filter(({ agreement }) => agreement >= WORTH_A_LOOK)
    .sort((a, b) => b.agreement - a.agreement)
    .slice(0, LOOKED_AT);
  const parts = rough.flatMap(({ to, ...found }) => linked(to, exactPart(own, to, found)));
  return [...wholes, ...parts];
}

function isSameShape(own: GreyPlane, other: GreyPlane): boolean {
  return Math.abs(Math.log((own.width * other.height) / (own.height * other.width))) < SAME_SHAPE;
}

/** Compares whole frames; `null` where they differ in shape, or show different things. */
function compareWhole(own: Fingerprint, { print, candidate }: Compared): Link | null {
  const plane = facing(own.plane, candidate.isMirrored);
  if (!isSameShape(plane, print.plane)) return null;
  const [width, height] = fitted(print.plane.width, print.plane.height, GLANCE_PX);
  const glance = (of: GreyPlane) => resample(shrunk(of, 2 * GLANCE_PX), WHOLE, [width, height]);
  if (correlation(glance(plane), glance(print.plane)) < GLANCE) return null;
  return judged(plane, print.plane, WHOLE, candidate.isMirrored);
}

/** Where about a picture lies in a candidate. */
function roughPart(own: Fingerprint, { print, candidate }: Compared): Refined {
  const plane = facing(own.plane, candidate.isMirrored);
  const frames = candidate.alignments.map((alignment) => frameOf(alignment, plane, print.plane));
  // The usual cuttings need no landmarks: the middle of the one, as large as the other's shape allows.
  if (candidate.wholeDistance <= NEAR_WHOLE) {
    if (isSameShape(plane, print.plane)) frames.push(WHOLE);
    else frames.push(middleFrame(plane, print.plane, 'inside'), middleFrame(plane, print.plane, 'around'));
  }
  return frames
    .map((frame) => roughFrame(plane, print.plane, frame))
    .reduce((best, one) => (one.agreement > best.agreement ? one : best), NOWHERE);
}

const NOWHERE: Refined = { frame: WHOLE, agreement: -1 };

function exactPart(own: Fingerprint, { print, candidate }: Compared, found: Refined): Link | null {
  const plane = facing(own.plane, candidate.isMirrored);
  const { frame } = exactFrame(plane, print.plane, found);
  const isWhole = isSameShape(plane, print.plane) && isWholeFrame(frame);
  // The whole frame was compared before, and is something else.
  return isWhole ? null : judged(plane, print.plane, frame, candidate.isMirrored);
}

const mirrors = new WeakMap<GreyPlane, GreyPlane>();

function facing(plane: GreyPlane, isMirrored: boolean): GreyPlane {
  if (!isMirrored) return plane;
  const known = mirrors.get(plane);
  if (known) return known;
  const made = mirrored(plane);
  mirrors.set(plane, made);
  return made;
}

/** A frame in the middle of the other's: as large as fits inside it, or as small as fits around it. */
function middleFrame(own: GreyPlane, other: GreyPlane, fit: 'inside' | 'around'): Frame {
  const shapes = (own.width * other.height) / (own.height * other.width);
  const isWider = shapes > 1 === (fit === 'inside');
  const width = isWider ? 1 : shapes;
  const height = isWider ? 1 / shapes : 1;
  return { left: (1 - width) / 2, top: (1 - height) / 2, width, height };
}

/** Whether a frame is the whole one but for the inexactness of the search. */
function isWholeFrame({ left, top, width, height }: Frame): boolean {
  return Math.max(Math.abs(left), Math.abs(top), Math.abs(width - 1), Math.abs(height - 1)) < 0.012;
}

function judged(own: GreyPlane, other: GreyPlane, frame: Frame, isMirrored: boolean): Link | null {
  const common = commonPart(other, frame);
  if (!common) return null;
  const { width, height, a, b } = sampled(own, other, common, frame === WHOLE ? FINEST : FINEST_PART);
  const detail = compareDetail(a, b, width, height);
  const light = correlation(a, b);
  const isWhole = frame === WHOLE;
  const link = (kind: Link['kind']): Link => ({
    ...{ kind, isMirrored, own: common.own, other: common.other },
    score: Math.max(0, detail.tiles < FEW_TILES ? light : detail.agreement),
    isClose: detail.agreement >= CLOSE.agreement && detail.contradicted <= CLOSE.contradicted,
  });
  const oneSided = detail.onlyFirst + detail.onlySecond;
  if (detail.tiles < FEW_TILES) return light >= FLAT_AGREEMENT ? link(isWhole ? 'same' : 'part') : null;
  const keeps = (wanted: Limits) =>
    detail.agreement >= wanted.agreement &&
    detail.contradicted <= wanted.contradicted &&
    oneSided <= wanted.oneSided &&
    light >= wanted.light;
  if (!isWhole) return keeps(PART) || keeps(SMOOTH_PART) ? link('part') : null;
  if (keeps(SAME)) return link('same');
  const isAdded = Math.min(detail.onlyFirst, detail.onlySecond) <= TAKEN_AWAY;
  return isAdded && (keeps(OVER) || keeps(SMOOTH_OVER)) ? link('over') : null;
}

interface Limits {
  readonly agreement: number;
  readonly contradicted: number;
  readonly oneSided: number;
  readonly light: number;
}

interface CommonPart {
  readonly own: Rect;
  readonly other: Rect;
  /** Width over height. */
  readonly shape: number;
}

function commonPart(other: GreyPlane, { left, top, width, height }: Frame): CommonPart | null {
  const from = { left: Math.max(0, left), top: Math.max(0, top) };
  const size = { width: Math.min(1, left + width) - from.left, height: Math.min(1, top + height) - from.top };
  if (size.width < 0.05 || size.height < 0.05) return null;
  return {
    own: {
      left: (from.left - left) / width,
      top: (from.top - top) / height,
      width: size.width / width,
      height: size.height / height,
    },
    other: { ...from, ...size },
    shape: (size.width * other.width) / (size.height * other.height),
  };
}

/** Both pictures' common part on one grid, never finer than the coarser of the two. */
function sampled(own: GreyPlane, other: GreyPlane, common: CommonPart, finest: number) {
  const across = Math.min(own.width * common.own.width, other.width * common.other.width);
  const down = Math.min(own.height * common.own.height, other.height * common.other.height);
  const long = Math.min(finest, common.shape >= 1 ? across : down);
  const width = Math.max(4, Math.round(common.shape >= 1 ? long : long * common.shape));
  const height = Math.max(4, Math.round(common.shape >= 1 ? long / common.shape : long));
  return {
    ...{ width, height },
    a: resample(own, common.own, [width, height]),
    b: resample(other, common.other, [width, height]),
  };
}

/** Correlation of brightness, −1 to 1; 0 where one of them is flat. */
function correlation(a: Float32Array, b: Float32Array): number {
  const mean = (values: Float32Array) => values.reduce((sum, value) => sum + value, 0) / values.length;
  const ma = mean(a);
  const mb = mean(b);
  let aa = 0;
  let bb = 0;
  let ab = 0;
  for (let i = 0; i < a.length; i++) {
    aa += (a[i]! - ma) ** 2;
    bb += (b[i]! - mb) ** 2;
    ab += (a[i]! - ma) * (b[i]! - mb);
  }
  const flat = 0.3 * a.length;
  return aa < flat || bb < flat ? 0 : ab / Math.sqrt(aa * bb);
}
