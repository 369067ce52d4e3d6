/** Prepares the places that an edition takes off their pages: the edits of each source, and what goes along. */
import type { PlacementKind } from '@/core/markup/kinds/kind';
import { takeOff } from '@/core/take-off/take-off';
import type { Outcome } from '@/core/take-off/outcome';
import type { SourceEdit } from '@/core/edit/source-edit';
import type { Database } from '../../db/database';
import type { changes, PlaceOff } from '../../db/schema/editions';
import { refuseFewerPlaces, refuseOtherSource, type OpenedSources } from './opened-sources';
import type { NewEdit, Prepared } from './prepared';

interface Spot {
  readonly page: string;
  readonly source: string;
  readonly kind: PlacementKind;
  readonly path: string;
  readonly raw: string;
  readonly start: number;
  readonly end: number;
  /** How many of the chosen placements are this spot: a style sheet is met on many pages. */
  readonly pages: number;
}

export async function prepareTakeOff(
  { pool }: Database,
  sources: OpenedSources,
  { placementIds }: typeof changes.$inferSelect,
): Promise<Prepared> {
  const { rows } = await pool.query<Spot>(
    `select min(page_path) as page, source_path as source, min(kind) as kind, min(coalesce(file_path, url, raw)) as path,
       min(raw) as raw, start, "end", count(*)::int as pages from placements
     where id = any($1::bigint[]) and until_survey is null
     group by source_path, start, "end" order by min(page_path), source_path, start`,
    [placementIds],
  );
  refuseFewerPlaces(placementIds.length, rows.reduce((sum, { pages }) => sum + pages, 0)); // oxfmt-ignore
  const bySource = new Map<string, Spot[]>();
  for (const spot of rows) bySource.set(spot.source, [...(bySource.get(spot.source) ?? []), spot]);
  const edits: NewEdit[] = [];
  const offs: PlaceOff[] = [];
  for (const [path, spots] of bySource) {
    const { source, expects } = await sources.open(path);
    for (const { start, end, raw } of spots)
      refuseOtherSource({ start, end, was: raw, becomes: '' }, path, source);
    const taken = takeOff(path, source, spots);
    edits.push(...taken.edits.map((edit) => rowOf(edit, { path, spots, expects })));
    for (const [i, { page, kind, path: file, pages }] of spots.entries())
      offs.push({ ...(taken.outcomes[i] as Outcome), page, source: path, kind, path: file, pages });
  }
  return { edits, files: [], places: [], offs };
}

/** An edit belongs to the first place that it takes off, else to the one before it. */
function rowOf(
  { start, end, was, becomes }: SourceEdit,
  { path, spots, expects }: { path: string; spots: readonly Spot[]; expects: string },
): NewEdit {
  const within = spots.find((spot) => spot.start >= start && spot.start < end);
  const spot = within ?? spots.findLast((one) => one.start <= start) ?? (spots[0] as Spot);
  return { pagePath: spot.page, sourcePath: path, placeStart: spot.start, subject: 'place', start, end, was, becomes, expects }; // oxfmt-ignore
}
