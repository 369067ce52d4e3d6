import { describe, expect, it } from 'vitest';
import { drawnSign } from './drawn-signs';
import type { GreyPlane } from './grey-plane';

const WIDTH = 240;
const HEIGHT = 180;
type Draw = (x: number, y: number) => number;
/** A plane whose every pixel is asked for its tone, 0 to 255. */
const plane = (draw: Draw, width = WIDTH, height = HEIGHT): GreyPlane => ({
  ...{ width, height },
  data: Float32Array.from({ length: width * height }, (_, i) => draw(i % width, Math.floor(i / width))),
});
const within = (x: number, y: number, left: number, top: number, width: number, height: number) =>
  x >= left && x < left + width && y >= top && y < top + height;
const inDisc = (x: number, y: number, atX: number, atY: number, radius: number) =>
  (x - atX) ** 2 + (y - atY) ** 2 < radius ** 2;

const camera: Draw = (x, y) =>
  inDisc(x, y, 120, 94, 17) ? 240 : within(x, y, 80, 68, 80, 52) || within(x, y, 104, 58, 32, 10) ? 170 : 240;
/** An `L` and a `T`. */
const letters: Draw = (x, y) =>
  within(x, y, 90, 66, 10, 48) ||
  within(x, y, 90, 104, 26, 10) ||
  within(x, y, 124, 66, 30, 10) ||
  within(x, y, 134, 66, 10, 48)
    ? 255
    : 0;
const disc =
  (inside: Draw, ground = 255): Draw =>
  (x, y) =>
    inDisc(x, y, 120, 90, 78) ? (inside(x, y) > 0 ? 250 : 110) : ground;
const hook: Draw = (x, y) => {
  const isArc = inDisc(x, y, 120, 66, 32) && !inDisc(x, y, 120, 66, 19) && (y < 66 || x > 120);
  return isArc || within(x, y, 114, 86, 13, 24) || inDisc(x, y, 120, 128, 8) ? 255 : 190;
};

describe('drawnSign', () => {
  it.each<[string, Draw, number?, number?]>([
    ['flat', () => 200],
    ['gradient', (x) => 60 + x / 2],
    ['checkerboard', (x, y) => (((x >> 3) + (y >> 3)) % 2 ? 255 : 220)],
    ['hatching', (x, y) => ((x - y + 1000) % 24 < 12 ? 238 : 221)],
    ['hatching', (x, y) => ((x + y) % 28 < 14 ? 250 : 200)],
    ['camera', camera],
    ['question mark', hook],
    ['initials in a disc', disc(letters)],
    ['initials in a disc', disc(letters), 180, 180],
    ['large letters', (x, y) => (letters(x, y) > 0 ? 255 : 90)],
  ])('is %s', (sign, draw, width = WIDTH, height = HEIGHT) => {
    const moved: Draw = (x, y) => draw(x + (WIDTH - width) / 2, y + (HEIGHT - height) / 2);
    expect(drawnSign(plane(moved, width, height))).toBe(sign);
  });

  it.each<[string, Draw]>([
    ['upright stripes, as of an awning', (x) => (x % 24 < 12 ? 238 : 221)],
    ['a game board in strong tones', (x, y) => (((x / 30) ^ (y / 30)) & 1 ? 255 : 20)],
    [
      'a thing of many tones with the outline of letters',
      (x, y) => (letters(x, y) > 0 ? 40 + x + (y % 7) * 9 : 250),
    ],
    ['a disc with a disc in it', disc((x, y) => (inDisc(x, y, 120, 90, 30) ? 1 : 0))],
    [
      'a washing machine: as high as broad',
      (x, y) => (inDisc(x, y, 120, 90, 25) ? 240 : within(x, y, 80, 50, 80, 80) ? 170 : 240),
    ],
    [
      'a frame alone',
      (x, y) => (within(x, y, 60, 40, 120, 100) && !within(x, y, 64, 44, 112, 92) ? 90 : 240),
    ],
    ['grain', (x, y) => (x * 7919 + y * 104729) % 251],
  ])('is not %s', (_, draw) => {
    expect(drawnSign(plane(draw))).toBeNull();
  });
});
