import type { SurveyCounts } from '@/server/db/schema/sites';
import { count } from '@/ui/format';

/** What a survey found different from the one before, in a sentence. */
export function differenceText(counts: SurveyCounts, number: number): string {
  if (number === 1) return 'The first reading of the site.';
  const parts = [
    part(counts.newPages, 'page', 'new'),
    part(counts.gonePages, 'page', 'gone'),
    part(counts.newPlacements, 'place', 'new'),
    part(counts.gonePlacements, 'place', 'gone'),
    part(counts.changedPlacements, 'place', 'changed'),
    part(counts.movedPlacements, 'place', 'moved'),
  ].filter((text) => text !== null);
  return parts.length === 0 ? 'Nothing new, gone or changed.' : `${parts.join(', ')}.`;
}

function part(n: number | undefined, one: string, what: string): string | null {
  return n ? `${count(n, one)} ${what}` : null;
}
