import { edgeContrast } from './edge-colours';
import { fineDetail } from './fine-detail';
import { minimumBarrier } from './minimum-barrier';
import { oklabPlanes, type FocusPixels, type Plane } from './oklab';
import { boxBlur, stretched } from './plane-filters';

/** A rectangle in a picture, as shares of its width and height from the top left. */
export interface ShareRect {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

/** How much each pixel matters. */
export interface Importance {
  readonly width: number;
  readonly height: number;
  /** From 0, without a unit: to be compared within one picture. By it the point is found. */
  readonly weight: Plane;
  /** The same for what a crop should hold: detail counts more, since all of a subject has some. */
  readonly extent: Plane;
  /** What the weight was made of, each 0 to 1. */
  readonly contrast: Plane;
  readonly colour: Plane;
  readonly detail: Plane;
}

interface Mixture {
  readonly contrast: number;
  readonly colour: number;
  readonly detail: number;
  /** Standard deviation of the pull towards the middle, as a share of width and of height. */
  readonly middle: number;
}

// Found by trying on one half of the judged pictures, and looked at on the other; near these values little changes.
const POINT: Mixture = { contrast: 1, colour: 0.25, detail: 1, middle: 0.62 };
const EXTENT: Mixture = { contrast: 0.4, colour: 0.35, detail: 1.2, middle: 0.45 };
/** Spreads below which a picture has nothing that stands out: a step of 2 in 100 of lightness. */
const LEAST = { contrast: 0.02, colour: 0.05, detail: 0.004 };

/** Weighs every pixel of a small picture. */
export function importanceOf(pixels: FocusPixels): Importance {
  const { width, height } = pixels;
  const fine = oklabPlanes(pixels).map((plane) => boxBlur(plane, { width, height }, 1));
  const planes = [fine[0]!, fine[1]!, fine[2]!] as const;
  const barriers = planes.map((plane) => minimumBarrier(plane, width, height));
  const barrier = new Float32Array(width * height);
  for (let at = 0; at < barrier.length; at++)
    barrier[at] = barriers[0]![at]! + 2 * barriers[1]![at]! + 2 * barriers[2]![at]!;
  const contrast = stretched(barrier, LEAST.contrast);
  const colour = stretched(edgeContrast(planes, width, height), LEAST.colour);
  const detail = stretched(fineDetail(planes, width, height), LEAST.detail);
  const parts = { contrast, colour, detail };
  return { width, height, ...parts, weight: mixed(parts, width, POINT), extent: mixed(parts, width, EXTENT) };
}

function mixed(
  { contrast, colour, detail }: Pick<Importance, 'contrast' | 'colour' | 'detail'>,
  width: number,
  mixture: Mixture,
): Plane {
  const weight = new Float32Array(contrast.length);
  const height = contrast.length / width;
  const across = pull(width, mixture.middle);
  const down = pull(height, mixture.middle);
  for (let y = 0, at = 0; y < height; y++)
    for (let x = 0; x < width; x++, at++) {
      const sum =
        mixture.contrast * contrast[at]! + mixture.colour * colour[at]! + mixture.detail * detail[at]!;
      // To the power of 2.5: what matters much counts far more than what matters a little.
      weight[at] = sum * sum * Math.sqrt(sum) * across[x]! * down[y]!;
    }
  return weight;
}

/** The pull towards the middle along one side: a Gaussian. */
function pull(size: number, middle: number): Float32Array {
  return Float32Array.from({ length: size }, (_, n) => {
    const off = (n + 0.5) / size - 0.5;
    return Math.exp((-off * off) / (2 * middle * middle));
  });
}
