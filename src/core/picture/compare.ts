/** Whether two pictures show the same, and how the one lies in the other. */
import { frameOf, type Frame } from './align';
import { CandidateIndex, WHOLE_DISTANCE, type Candidate } from './candidate-index';
import type { Fingerprint } from './fingerprint';
import { WHOLE, type GreyPlane } from './grey-plane';
import { isLikely, judged, mayAgree, type Link, type Looks } from './judge';
import type { Refined } from './closest-frame';
import { exactFrame, roughFrame } from './refine-frame';
import { mirrored } from './shrink';

/** Shapes that differ by so much (as logarithm of their ratio) are not the same frame. */
const SAME_SHAPE = 0.025;
/** Agreement of light and shade after the coarse search that makes a closer look worth while. */
const WORTH_A_LOOK = 0.5;
/** The same where few landmarks agree, which they do by chance among pictures of one kind. */
const FEW_VOTES = 6;
const WORTH_FOR_FEW = 0.72;
/** Agreement, just where those few put it, from which its place is sought at all: where they are right they are near. */
const NEAR_FOR_FEW = 0.4;
/** Candidates whose exact place is sought; and more where they agree about as well, as translations of one screen do. */
const LOOKED_AT = 5;
const ALIKE = { most: 12, agreement: 0.03 };
/**
 * Long side below which a picture is an icon, in pixels. A set of icons has one ground and small signs on it, and of two
 * arrows the one is the other mirrored: they are the same as a whole, or not at all.
 */
const ICON_PX = 40;

const isIcon = ({ width, height }: GreyPlane): boolean => Math.max(width, height) < ICON_PX;

/** Agreement of detail from which a frame is the very same: nothing else can explain the picture better. */
const CERTAIN = 0.95;

/** A candidate with its fingerprint. */
export interface Compared {
  readonly candidate: Candidate;
  readonly print: Fingerprint;
}

/** What came of comparing a picture with several. */
export interface Comparison<T> {
  readonly links: readonly { readonly to: T; readonly link: Link }[];
  /** Those that were looked at to the end and show something else. */
  readonly others: readonly T[];
}

/**
 * Links of a picture to those candidates that show the same. Whole frames are compared first: where a candidate turns
 * out to be the very same frame for certain, cuttings are not looked for.
 */
export function linksTo<T extends Compared>(own: Fingerprint, others: readonly T[]): Comparison<T> {
  const linked = (to: T, link: Link | null) => (link ? [{ to, link }] : []);
  const mayBePart = ({ print }: T) => !isIcon(own.plane) && !isIcon(print.plane);
  const wholes = others
    .flatMap((to) => linked(to, compareWhole(own, to)))
    .filter(({ to, link }) => mayBePart(to) || (link.kind === 'same' && !link.isMirrored));
  if (wholes.some(({ link }) => link.kind === 'same' && !link.isMirrored && link.score >= CERTAIN))
    return { links: wholes, others: [] };
  const isLinked = new Set(wholes.filter(({ link }) => link.kind === 'same').map(({ to }) => to));
  const rough = others
    .filter((to) => !isLinked.has(to) && mayBePart(to))
    .map((to) => ({ to, places: roughPlaces(own, to) }))
    .filter(({ to, places }) => places.agreement >= worthALook(to.candidate))
    .sort((a, b) => b.places.agreement - a.places.agreement);
  const best = rough[0]?.places.agreement ?? 0;
  const isSought = ({ places }: (typeof rough)[number], n: number) =>
    n < LOOKED_AT || (n < ALIKE.most && places.agreement >= best - ALIKE.agreement);
  const parts = rough.filter(isSought).flatMap(({ to, places }) => {
    const met: Frame[] = [];
    return linked(to, exactPart(own, to, places.sought, met) ?? exactPart(own, to, places.given, met));
  });
  const links = [...wholes, ...parts];
  const isOpen = new Set([
    ...links.map(({ to }) => to),
    ...rough.filter((one, n) => !isSought(one, n)).map(({ to }) => to),
  ]);
  return { links, others: others.filter((to) => !isOpen.has(to)) };
}

/** Whether two pictures show the same, whole or in part. */
export function showTheSame(own: Fingerprint, other: Fingerprint): boolean {
  const index = new CandidateIndex(1);
  index.add(other);
  const found = index.find(own, 2).map((candidate) => ({ candidate, print: other }));
  return linksTo(own, found).links.length > 0;
}

const worthALook = (candidate: Candidate): number => (isMeant(candidate) ? WORTH_A_LOOK : WORTH_FOR_FEW);

/** Whether more speaks for a candidate than a few landmarks, which may agree by chance. */
const isMeant = ({ alignments, middles, wholeDistance }: Candidate): boolean =>
  (alignments[0]?.votes ?? 0) >= FEW_VOTES || middles.length > 0 || wholeDistance <= WHOLE_DISTANCE;

/** Whether two planes have the same shape, but for what rounding to pixels makes of it. */
export function isSameShape(own: GreyPlane, other: GreyPlane): boolean {
  return Math.abs(Math.log((own.width * other.height) / (own.height * other.width))) < SAME_SHAPE;
}

/** Compares whole frames; `null` where they differ in shape, or show different things. */
function compareWhole(own: Fingerprint, { print, candidate }: Compared): Link | null {
  const looks = facing(own, candidate.isMirrored);
  if (!isSameShape(looks.plane, print.plane)) return null;
  if (!mayAgree(looks.plane, print.plane, WHOLE) || !isLikely(looks, print, WHOLE, true)) return null;
  return judged(looks, print, WHOLE, candidate);
}

interface Places {
  /** The best agreement that was found. */
  readonly agreement: number;
  /** Frames after the coarse search that agree about as well as the best, which comes first. */
  readonly sought: readonly Refined[];
  /** The likeliest frames as landmarks and middles give them: among writing the coarse search may lose its way. */
  readonly given: readonly Refined[];
}

/** Where about a picture may lie in a candidate. */
function roughPlaces(own: Fingerprint, { print, candidate }: Compared): Places {
  const { plane } = facing(own, candidate.isMirrored);
  const aligned = candidate.alignments.map((alignment) => frameOf(alignment, plane, print.plane));
  const middles = candidate.middles.map((width) => middlePart(width));
  const frames = [...aligned, ...middles];
  // The usual cuttings need no landmarks: the middle of the one, as large as the other's shape allows.
  if (candidate.wholeDistance <= WHOLE_DISTANCE) {
    if (isSameShape(plane, print.plane)) frames.push(WHOLE);
    else frames.push(middleFrame(plane, print.plane, 'inside'), middleFrame(plane, print.plane, 'around'));
  }
  const least = isMeant(candidate) ? -1 : NEAR_FOR_FEW;
  const [best, ...others] = frames
    .map((frame) => roughFrame(plane, print.plane, frame, least))
    .sort((a, b) => worthOf(b) - worthOf(a));
  if (!best) return { agreement: -1, sought: [], given: [] };
  const kept = [best];
  for (const one of others) {
    if (kept.length === TRIED_FRAMES || worthOf(one) < worthOf(best) - ABOUT_AS_WELL) break;
    if (kept.every(({ frame }) => isElsewhere(frame, one.frame))) kept.push(one);
  }
  const { agreement } = best;
  const given = [...aligned.slice(0, 1), ...middles].map((frame) => ({ frame, agreement }));
  return { agreement, sought: kept, given };
}

const middlePart = (share: number): Frame => ({
  ...{ left: (1 - share) / 2, top: (1 - share) / 2 },
  ...{ width: share, height: share },
});

/** In a pattern that repeats, several places agree about as well as long as they are compared coarsely. */
const TRIED_FRAMES = 3;
const ABOUT_AS_WELL = 0.04;
const ELSEWHERE = 0.012;

const isElsewhere = (one: Frame, other: Frame, by = ELSEWHERE): boolean =>
  (['left', 'top', 'width', 'height'] as const).some((side) => Math.abs(one[side] - other[side]) > by);

/** Of frames that agree alike, as they do in a pattern that repeats, the one in which one picture holds the other. */
function worthOf({ agreement, frame: { left, top, width, height } }: Refined): number {
  const shared =
    Math.max(0, Math.min(1, left + width) - Math.max(0, left)) *
    Math.max(0, Math.min(1, top + height) - Math.max(0, top));
  return agreement + HOLDING * Math.max(shared, shared / (width * height));
}

const HOLDING = 0.05;

/** Distance, in shares of a side, of two frames that are exact to a sample or two and will come to the same. */
const MET_ALREADY = 0.004;

/** @param met frames that were looked at, nearly exact, to which those of this time are added */
function exactPart(
  own: Fingerprint,
  { print, candidate }: Compared,
  frames: readonly Refined[],
  met: Frame[],
): Link | null {
  const looks = facing(own, candidate.isMirrored);
  const mayBeWhole = isSameShape(looks.plane, print.plane);
  const isWorth = (frame: Frame) => {
    if (met.some((other) => !isElsewhere(other, frame, MET_ALREADY))) return false;
    met.push(frame);
    return isLikely(looks, print, frame, mayBeWhole && isWholeFrame(frame));
  };
  const exact = frames
    .filter(({ frame }) => mayAgree(looks.plane, print.plane, frame))
    .flatMap((found) => exactFrame(looks.plane, print.plane, found, isWorth) ?? [])
    .sort((a, b) => b.agreement - a.agreement);
  for (const { frame } of exact) {
    // Of a picture that is nearly square a square is the whole, but for a sliver: no less must agree.
    const isWhole = mayBeWhole && isWholeFrame(frame);
    // Laid over each other just so they were judged before, as wholes.
    if (isWhole && offWhole(frame) < SAME_FRAME) continue;
    const link = judged(looks, print, frame, { isMirrored: candidate.isMirrored, isWhole });
    if (link) return link;
  }
  return null;
}

/**
 * The link between two pictures where it is known about where the one lies in the other: both are linked to a third.
 *
 * @param first how the one lies in the third
 * @param second how the third lies in the other
 */
export function linkThrough(own: Fingerprint, other: Fingerprint, first: Link, second: Link): Link | null {
  const frame = within(frameOfLink(first), frameOfLink(second));
  if (isIcon(own.plane) || isIcon(other.plane)) return null;
  if (!mayAgree(own.plane, other.plane, frame)) return null;
  const exact = exactFrame(own.plane, other.plane, { frame, agreement: 1 })?.frame;
  if (!exact) return null;
  const isWhole = isSameShape(own.plane, other.plane) && isWholeFrame(exact);
  return judged(own, other, isWhole ? WHOLE : exact, { isMirrored: false });
}

/** Where the whole frame of a picture lies in the one that it is linked to. */
function frameOfLink({ own, other }: Link): Frame {
  const [width, height] = [other.width / own.width, other.height / own.height];
  return { left: other.left - own.left * width, top: other.top - own.top * height, width, height };
}

/** A frame in the coordinates of what the outer frame lies in. */
function within(inner: Frame, outer: Frame): Frame {
  return {
    left: outer.left + inner.left * outer.width,
    top: outer.top + inner.top * outer.height,
    width: inner.width * outer.width,
    height: inner.height * outer.height,
  };
}

const mirrors = new WeakMap<GreyPlane, Looks>();

/** The looks of a picture, mirrored left to right where that is asked for. */
function facing(own: Fingerprint, isMirrored: boolean): Looks {
  if (!isMirrored) return own;
  let made = mirrors.get(own.plane);
  if (!made) {
    const { blue, red } = own.tint;
    made = { plane: mirrored(own.plane), tint: { blue: mirrored(blue), red: mirrored(red) } };
    mirrors.set(own.plane, made);
  }
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
const isWholeFrame = (frame: Frame): boolean => offWhole(frame) < 0.012;

/** By how much, in shares of the frame, one is off the whole. */
const offWhole = ({ left, top, width, height }: Frame): number =>
  Math.max(Math.abs(left), Math.abs(top), Math.abs(width - 1), Math.abs(height - 1));

/** A quarter of a sample. */
const SAME_FRAME = 0.001;
