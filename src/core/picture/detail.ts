/** Compares the fine structure of two samples of the same size: edges, writing, texture; light and shade left out. */
import { insideBorder } from './border';
import {
  BLOCK,
  BLOCK_SUMS,
  comparedParts,
  comparedSamples,
  momentsOf,
  type Compared,
  type Moments,
  type Part,
} from './kernels/comparing';
import type { Size } from './kernels/kernels';

/** Side of a tile, in samples; tiles overlap by half. */
const TILE = 2 * BLOCK;
/** Least mean square of detail that makes a tile structured, in brightness of 255 squared: above compression's noise. */
const STRUCTURED = 30;
/** Correlation in a tile below which its structure is another one. */
const DIFFERENT = 0.5;
/** Share of a structure that must show through what is laid over it. */
const SHOWS_THROUGH = 0.35;
/** Change of a tile's brightness, of 255, that something laid over it makes. */
const COVERED = 10;
/** Variance of brightness, and of detail, below which there is none to speak of. */
const FLAT_LIGHT = 0.3;
const FLAT_DETAIL = 0.5;
/** Beyond that the one has structure that the other lacks, and is no paler copy. */
const MOST_CONTRAST = 3;
/** Variance of brightness below which a picture is one even tone, whatever compression did to it. */
const BLANK_LIGHT = 0.5;

export interface DetailComparison {
  /** Correlation of light and shade, −1 to 1; 0 where one of them is flat. */
  readonly light: number;
  /** Correlation of all detail, −1 to 1; 0 where one has none. */
  readonly agreement: number;
  /** Share of the structured tiles in which both have structure, and not the same. */
  readonly contradicted: number;
  /** Share of the structured tiles in which only the first has structure, and only the second. */
  readonly onlyFirst: number;
  readonly onlySecond: number;
  /** Tiles in which one structure was put in the other's place: neither shows through, and the ground is the same. */
  readonly replaced: number;
  /** How many tiles are structured: few say little. */
  readonly tiles: number;
  /** Correlation of light and shade apart from the tiles in which only one has structure; 0 where one of them is flat. */
  readonly lightApart: number;
  /** Share of the sample that these tiles cover. */
  readonly covered: number;
  /** Standard deviation of the light and shade apart from them, of the flatter of both, in brightness of 255. */
  readonly shading: number;
  /** Whether neither shows anything at all; the mean brightness of the first, and by how much the other's differs. */
  readonly isBlank: boolean;
  readonly tone: number;
  readonly shift: number;
  /** The second's brightness is about `gain` times the first's, and `lift` more, of 255. */
  readonly gain: number;
  readonly lift: number;
}

/** @param a brightness row by row, as `b` */
export const compareDetail = (
  a: Float32Array,
  b: Float32Array,
  width: number,
  height: number,
): DetailComparison => comparisonOf(comparedSamples(a, b, [width, height]));

/** The same of two parts, resampled to one size. */
export const compareParts = (own: Part, other: Part, size: Size): DetailComparison =>
  comparisonOf(comparedParts(own, other, size));

/** The same without the even border that both have: a wide white one agrees, whatever it is around. */
export const compareWithin = (own: Part, other: Part, size: Size): DetailComparison =>
  comparisonOf(comparedParts(own, other, size, { insideOf: (a, b) => insideBorder([a, b], ...size) }));

function comparisonOf({ light, detail, blocks: sums, size: [width, height] }: Compared): DetailComparison {
  // Contrast is brought to the same level, so that a paler copy does not look empty.
  const contrast = isFlat(detail)
    ? 1
    : Math.max(1 / MOST_CONTRAST, Math.min(MOST_CONTRAST, Math.sqrt(detail.bb / detail.aa)));
  const gain = light.aa < 1 ? 1 : Math.sqrt(light.bb / light.aa);
  const lift = light.meanB - gain * light.meanA;
  const blocks = { columns: Math.floor(width / BLOCK), rows: Math.floor(height / BLOCK), sums };
  const least = STRUCTURED * TILE * TILE;
  const counts = { structured: 0, replaced: 0, contradicted: 0, onlyFirst: 0, onlySecond: 0 };
  const isCoveredBlock = new Uint8Array(blocks.columns * blocks.rows);
  for (let row = 0; row + 1 < blocks.rows; row++) {
    for (let column = 0; column + 1 < blocks.columns; column++) {
      const tile = tileOf(blocks, row, column);
      const first = tile.aa * contrast ** 2;
      const shared = tile.ab * contrast;
      const [less, more] = first < tile.bb ? [first, tile.bb] : [tile.bb, first];
      if (more < least) continue;
      counts.structured++;
      const isThrough = shared >= SHOWS_THROUGH * less;
      const isCovered = Math.abs(tile.b - gain * tile.a - lift * TILE * TILE) > COVERED * TILE * TILE;
      if (!isThrough && !isCovered && less >= least) counts.replaced++;
      if (shared >= DIFFERENT * Math.sqrt(less * more)) continue;
      if (less >= least) {
        counts.contradicted++;
        continue;
      }
      if (first > tile.bb) counts.onlyFirst++;
      else counts.onlySecond++;
      const corner = row * blocks.columns + column;
      for (const at of [corner, corner + 1, corner + blocks.columns, corner + blocks.columns + 1])
        isCoveredBlock[at] = 1;
    }
  }
  const apart = blockMoments(blocks, isCoveredBlock);
  const share = (count: number) => (counts.structured === 0 ? 0 : count / counts.structured);
  return {
    light: lightOf(light),
    lightApart: lightOf(apart),
    covered: apart.covered,
    shading: Math.sqrt(Math.max(0, Math.min(apart.aa, apart.bb))),
    isBlank: Math.max(light.aa, light.bb) < BLANK_LIGHT,
    tone: light.meanA,
    shift: Math.abs(light.meanA - light.meanB),
    gain,
    lift,
    agreement: isFlat(detail) ? 0 : detail.ab / Math.sqrt(detail.aa * detail.bb),
    contradicted: share(counts.contradicted),
    onlyFirst: share(counts.onlyFirst),
    onlySecond: share(counts.onlySecond),
    replaced: counts.replaced,
    tiles: counts.structured,
  };
}

/** How well the detail of two parts agrees as a whole, −1 to 1, without looking where; `null` where one has none. */
export function detailAgreement(own: Part, other: Part, size: Size): number | null {
  const { detail } = comparedParts(own, other, size, { inBlocks: false });
  return isFlat(detail) ? null : detail.ab / Math.sqrt(detail.aa * detail.bb);
}

const lightOf = ({ aa, bb, ab }: Moments): number =>
  aa < FLAT_LIGHT || bb < FLAT_LIGHT ? 0 : ab / Math.sqrt(aa * bb);

const isFlat = ({ aa, bb }: Moments) => aa < FLAT_DETAIL || bb < FLAT_DETAIL;

/** Sums over blocks of half a tile's side: tiles overlap by half, and each is the sum of four. */
interface Blocks {
  readonly columns: number;
  readonly rows: number;
  /** Five sums a block: both brightnesses, both details squared, and their product. */
  readonly sums: Float64Array;
}

/** Moments of the mean brightness of the blocks that are not covered, and the share of those that are. */
function blockMoments({ columns, rows, sums }: Blocks, isCovered: Uint8Array) {
  const [first, second]: [number[], number[]] = [[], []];
  for (let at = 0; at < columns * rows; at++) {
    if (isCovered[at]) continue;
    first.push(sums[at * BLOCK_SUMS]! / BLOCK ** 2);
    second.push(sums[at * BLOCK_SUMS + 1]! / BLOCK ** 2);
  }
  const covered = 1 - first.length / Math.max(1, columns * rows);
  if (first.length === 0) return { ...NO_MOMENTS, covered };
  return { ...momentsOf(Float32Array.from(first), Float32Array.from(second)), covered };
}

const NO_MOMENTS: Moments = { meanA: 0, meanB: 0, aa: 0, bb: 0, ab: 0 };

function tileOf(blocks: Blocks, row: number, column: number) {
  const corner = (row * blocks.columns + column) * BLOCK_SUMS;
  return {
    a: sumOfFour(blocks, corner),
    b: sumOfFour(blocks, corner + 1),
    aa: sumOfFour(blocks, corner + 2),
    bb: sumOfFour(blocks, corner + 3),
    ab: sumOfFour(blocks, corner + 4),
  };
}

/** A sum over the block at the corner, those to the right of it and below, and the one across. */
function sumOfFour({ columns, sums }: Blocks, at: number): number {
  const below = at + columns * BLOCK_SUMS;
  return sums[at]! + sums[at + BLOCK_SUMS]! + sums[below]! + sums[below + BLOCK_SUMS]!;
}
