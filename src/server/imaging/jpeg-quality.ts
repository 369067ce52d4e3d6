/** Luminance quantization that the JPEG standard gives as an example (ITU-T T.81, table K.1), in zigzag order. */
const STANDARD = [
  16, 11, 12, 14, 12, 10, 16, 14, 13, 14, 18, 17, 16, 19, 24, 40, 26, 24, 22, 22, 24, 49, 35, 37, 29, 40, 58,
  51, 61, 60, 57, 51, 56, 55, 64, 72, 92, 78, 64, 68, 87, 69, 55, 56, 80, 109, 81, 87, 95, 98, 103, 104, 103,
  62, 77, 113, 121, 112, 100, 120, 92, 101, 103, 99,
]; // oxfmt-ignore

/**
 * About which quality a JPEG was written with, 1 to 100 on the scale that most programs use: the scale at which the
 * standard's table comes nearest to the file's first one. `null` where there is none.
 */
export function jpegQuality(bytes: Uint8Array): number | null {
  let at = 2;
  while (at + 4 < bytes.length && bytes[at] === 0xff) {
    const marker = bytes[at + 1] as number;
    const length = ((bytes[at + 2] as number) << 8) | (bytes[at + 3] as number);
    if (marker === 0xda || length < 2) return null;
    if (marker === 0xdb) return fromTable(bytes.subarray(at + 4, at + 2 + length));
    at += 2 + length;
  }
  return null;
}

function fromTable(segment: Uint8Array): number | null {
  const is16Bit = (segment[0] ?? 0) >> 4 === 1;
  let ratio = 0;
  for (let i = 0; i < 64; i++) {
    const value = is16Bit
      ? ((segment[1 + 2 * i] ?? 0) << 8) | (segment[2 + 2 * i] ?? 0)
      : (segment[1 + i] ?? 0);
    if (value === 0) return null;
    ratio += value / (STANDARD[i] as number) / 64;
  }
  const percent = ratio * 100;
  const quality = percent <= 100 ? (200 - percent) / 2 : 5000 / percent;
  return Math.max(1, Math.min(100, Math.round(quality)));
}
