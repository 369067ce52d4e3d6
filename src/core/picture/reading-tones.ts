import { LINEAR_LIGHT, sampleOfLight } from './linear-light';

/** How much red, green and blue add to brightness (IEC 61966-2-1). */
const SHARES = [0.2126, 0.7152, 0.0722] as const;
/** The share of all pixels that may become black. */
const LOST = 0.01;
/** Tones nearer to each other, as L* of CIE 1976, are one ground: what would be seen in it is noise. */
const LEAST_SPREAD = 1;
/** In which light is told from light; finer than samples are where they are dark. */
const STEPS = 4096;

const SAMPLE_OF_LIGHT = Uint8Array.from({ length: STEPS + 1 }, (_, step) =>
  Math.round(sampleOfLight(step / STEPS)),
);
const WEIGHED = SHARES.map((share) => LINEAR_LIGHT.map((light) => light * share * STEPS));
const LIGHTNESS = LINEAR_LIGHT.map((light) =>
  light > 216 / 24389 ? 116 * Math.cbrt(light) - 16 : (light * 24389) / 27,
);

/**
 * The tones of a picture for whoever reads letters in it: its brightness, stretched evenly as an eye sees it, so that
 * all but its darkest pixels lie between black and white.
 *
 * @param rgb red, green and blue samples, 0 to 255, pixel after pixel
 * @returns a sample for each pixel, 0 (black) to 255
 */
export function readingTones(rgb: Uint8Array): Uint8Array {
  const [red, green, blue] = WEIGHED as [Float32Array, Float32Array, Float32Array];
  const tones = new Uint8Array(rgb.length / 3);
  const counts = new Uint32Array(256);
  for (let at = 0, from = 0; at < tones.length; at++, from += 3) {
    const light = red[rgb[from]!]! + green[rgb[from + 1]!]! + blue[rgb[from + 2]!]!;
    const tone = SAMPLE_OF_LIGHT[(light + 0.5) | 0]!;
    tones[at] = tone;
    counts[tone]!++;
  }
  const stretched = stretch(counts, tones.length);
  if (stretched) for (let at = 0; at < tones.length; at++) tones[at] = stretched[tones[at]!]!;
  return tones;
}

/** What each tone becomes; null where they are to stay. */
function stretch(counts: Uint32Array, total: number): Uint8Array | null {
  const lightest = counts.findLastIndex((count) => count > 0);
  let darkest = 0;
  for (let seen = counts[0]!; seen < total * LOST; seen += counts[darkest]!) darkest++;
  const from = LIGHTNESS[darkest]!;
  const spread = LIGHTNESS[lightest]! - from;
  if (spread <= LEAST_SPREAD) return null;
  return Uint8Array.from({ length: 256 }, (_, tone) => {
    const share = Math.min(1, Math.max(0, (LIGHTNESS[tone]! - from) / spread));
    return Math.round(sampleOfLight(lightOf(share * 100)));
  });
}

/** The share of light, 0 to 1, of an L* from 0 to 100. */
const lightOf = (lightness: number): number =>
  lightness > 8 ? ((lightness + 16) / 116) ** 3 : (lightness * 27) / 24389;
