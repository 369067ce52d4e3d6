/**
 * The light corrections as tables: what becomes of each of the 256 levels of red, green and blue. Browser and server
 * apply the same tables, so that they agree on every level.
 */
import type { Light } from './steps';

export interface ToneTables {
  readonly red: Uint8ClampedArray;
  readonly green: Uint8ClampedArray;
  readonly blue: Uint8ClampedArray;
}

/** How far full warmth raises red and lowers blue. */
const WARMEST = 0.16;
/** Shares of red, green and blue in what the eye takes for brightness (ITU-R BT.709). */
const LUMA = [0.2126, 0.7152, 0.0722] as const;

/**
 * Brightness bends the curve and leaves black and white where they are (a power law); contrast steepens it about the
 * middle (a smoothstep, mixed in), or flattens it; warmth weighs red against blue, as a white balance does by diagonal
 * gains (von Kries), with the brightness kept.
 *
 * @returns `null` where nothing changes
 */
export function toneTables({ brightness, contrast, warmth }: Light): ToneTables | null {
  if (brightness === 0 && contrast === 0 && warmth === 0) return null;
  const power = 2 ** (-brightness / 100);
  const steep = contrast / 100;
  const [red, blue] = [1 + (WARMEST * warmth) / 100, 1 - (WARMEST * warmth) / 100];
  const even = LUMA[0] * red + LUMA[1] + LUMA[2] * blue;
  const table = (gain: number) =>
    Uint8ClampedArray.from({ length: 256 }, (_, level) =>
      Math.round(255 * curved(Math.min(1, ((level / 255) * gain) / even), power, steep)),
    );
  return { red: table(red), green: table(1), blue: table(blue) };
}

function curved(level: number, power: number, steep: number): number {
  const bent = level ** power;
  if (steep >= 0) return bent + steep * (bent * bent * (3 - 2 * bent) - bent);
  return bent + (-steep / 2) * (0.5 - bent);
}

/**
 * Applies tables to pixels, in place.
 *
 * @param channels of each pixel, 3 or 4; alpha stays
 * @throws RangeError for grey pixels
 */
export function applyTone(
  data: Uint8Array | Uint8ClampedArray,
  channels: number,
  { red, green, blue }: ToneTables,
): void {
  if (channels < 3) throw new RangeError('light is corrected in colours: give red, green and blue');
  for (let at = 0; at + 2 < data.length; at += channels) {
    data[at] = red[data[at] ?? 0] ?? 0;
    data[at + 1] = green[data[at + 1] ?? 0] ?? 0;
    data[at + 2] = blue[data[at + 2] ?? 0] ?? 0;
  }
}
