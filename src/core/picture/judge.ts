/** Says of two pictures, laid over each other, whether they show the same, and how they differ. */
import type { Frame } from './align';
import { otherColours, type Tint } from './colour';
import { compareParts, compareWithin, detailAgreement, type DetailComparison } from './detail';
import { WHOLE, type GreyPlane, type Rect } from './grey-plane';
import type { Part } from './kernels/comparing';
import type { Size } from './kernels/kernels';
import { shrunk } from './shrink';

/** To be raised whenever two pictures are judged otherwise: families are then made anew. */
export const JUDGE_VERSION = 1;

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

/** What detail must agree on, and how much of it may differ, for each kind of link. */
const SAME = { agreement: 0.6, contradicted: 0.007, oneSided: 0.12, light: 0 };
/** Light and shade must agree as well, where there is any: two smooth pictures may bear the same mark. */
const SAME_LIGHT = 0.85;
const SHADED = 3;
const PART = { agreement: 0.55, contradicted: 0.13, oneSided: 0.3, light: 0.6 };
/** Smooth pictures have little detail to agree on; their light and shade must, then. */
const SMOOTH_PART = { agreement: 0.5, contradicted: 0.05, oneSided: 0.5, light: 0.95 };
/** Grain and compression put structure into one of them where the other is smooth; nothing else may differ, then. */
const GRAINY_PART = { agreement: 0.65, contradicted: 0.01, oneSided: 0.7, light: 0.95 };
/**
 * Two cuttings of which neither holds the other: a shoulder may look like a bell, so that next to all must agree, and
 * there must be much of it.
 */
const OVERLAP = { agreement: 0.9, contradicted: 0.02, oneSided: 0.05, light: 0.9 };
const HELD = 0.85;
const OVERLAP_TILES = 60;
const OVER = { agreement: 0.6, contradicted: 0.25, oneSided: 0.5, light: 0.7 };
const SMOOTH_OVER = { agreement: 0.2, contradicted: 0.25, oneSided: 0.6, light: 0.93 };
/** Share of the common part that may have another colour, and where something is laid over it. */
const RECOLOURED = 0.08;
const RECOLOURED_OVER = 0.2;
/** Of few cells each lies across an edge and mixes its colours: a part of a strip has no more. */
const FEW_CELLS = 80;
const RECOLOURED_COARSELY = 0.13;
/**
 * What stands out strongly from its ground is known by its shape: two letters, or a pencil and a spanner, have edges of one
 * kind and share most of them, and lie over each other with other light and shade. `shading` is a standard deviation, of 255.
 */
const STRONG = { shading: 40, light: 0.85, lightApart: 0.97, lightApartOver: 0.95 };
/** The same of contrasts: a cutting has that of what it was cut from, unless it was made brighter, and then its edges agree. */
const CONTRAST = 1.3;
const CLEAR = { agreement: 0.9, agreementAtOtherContrast: 0.8 };
/**
 * Long side of a small picture, in samples. Signs of one set have a frame in common and differ in a few samples; and nobody
 * lays a mark over one.
 */
const SMALL = { longSide: 130, agreement: 0.93, lightApart: 0.99 };
/**
 * Detail of a link between pictures that each stand in several files: translations of one drawing differ in a few
 * words, files of one picture in nothing.
 */
const CLOSE = { agreement: 0.8, contradicted: 0.008, oneSided: 0.05 };
/** What is laid over a picture adds structure to it and takes next to none away. */
const TAKEN_AWAY = 0.02;
/** Tiles whose structure may be another one in the same place, by chance of compression or of the frame's edge. */
const REPLACED = 1;
const REPLACED_OVER = 4;
const REPLACED_PART = 10;
/** Tiles below which detail says too little, and light and shade must agree nearly wholly. */
const FEW_TILES = 6;
const FLAT_AGREEMENT = 0.98;
/** The same where what little detail there is agrees as well. */
const FAINT = { light: 0.95, agreement: 0.9 };
/** Light and shade beside a border that has run in, where it covers no more than that. */
const RUN_IN = 0.15;
/** Difference of brightness, of 255, between two even tones that are the same; white and black say nothing. */
const SAME_TONE = 4;
/**
 * Another exposure makes a picture so much brighter, by adding or by multiplying, and no more: what has the same edges on
 * another ground is a version of its own, for day or for night.
 */
const EXPOSURE = { gain: 1.6, lift: 30, evenGain: 1.2, evenLift: 50, shift: 35 };
const TONES = { darkest: 6, lightest: 249 };
/**
 * Something laid over a smooth picture, which has no detail to show through: the light and shade beside it must agree
 * next to wholly, and there must be enough of both.
 */
const BARE_OVER = { light: 0.985, contradicted: 0.01, covered: 0.45, coveredBesideDetail: 0.1, shading: 8 };
/** Samples along the long side; parts lie less exactly on each other, and are compared less finely. */
const FINEST = 256;
const FINEST_PART = 176;
/** A faint pattern must be the very same beside it. */
const FAINT_OVER = { light: 0.998, shading: 0.7 };
/** Two files of one picture of which neither was worn: pixel by pixel the same, but for another way of writing them. */
const EXACT = { agreement: 0.96, oneSided: 0.01, recoloured: 0.02, shift: 8, light: 0.97 };
/** Planes with a shorter long side are too coarse to tell two pictures that differ in a word. */
const EXACT_PX = 200;

/** What of a fingerprint is looked at. */
export interface Looks {
  readonly plane: GreyPlane;
  readonly tint: Tint;
}

/** Samples along the long side of a glance, and the agreement of detail below which no closer look will find more. */
const GLANCE_PX = 64;
const HOPELESS = 0.25;

/** Whether a closer look is worth its time, by detail that is seen from afar. A smooth picture can't be told so. */
export function mayAgree(own: GreyPlane, other: GreyPlane, frame: Frame): boolean {
  const common = commonPart(other, frame);
  if (!common) return false;
  const [far, near] = [shrunk(own, 2 * GLANCE_PX), shrunk(other, 2 * GLANCE_PX)];
  const agreement = detailAgreement(...bothParts(far, near, common, GLANCE_PX));
  return agreement === null || agreement >= HOPELESS;
}

/** What speaks against two pictures at a frame that is nearly exact, seen from afar; more than twice what links have. */
const UNLIKELY = { agreement: 0.4, contradicted: 0.2, replaced: 5, recoloured: 0.26 };
/** Samples along the long side of that look: whole screens that differ in some words are alike from farther off. */
const LIKELY_PX = { part: 64, whole: 96 };

/**
 * Whether the exact frame, and a close look at it, are worth their time: they cost most, and of look-alikes nearly all
 * are refused.
 *
 * @param frame exact to a sample or two of the look
 */
export function isLikely(own: Looks, other: Looks, frame: Frame, isWhole: boolean): boolean {
  const common = commonPart(other.plane, frame);
  if (!common || otherColours(own.tint, other.tint, common) > UNLIKELY.recoloured) return false;
  const px = isWhole ? LIKELY_PX.whole : LIKELY_PX.part;
  const both = bothParts(shrunk(own.plane, 2 * px), shrunk(other.plane, 2 * px), common, px);
  const { tiles, agreement, contradicted, replaced } = compareParts(...both);
  if (tiles < FEW_TILES) return true;
  if (contradicted > UNLIKELY.contradicted) return false;
  // A mark laid over a smooth picture is nearly all the detail there is, and the other has none of it.
  return isWhole ? replaced <= UNLIKELY.replaced : agreement >= UNLIKELY.agreement;
}

/**
 * The link between a picture and another in which its frame lies so; `null` where they show different things.
 *
 * @param how.isWhole whether both show the whole, however inexactly the one frame lies on the other
 */
export function judged(
  own: Looks,
  other: Looks,
  frame: Frame,
  { isMirrored, isWhole = frame === WHOLE }: { readonly isMirrored: boolean; readonly isWhole?: boolean },
): Link | null {
  const common = commonPart(other.plane, frame);
  if (!common) return null;
  const recoloured = otherColours(own.tint, other.tint, common);
  const cells = Math.min(cellsIn(own.tint, common.own), cellsIn(other.tint, common.other));
  const isColoured = recoloured <= (cells < FEW_CELLS ? RECOLOURED_COARSELY : RECOLOURED);
  if (recoloured > RECOLOURED_OVER || !(isColoured || isWhole)) return null;
  const both = bothParts(own.plane, other.plane, common, isWhole ? FINEST : FINEST_PART);
  const detail = isWhole ? compareWithin(...both) : compareParts(...both);
  const { light } = detail;
  const link = (kind: Link['kind']): Link => ({
    ...{ kind, isMirrored, own: common.own, other: common.other },
    score: Math.max(0, detail.tiles < FEW_TILES ? light : detail.agreement),
    isClose:
      detail.agreement >= CLOSE.agreement &&
      detail.contradicted <= CLOSE.contradicted &&
      detail.onlyFirst + detail.onlySecond <= CLOSE.oneSided &&
      detail.replaced === 0,
  });
  const oneSided = detail.onlyFirst + detail.onlySecond;
  const isSmall = Math.max(longSide(own.plane), longSide(other.plane)) <= SMALL.longSide;
  if (detail.tiles < FEW_TILES)
    return isColoured && isSameShade(detail, isWhole) ? link(isWhole ? 'same' : 'part') : null;
  const keeps = (wanted: Limits) =>
    detail.agreement >= wanted.agreement &&
    detail.contradicted <= wanted.contradicted &&
    oneSided <= wanted.oneSided &&
    light >= wanted.light;
  if (!isWhole) {
    const isHeld = Math.max(areaOf(common.own), areaOf(common.other)) >= HELD;
    const isPart = isHeld
      ? detail.replaced <= REPLACED_PART && [PART, SMOOTH_PART, GRAINY_PART].some(keeps)
      : detail.tiles >= OVERLAP_TILES && keeps(OVERLAP);
    return isPart && hasItsShapes(detail, isSmall) && isSameExposure(detail) ? link('part') : null;
  }
  const isLit = detail.shading < SHADED || detail.lightApart >= SAME_LIGHT;
  if (isColoured && isLit && detail.replaced <= REPLACED && keeps(SAME))
    return isSameExposure(detail) ? link('same') : null;
  const isAdded =
    !isSmall &&
    (detail.shading < STRONG.shading || detail.lightApart >= STRONG.lightApartOver) &&
    detail.replaced <= REPLACED_OVER &&
    Math.min(detail.onlyFirst, detail.onlySecond) <= TAKEN_AWAY;
  return isAdded && isSameExposure(detail) && (keeps(OVER) || keeps(SMOOTH_OVER) || isLaidOverBare(detail))
    ? link('over')
    : null;
}

/** Whether a part has the shapes of what it is a part of, and its contrast: blurred ones need not have its edges as well. */
function hasItsShapes(
  { agreement, shading, light, lightApart, gain }: DetailComparison,
  isSmall: boolean,
): boolean {
  if (isSmall && agreement < SMALL.agreement && lightApart < SMALL.lightApart) return false;
  if (Math.max(gain, 1 / gain) > CONTRAST && agreement < CLEAR.agreementAtOtherContrast) return false;
  const isShaded = light >= STRONG.light && lightApart >= STRONG.lightApart;
  return shading < STRONG.shading || isShaded || agreement >= CLEAR.agreement;
}

/** Whether the one may be the other, brighter or darker. Where hardly any light and shade is there, that can't be told. */
function isSameExposure({ gain, lift, shift, lightApart, shading }: DetailComparison): boolean {
  if (shading < SHADED || lightApart < SAME_LIGHT || shift <= EXPOSURE.shift) return true;
  const by = Math.max(gain, 1 / gain);
  if (by <= EXPOSURE.evenGain) return shift <= EXPOSURE.evenLift;
  return by <= EXPOSURE.gain && Math.abs(lift) <= EXPOSURE.lift;
}

/** Whether two files agree pixel by pixel, so that no two pictures can have them; `false` where that can't be told. */
export function agreeExactly(own: Looks, other: Looks): boolean {
  const least = Math.min(longSide(own.plane), longSide(other.plane));
  const common = least < EXACT_PX ? null : commonPart(other.plane, WHOLE);
  if (!common || otherColours(own.tint, other.tint, common) > EXACT.recoloured) return false;
  const detail = compareParts(...bothParts(own.plane, other.plane, common, FINEST));
  return (
    detail.tiles >= FEW_TILES &&
    detail.contradicted === 0 &&
    detail.replaced === 0 &&
    detail.agreement >= EXACT.agreement &&
    detail.onlyFirst + detail.onlySecond <= EXACT.oneSided &&
    detail.shift <= EXACT.shift &&
    detail.light >= EXACT.light
  );
}

const longSide = ({ width, height }: GreyPlane): number => Math.max(width, height);

/** Whether two pictures with next to no detail show the same: by their light and shade, or by their one tone. */
function isSameShade(detail: DetailComparison, isWhole: boolean): boolean {
  if (detail.isBlank)
    return (
      isWhole && detail.shift <= SAME_TONE && detail.tone >= TONES.darkest && detail.tone <= TONES.lightest
    );
  const light = detail.covered <= RUN_IN ? Math.max(detail.light, detail.lightApart) : detail.light;
  return light >= FLAT_AGREEMENT || (light >= FAINT.light && detail.agreement >= FAINT.agreement);
}

/** Whether next to all detail there is was laid over a picture that has little. */
function isLaidOverBare(detail: DetailComparison): boolean {
  const { tiles, contradicted, onlyFirst, onlySecond, lightApart, covered, shading } = detail;
  const isBare = tiles * (1 - onlyFirst - onlySecond) < FEW_TILES;
  const isShaded = shading >= BARE_OVER.shading && lightApart >= BARE_OVER.light;
  const isFaint = shading >= FAINT_OVER.shading && lightApart >= FAINT_OVER.light;
  const most = isShaded && isBare ? BARE_OVER.covered : BARE_OVER.coveredBesideDetail;
  return contradicted <= BARE_OVER.contradicted && (isShaded || isFaint) && covered <= most;
}

const cellsIn = ({ blue }: Tint, { width, height }: Rect): number =>
  blue.width * width * blue.height * height;

const areaOf = ({ width, height }: Rect) => width * height;

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

/** Both pictures' common part, and its size in samples, never finer than the coarser of the two. */
function bothParts(
  own: GreyPlane,
  other: GreyPlane,
  common: CommonPart,
  finest: number,
): [own: Part, other: Part, size: Size] {
  const across = Math.min(own.width * common.own.width, other.width * common.other.width);
  const down = Math.min(own.height * common.own.height, other.height * common.other.height);
  const long = Math.min(finest, common.shape >= 1 ? across : down);
  const width = Math.max(4, Math.round(common.shape >= 1 ? long : long * common.shape));
  const height = Math.max(4, Math.round(common.shape >= 1 ? long / common.shape : long));
  return [{ plane: own, rect: common.own }, { plane: other, rect: common.other }, [width, height]];
}
