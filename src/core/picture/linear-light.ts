/** How much light each value of a sample stands for, from 0 to 1 (IEC 61966-2-1, sRGB). */
export const LINEAR_LIGHT: Float32Array = Float32Array.from({ length: 256 }, (_, value) => {
  const share = value / 255;
  return share <= 0.04045 ? share / 12.92 : ((share + 0.055) / 1.055) ** 2.4;
});

/** The sample, 0 to 255 and not rounded, for a share of light from 0 to 1: the inverse of `LINEAR_LIGHT`. */
export const sampleOfLight = (light: number): number =>
  255 * (light <= 0.0031308 ? 12.92 * light : 1.055 * light ** (1 / 2.4) - 0.055);
