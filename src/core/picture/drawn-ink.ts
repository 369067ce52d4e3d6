/**
 * Whether what stands on a ground is drawn with a pen of one tone or two, as signs are. A thing that was photographed and
 * cut out of its ground has the outline of a letter as easily; its tones are many.
 */
import type { GreyPlane } from './grey-plane';
import { commonestTone, countAround } from './tone-counts';

/** Tones on either side that count as the same ink, after it was compressed. */
const REACH = 8;
/** Within fewer of its pixels nothing can be told: a thin stroke is all edge. */
const LEAST_WITHIN = 0.2;

/**
 * The share of the ink that the commonest tones make up, 0 to 1; 1 where strokes are too thin to tell. The edges, which are
 * mixed with the ground, are left out.
 *
 * @param marks 1 where a pixel is not of the ground
 * @param tones how many inks there may be
 */
export function shareOfInks({ width, height, data }: GreyPlane, marks: Uint8Array, tones: number): number {
  const counts = new Uint32Array(256);
  let ink = 0;
  let within = 0;
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) {
      const at = y * width + x;
      if (!marks[at]) continue;
      ink++;
      const isEdge =
        (x > 0 && !marks[at - 1]) ||
        (x < width - 1 && !marks[at + 1]) ||
        (y > 0 && !marks[at - width]) ||
        (y < height - 1 && !marks[at + width]);
      if (isEdge) continue;
      within++;
      counts[Math.round(data[at] as number)]! += 1;
    }
  }
  if (within === 0 || within < LEAST_WITHIN * ink) return 1;
  let told = 0;
  for (let n = 0; n < tones; n++) told += takeCommonest(counts);
  return told / within;
}

/** Takes the commonest tone out of the counts, with what is next to it; returns how many had it. */
function takeCommonest(counts: Uint32Array): number {
  const tone = commonestTone(counts, REACH);
  const count = countAround(counts, tone, REACH);
  counts.fill(0, Math.max(0, tone - REACH), tone + REACH + 1);
  return count;
}
