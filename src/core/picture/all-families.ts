import { FamilyBuilder, type Family } from './families';
import type { FamilyFile } from './family-state';
import type { Fingerprint } from './fingerprint';

/**
 * Puts files together that are one picture, all at once.
 *
 * @param files in any order; those with the same id are taken once
 * @param load gives the fingerprint of a file by its id; it may be asked for the same one again
 */
export function familiesOf(files: readonly FamilyFile[], load: (id: string) => Fingerprint): Family[] {
  const builder = new FamilyBuilder(load, [], files.length);
  const bySize = files.toSorted((a, b) => b.widthPx * b.heightPx - a.widthPx * a.heightPx);
  for (const file of bySize) builder.add(file);
  for (const id of builder.lonely()) builder.lookAgain(id);
  for (const pair of builder.doubtful()) builder.compareAcross(pair);
  return builder.families();
}
