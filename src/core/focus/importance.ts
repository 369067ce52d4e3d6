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
  /** From 0, without a unit: to be compared within one picture. */
  readonly weight: Plane;
  /** What the weight was made of, each 0 to 1. */
  readonly contrast: Plane;
  readonly colour: Plane;
  readonly detail: Plane;
}

// Found by trying on judged pictures; near these values little changes (docs/decisions/32).
const COLOUR_SHARE = 0.25;
const POWER = 2.5;
/** Standard deviation of the pull towards the middle, as a share of width and of height. */
const MIDDLE = 0.62;
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
  const weight = new Float32Array(width * height);
  const across = pull(width);
  const down = pull(height);
  for (let y = 0, at = 0; y < height; y++)
    for (let x = 0; x < width; x++, at++) {
      const sum = contrast[at]! + COLOUR_SHARE * colour[at]! + detail[at]!;
      weight[at] = sum ** POWER * across[x]! * down[y]!;
    }
  return { width, height, weight, contrast, colour, detail };
}

/** The pull towards the middle along one side: a Gaussian. */
function pull(size: number): Float32Array {
  return Float32Array.from({ length: size }, (_, n) => {
    const off = (n + 0.5) / size - 0.5;
    return Math.exp((-off * off) / (2 * MIDDLE * MIDDLE));
  });
}
