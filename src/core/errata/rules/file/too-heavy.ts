import { onceFor } from '../../once-for';
import type { PageToCheck, PictureFacts, PlacementToCheck } from '../../page-to-check';
import { isPicture, isSeen } from '../../places';
import type { Rule } from '../../rule';

/** Pixels that a slot can use on a dense screen, each way; and how many more are too many. */
const DENSE = 2;
const TOO_MANY = 2;
/** Bytes below which it does not matter. */
const LIGHT = 200_000;

/** Whether a place can show but a part of the pixels. One that declares no width may show them all. */
function isFarLarger({ declared, kind }: PlacementToCheck, picture: PictureFacts | null): boolean {
  if (kind === 'input' || !declared.widthPx || !picture?.widthPx) return false;
  return picture.widthPx >= declared.widthPx * DENSE * TOO_MANY;
}

export const tooHeavy: Rule = {
  id: 'file/too-heavy',
  degree: 'should',
  level: 'measured',
  title: 'It is far larger than its place',
  why: 'Readers wait for pixels that they do not see, and pay for them on a phone.',
  remedy: 'Swap it for itself in the sizes that the place needs.',
  applies: isPicture,
  check: (placement, { page, picture }) => {
    const { widthPx, sizeBytes } = picture ?? { widthPx: null, sizeBytes: null };
    const { widthPx: shown } = placement.declared;
    if (!shown || !widthPx || !sizeBytes || sizeBytes < LIGHT || !isFarLarger(placement, picture))
      return null;
    // Where the page needs it as large elsewhere, nobody waits for it because of this place.
    const { filePath } = placement;
    const needsIt = (one: PlacementToCheck) => isSeen(one) && !isFarLarger(one, picture);
    if (placesOfFiles(page).get(filePath)?.some(needsIt)) return null;
    const kb = Math.round(sizeBytes / 1000).toLocaleString('en');
    return {
      evidence: `${widthPx} pixels wide and ${kb} kB in a place of ${shown}; ${shown * DENSE} would do on the densest screens.`,
    };
  },
  examples: [
    {
      html: '<img src="a.jpg" alt="x" width="200" height="133">',
      evidence: '3000 pixels wide and 840 kB in a place of 200; 400 would do on the densest screens.',
      files: { 'a.jpg': { widthPx: 3000, heightPx: 2000, sizeBytes: 840_000 } },
    },
    {
      html: '<div style="background: url(a.jpg)"></div><img src="a.jpg" alt="x" width="200" height="133">',
      evidence: null,
      files: { 'a.jpg': { widthPx: 3000, heightPx: 2000, sizeBytes: 840_000 } },
    },
    {
      html: '<img src="a.jpg" alt="x" width="600" height="400">',
      evidence: null,
      files: { 'a.jpg': { widthPx: 1200, sizeBytes: 300_000 } },
    },
    {
      html: '<img src="a.jpg" alt="x">',
      evidence: null,
      files: { 'a.jpg': { widthPx: 3000, sizeBytes: 840_000 } },
    },
  ],
};

const placesOfFiles = onceFor(
  (page: PageToCheck): ReadonlyMap<string | null, readonly PlacementToCheck[]> => {
    const places = new Map<string | null, PlacementToCheck[]>();
    for (const one of page.placements) {
      const others = places.get(one.filePath);
      if (others) others.push(one);
      else places.set(one.filePath, [one]);
    }
    return places;
  },
);
