/** Which places rules speak about. */
import type { PlacementToCheck } from './page-to-check';

/** Pictures within the text, that readers meet as such and that take words. */
export const isPicture = ({ bearsWords, dormant, hidden }: PlacementToCheck): boolean =>
  bearsWords && !dormant && !hidden;

/** Such a picture with an alt text that is not empty. */
export const hasAlt = (placement: PlacementToCheck): boolean =>
  isPicture(placement) && (placement.alt ?? '').trim() !== '';

/** Any place of the site's own files that is in use. */
export const showsFile = ({ filePath, dormant }: PlacementToCheck): boolean => filePath !== null && !dormant;

/** Kinds that stand in the page for themselves, without an element that bears words. */
const ALONE = new Set<PlacementToCheck['kind']>([
  'css',
  'attribute-background',
  'poster',
  'svg-image',
  'embed',
]);

/** Where readers see a picture of the site: each element once, whatever sizes it offers. */
export const isSeen = (placement: PlacementToCheck): boolean =>
  showsFile(placement) && !placement.hidden && (placement.bearsWords || ALONE.has(placement.kind));
