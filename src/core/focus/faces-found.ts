import type { ShareRect } from './importance';
import type { FocusPixels } from './oklab';

/** How a detector divides its square field: grids of cells, each cell looked at by so many anchors. */
export interface AnchorLayout {
  /** Side of the square that goes in, in pixels. */
  readonly side: number;
  readonly grids: readonly { readonly cells: number; readonly anchors: number }[];
  /** Least probability, 0 to 1, of a face that counts. */
  readonly least: number;
}

/** BlazeFace's anchors (Bazarevsky et al. 2019): all of one size, in the middles of the cells. */
export const SHORT_RANGE: AnchorLayout = {
  side: 128,
  grids: [
    { cells: 16, anchors: 2 },
    { cells: 8, anchors: 6 },
  ],
  least: 0.75,
};
export const FULL_RANGE: AnchorLayout = { side: 192, grids: [{ cells: 48, anchors: 1 }], least: 0.7 };

/** Numbers an anchor gives: the logit of a face, its middle and size in pixels, and six points that are not used. */
const NUMBERS = 17;
/** Overlap (intersection ÷ union) from which two finds are one face. */
const SAME_FACE = 0.3;
/** A head around its face, as shares of the face's sides: hair above, ears beside, chin below. */
const HEAD = { above: 0.6, beside: 0.2, below: 0.2 };

/**
 * The heads that a detector saw in a picture that was fitted into its square, strongest first.
 *
 * @param numbers 17 for each anchor, as BlazeFace gives them
 * @param size width and height of the fitted picture within the square, in pixels; it lies in the middle
 */
export function headsIn(
  numbers: Float32Array,
  { side, grids, least }: AnchorLayout,
  size: { readonly width: number; readonly height: number },
): ShareRect[] {
  const found: { readonly score: number; readonly face: ShareRect }[] = [];
  let anchor = 0;
  for (const { cells, anchors } of grids)
    for (let n = 0; n < cells * cells * anchors; n++, anchor++) {
      const at = anchor * NUMBERS;
      const score = 1 / (1 + Math.exp(-numbers[at]!));
      if (!(score >= least)) continue;
      const cell = Math.floor(n / anchors);
      const x = (((cell % cells) + 0.5) / cells) * side + numbers[at + 1]!;
      const y = ((Math.floor(cell / cells) + 0.5) / cells) * side + numbers[at + 2]!;
      const [width, height] = [numbers[at + 3]!, numbers[at + 4]!];
      if (!(width > 0 && height > 0)) continue;
      const left = x - width / 2 - (side - size.width) / 2;
      const top = y - height / 2 - (side - size.height) / 2;
      const face = {
        x: left / size.width,
        y: top / size.height,
        width: width / size.width,
        height: height / size.height,
      };
      found.push({ score, face });
    }
  const faces: ShareRect[] = [];
  for (const { face } of found.toSorted((a, b) => b.score - a.score))
    if (!faces.some((other) => overlap(face, other) > SAME_FACE)) faces.push(face);
  return faces.map(headAround).filter(({ width, height }) => width > 0 && height > 0);
}

function overlap(a: ShareRect, b: ShareRect): number {
  const across = Math.min(a.x + a.width, b.x + b.width) - Math.max(a.x, b.x);
  const down = Math.min(a.y + a.height, b.y + b.height) - Math.max(a.y, b.y);
  if (across <= 0 || down <= 0) return 0;
  return (across * down) / (a.width * a.height + b.width * b.height - across * down);
}

/** The head that belongs to a face, as far as it is in the picture. */
function headAround({ x, y, width, height }: ShareRect): ShareRect {
  const left = Math.max(0, x - width * HEAD.beside);
  const top = Math.max(0, y - height * HEAD.above);
  const right = Math.min(1, x + width * (1 + HEAD.beside));
  const bottom = Math.min(1, y + height * (1 + HEAD.below));
  return { x: left, y: top, width: right - left, height: bottom - top };
}

/** What goes into a detector: the picture in the middle of its square, −1 to 1, on grey. */
export function inSquare({ width, height, rgb }: FocusPixels, { side }: AnchorLayout): Float32Array {
  const square = new Float32Array(side * side * 3);
  const left = Math.floor((side - width) / 2);
  const top = Math.floor((side - height) / 2);
  for (let y = 0; y < height; y++) {
    const to = ((top + y) * side + left) * 3;
    const from = y * width * 3;
    for (let n = 0; n < width * 3; n++) square[to + n] = rgb[from + n]! / 127.5 - 1;
  }
  return square;
}
