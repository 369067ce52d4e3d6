/** How often each tone of a plane of brightness occurs. */
import type { GreyPlane } from './grey-plane';

/** How many samples have each tone, 0 to 255; one between two tones counts for the nearer. */
export function toneCounts({ data }: GreyPlane): Uint32Array {
  const counts = new Uint32Array(256);
  // By index: an iterator over one of two sorts of arrays takes ten times as long.
  for (let i = 0; i < data.length; i++) counts[Math.round(data[i]!)]! += 1;
  return counts;
}

/** How many samples have a tone, or one that is at most so much darker or lighter. */
export function countAround(counts: Uint32Array, tone: number, reach: number): number {
  let sum = 0;
  for (let t = Math.max(0, tone - reach); t <= Math.min(255, tone + reach); t++) sum += counts[t] ?? 0;
  return sum;
}

/** The tone, 0 to 255, around which most samples lie; of equals the darkest. */
export function commonestTone(counts: Uint32Array, reach: number): number {
  let best = 0;
  let most = -1;
  for (let tone = 0; tone < 256; tone++) {
    const count = countAround(counts, tone, reach);
    if (count > most) [best, most] = [tone, count];
  }
  return best;
}
