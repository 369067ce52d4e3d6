import { bytes } from './sums';

/**
 * Brightness of every pixel, and sums of its distances from grey over cells; whole numbers throughout, since every pixel
 * of every picture comes by here. Weights of ITU-R BT.601 in shares of 65,536.
 *
 * @param pixels red, green, blue, a byte each, row by row
 * @param starts where each column of cells begins, and where the last one ends: `across + 1` whole numbers
 * @param plane where the brightness is put, a byte a pixel
 * @param blue with `red`: where the sums over `across × down` cells are put, whole numbers
 */
export function takeApart(
  pixels: usize,
  width: i32,
  height: i32,
  starts: usize,
  across: i32,
  down: i32,
  plane: usize,
  blue: usize,
  red: usize,
): void {
  lighten(pixels, width * height, plane);
  memory.fill(blue, 0, bytes(across * down));
  memory.fill(red, 0, bytes(across * down));
  let from = pixels;
  let at = plane;
  for (let y = 0; y < height; y++) {
    const cells = bytes(((y * down) / height) * across);
    for (let column = 0; column < across; column++) {
      const end = plane + ((y * width + load<i32>(starts + bytes(column), 4)) as usize);
      const cell = cells + bytes(column);
      let blueSum = load<i32>(blue + cell);
      let redSum = load<i32>(red + cell);
      for (; at < end; at++, from += 3) {
        const brightness = load<u8>(at) as i32;
        redSum += (load<u8>(from) as i32) - brightness;
        blueSum += (load<u8>(from, 2) as i32) - brightness;
      }
      store<i32>(blue + cell, blueSum);
      store<i32>(red + cell, redSum);
    }
  }
}

/** Weights of red and half of green, and of the other half and blue: products of pairs are summed in one step. */
const RED: i16 = 19595;
const HALF_GREEN: i16 = 19235;
const BLUE: i16 = 7471;

function lighten(pixels: usize, count: i32, plane: usize): void {
  const redGreen = i16x8(RED, HALF_GREEN, RED, HALF_GREEN, RED, HALF_GREEN, RED, HALF_GREEN);
  const greenBlue = i16x8(HALF_GREEN, BLUE, HALF_GREEN, BLUE, HALF_GREEN, BLUE, HALF_GREEN, BLUE);
  const half = i32x4.splat(32768);
  let i = 0;
  for (; i + 4 <= count; i += 4) {
    const four = v128.load(pixels + ((3 * i) as usize));
    // Places beyond the sixteen give nothing: each byte becomes a number of two.
    const first = i8x16.swizzle(four, i8x16(0, -1, 1, -1, 3, -1, 4, -1, 6, -1, 7, -1, 9, -1, 10, -1));
    const second = i8x16.swizzle(four, i8x16(1, -1, 2, -1, 4, -1, 5, -1, 7, -1, 8, -1, 10, -1, 11, -1));
    const sums = i32x4.add(i32x4.dot_i16x8_s(first, redGreen), i32x4.dot_i16x8_s(second, greenBlue));
    const light = i32x4.shr_u(i32x4.add(sums, half), 16);
    const packed = i8x16.swizzle(light, i8x16(0, 4, 8, 12, -1, -1, -1, -1, -1, -1, -1, -1, -1, -1, -1, -1));
    v128.store_lane<u32>(plane + (i as usize), packed, 0);
  }
  for (; i < count; i++) {
    const from = pixels + ((3 * i) as usize);
    const sum =
      (RED as i32) * (load<u8>(from) as i32) +
      2 * (HALF_GREEN as i32) * (load<u8>(from, 1) as i32) +
      (BLUE as i32) * (load<u8>(from, 2) as i32);
    store<u8>(plane + (i as usize), ((sum + 32768) >> 16) as u8);
  }
}
