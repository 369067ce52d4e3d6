/** How often each tone of a plane of brightness occurs. */

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
