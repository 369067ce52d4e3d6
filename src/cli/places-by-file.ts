import type { PlacementToCheck } from '@/core/errata/page-to-check';

/** A page as it was read. */
export interface ReadPage {
  readonly path: string;
  readonly title: string;
  readonly language: string | null;
  readonly placements: readonly PlacementToCheck[];
}

export interface Place {
  readonly page: ReadPage;
  readonly placement: PlacementToCheck;
}

/** The places of each file of the site, by its path. */
export function placesByFile(pages: readonly ReadPage[]): Map<string, Place[]> {
  const places = new Map<string, Place[]>();
  for (const page of pages) {
    for (const placement of page.placements) {
      const { filePath } = placement;
      if (filePath === null) continue;
      const known = places.get(filePath);
      if (known) known.push({ page, placement });
      else places.set(filePath, [{ page, placement }]);
    }
  }
  return places;
}
