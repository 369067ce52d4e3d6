/** Brightness and colour of a picture, taken apart: the one in full for comparing detail, the other coarsely. */
import { fitted, type GreyPlane, type Rect } from './grey-plane';
import { resample } from './kernels/comparing';
import { takenApart, type ColourPixels } from './kernels/taking-apart';

/** Long side of what is kept of the colours, in pixels. */
const TINT_PX = 24;
/** Mean distance from grey, of 128, below which a picture has no colours to speak of. */
const COLOURLESS = 4;
/** Distance of colours, of 128, that makes a cell another colour: more than saturation and compression do. */
const OTHER_COLOUR = 22;
/** By how much a picture may be more colourful as a whole and be the same. */
const MOST_GAIN = 1.35;
/** Correlation of colours from which they are the same but for their strength. */
const SAME_COLOURS = 0.9;
/** Cells a side that are compared. */
const CELLS = 12;

/** How far each place is from grey towards blue and towards red: Cb and Cr of ITU-T T.871, −128 to 127. */
export interface Tint {
  readonly blue: GreyPlane;
  readonly red: GreyPlane;
}

/** Brightness of every pixel, and the mean distances from grey of cells along the long side. */
export function planesOf(pixels: ColourPixels): { readonly plane: GreyPlane; readonly tint: Tint } {
  const { width, height } = pixels;
  const [across, down] = Math.max(width, height) > TINT_PX ? fitted(width, height, TINT_PX) : [width, height];
  const starts = Int32Array.from({ length: across + 1 }, (_, column) => Math.ceil((column * width) / across));
  const { brightness, blue, red } = takenApart(pixels, starts, down);
  const rows = new Uint32Array(down);
  for (let y = 0; y < height; y++) rows[Math.floor((y * down) / height)]! += 1;
  const means = (sums: Int32Array, weight: number) => {
    const data = new Float32Array(sums.length);
    for (let row = 0, cell = 0; row < down; row++)
      for (let column = 0; column < across; column++, cell++)
        data[cell] = sums[cell]! * (weight / (rows[row]! * (starts[column + 1]! - starts[column]!)));
    return { width: across, height: down, data };
  };
  return {
    plane: { width, height, data: brightness },
    tint: { blue: means(blue, 0.5643), red: means(red, 0.7133) },
  };
}

/**
 * Share of the common part that has another colour in one picture than in the other, 0 to 1; 0 where one of them has
 * no colours at all, since any picture may be shown in grey.
 */
export function otherColours(
  own: Tint,
  other: Tint,
  parts: { readonly own: Rect; readonly other: Rect },
): number {
  const cells = (plane: GreyPlane, rect: Rect) => resample(plane, rect, [CELLS, CELLS]);
  const a = [cells(own.blue, parts.own), cells(own.red, parts.own)] as const;
  const b = [cells(other.blue, parts.other), cells(other.red, parts.other)] as const;
  if (distanceFromGrey(a) < COLOURLESS || distanceFromGrey(b) < COLOURLESS) return 0;
  const gain = saturation(a, b);
  let different = 0;
  for (let y = 0; y < CELLS; y++)
    for (let x = 0; x < CELLS; x++) if (isOther(a, b, { x, y, gain })) different++;
  return different / (CELLS * CELLS);
}

type Colours = readonly [blue: Float32Array, red: Float32Array];

/**
 * Whether a cell has a colour that the other picture has neither there nor beside it: colours are kept coarsely, and
 * where two meet a cutting mixes them otherwise.
 */
function isOther(a: Colours, b: Colours, { x, y, gain }: { x: number; y: number; gain: number }): boolean {
  const at = y * CELLS + x;
  const [blue, red] = [gain * a[0][at]!, gain * a[1][at]!];
  for (let row = Math.max(0, y - 1); row <= Math.min(CELLS - 1, y + 1); row++) {
    for (let column = Math.max(0, x - 1); column <= Math.min(CELLS - 1, x + 1); column++) {
      const there = row * CELLS + column;
      if (Math.hypot(blue - b[0][there]!, red - b[1][there]!) <= OTHER_COLOUR) return false;
    }
  }
  return true;
}

/**
 * By how much the one picture’s colours are stronger all over, as where it was made brighter: least squares; 1 where
 * they are not the same colours.
 */
function saturation(a: Colours, b: Colours): number {
  let shared = 0;
  let own = 0;
  let others = 0;
  for (const n of [0, 1] as const) {
    for (let i = 0; i < a[n].length; i++) {
      shared += a[n][i]! * b[n][i]!;
      own += a[n][i]! ** 2;
      others += b[n][i]! ** 2;
    }
  }
  if (shared < SAME_COLOURS * Math.sqrt(own * others)) return 1;
  return Math.min(MOST_GAIN, Math.max(1 / MOST_GAIN, shared / own));
}

function distanceFromGrey([blue, red]: Colours): number {
  return blue.reduce((sum, value, i) => sum + Math.hypot(value, red[i]!), 0) / blue.length;
}
