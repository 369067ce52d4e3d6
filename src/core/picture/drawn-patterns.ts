/** Patterns that cover a whole picture and show nothing: the chequers of programs, slanting stripes. */
import type { GreyPlane } from './grey-plane';
import { toneCounts } from './tone-counts';

/** Tones that count as one. */
const SAME_TONE = 10;
/** A game board has eight cells a side, and strong tones. */
const LEAST_CELLS = 9;
const LIGHT = 150;
/** Share of the samples that must lie as the pattern says. */
const FITS = 0.93;
/** Scaling blurs the borders between cells. */
const BLURRED = 0.25;

/** The two commonest tones, both light, as a divider between them; `null` where one is dark or there is but one. */
function lightTones(plane: GreyPlane): number | null {
  const counts = toneCounts(plane);
  const tones = [...counts.keys()].sort((a, b) => (counts[b] ?? 0) - (counts[a] ?? 0));
  const first = tones[0] as number;
  const second = tones.find((tone) => Math.abs(tone - first) > SAME_TONE);
  return second === undefined || Math.min(first, second) < LIGHT ? null : (first + second) / 2;
}

/** Two light tones by turns in squares, as programs draw where nothing is. */
export function isCheckerboard(plane: GreyPlane): boolean {
  const { width, height, data } = plane;
  const middle = lightTones(plane);
  if (middle === null) return false;
  const isBright = (x: number, y: number) => (data[y * width + x] as number) > middle;
  const cell = cellWidth(width, (x) => isBright(x, 1));
  if (cell === null || width / cell < LEAST_CELLS) return false;
  let fits = 0;
  let asked = 0;
  const origin = isBright(0, 0);
  for (let y = 0; y < height; y += 2) {
    for (let x = 0; x < width; x += 2) {
      const [inX, inY] = [(x % cell) / cell, (y % cell) / cell];
      if (Math.min(inX, 1 - inX, inY, 1 - inY) < BLURRED) continue;
      asked++;
      const isEven = (Math.floor(x / cell) + Math.floor(y / cell)) % 2 === 0;
      if (isBright(x, y) === (origin === isEven)) fits++;
    }
  }
  return asked > 0 && fits >= FITS * asked;
}

/** Mean length of a run along a line, in pixels, where they are all alike. */
function cellWidth(width: number, isBright: (x: number) => boolean): number | null {
  const changes: number[] = [];
  for (let x = 1; x < width; x++) if (isBright(x) !== isBright(x - 1)) changes.push(x);
  if (changes.length < LEAST_CELLS - 1) return null;
  const [first, last] = [changes[0] as number, changes.at(-1) as number];
  const cell = (last - first) / (changes.length - 1);
  return Math.abs(first - cell) <= Math.max(2, 0.3 * cell) ? cell : null;
}

/** Slopes that stripes are drawn with, in pixels across for one down. */
const SLANTS = [1, -1, 0.577, -0.577, 1.732, -1.732];
const LEAST_STRIPES = 6;

/** Two light tones by turns in slanting stripes of one breadth. */
export function isHatched(plane: GreyPlane): boolean {
  const { width, height, data } = plane;
  const middle = lightTones(plane);
  if (middle === null) return false;
  const isBright = (x: number, y: number) => (data[y * width + x] as number) > middle;
  const changes: number[] = [];
  for (let x = 1; x < width; x++) if (isBright(x, 0) !== isBright(x - 1, 0)) changes.push(x);
  if (changes.length < LEAST_STRIPES) return false;
  const period = (2 * ((changes.at(-1) as number) - (changes[0] as number))) / (changes.length - 1);
  return SLANTS.some((slant) => {
    let fits = 0;
    let asked = 0;
    for (let y = 0; y < height; y += 3) {
      for (let x = 0; x < width; x += 3) {
        // The same stripe, where it left the upper edge, a few periods on where it left the picture.
        let from = x - slant * y - (changes[0] as number);
        from = ((from % period) + period) % period;
        const inStripe = (from % (period / 2)) / (period / 2);
        if (Math.min(inStripe, 1 - inStripe) < BLURRED) continue;
        asked++;
        if (isBright(x, y) === (from < period / 2 === isBright(changes[0] as number, 0))) fits++;
      }
    }
    return asked > 0 && fits >= FITS * asked;
  });
}
