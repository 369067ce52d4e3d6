/** What a transparent picture is seen over: white, or black where it was made for dark pages. */
import { planesOf, type Tint } from './colour';
import type { GreyPlane } from './grey-plane';

/** Pixels row by row: grey, grey and alpha, red green blue, or these and alpha, each 0 to 255. */
export interface Pixels {
  readonly width: number;
  readonly height: number;
  readonly channels: number;
  readonly data: Uint8Array;
}

/** Brightness from the darkest to the lightest sample below which a picture shows nothing, of 255. */
const BLANK = 12;
/** Mean brightness, of 255, of what is not transparent from which a picture is made for dark ground. */
const LIGHT = 235;
/** Mean opacity, of 1, above which the ground hardly shows. */
const MOSTLY_OPAQUE = 0.75;
const WHITE = 255;
const BLACK = 0;

/**
 * Brightness and colours of a picture. Where it is transparent it lies over white; over black where it is light, as
 * white drawings are, or nothing would be seen of it.
 */
export function planesOnGround(pixels: Pixels): { readonly plane: GreyPlane; readonly tint: Tint } {
  const { width, height, channels, data } = pixels;
  if (channels === 3) return planesOf({ width, height, data });
  const over = (ground: number) => planesOf({ width, height, data: inColour(pixels, ground) });
  const white = over(WHITE);
  const { opacity, brightness } = visible(pixels);
  const isForDark = brightness > LIGHT && opacity < MOSTLY_OPAQUE;
  if (opacity === 1 || (!isForDark && spanOf(white.plane) > BLANK)) return white;
  const black = over(BLACK);
  return isForDark || spanOf(black.plane) > BLANK ? black : white;
}

const hasAlpha = ({ channels }: Pixels) => channels === 2 || channels === 4;

/** How opaque a picture is as a whole, of 1, and how bright what is to be seen of it, of 255. */
function visible(pixels: Pixels): { readonly opacity: number; readonly brightness: number } {
  if (!hasAlpha(pixels)) return { opacity: 1, brightness: 0 };
  const { channels, data } = pixels;
  let alphas = 0;
  let light = 0;
  for (let i = 0; i < data.length; i += channels) {
    const alpha = data[i + channels - 1]!;
    alphas += alpha;
    // Weights of ITU-R BT.601.
    light +=
      alpha * (channels === 2 ? data[i]! : 0.299 * data[i]! + 0.587 * data[i + 1]! + 0.114 * data[i + 2]!);
  }
  const all = 255 * (data.length / channels);
  return { opacity: alphas / all, brightness: alphas === 0 ? 0 : light / alphas };
}

function spanOf({ data }: GreyPlane): number {
  let least = 255;
  let most = 0;
  for (let i = 0; i < data.length; i++) {
    const value = data[i]!;
    if (value < least) least = value;
    if (value > most) most = value;
  }
  return most - least;
}

/** Three channels of whatever there are, laid over a ground of some brightness, 0 to 255. */
function inColour(pixels: Pixels, ground: number): Uint8Array {
  const { channels, data } = pixels;
  const rgb = new Uint8Array((data.length / channels) * 3);
  for (let i = 0, from = 0; i < rgb.length; i += 3, from += channels) {
    const alpha = hasAlpha(pixels) ? data[from + channels - 1]! / 255 : 1;
    for (let k = 0; k < 3; k++)
      rgb[i + k] = Math.round(alpha * data[from + (channels < 3 ? 0 : k)]! + (1 - alpha) * ground);
  }
  return rgb;
}
