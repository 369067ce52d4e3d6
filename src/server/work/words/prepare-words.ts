/** Prepares a change of words: the edits of the alt texts and captions, and nothing else. */
import { wordEdits } from '@/core/edit/word-edits';
import type { WordAnchors } from '@/core/markup/placement';
import type { Database } from '../../db/database';
import type { changes } from '../../db/schema/editions';
import { refuseFewerPlaces, refuseOtherSource, type OpenedSources } from '../editions/opened-sources';
import type { NewEdit, Prepared } from '../editions/prepared';

interface PlaceRow {
  readonly id: string;
  readonly page: string;
  readonly source: string;
  readonly start: number;
  readonly words: WordAnchors;
}

export async function prepareWords(
  { pool }: Database,
  sources: OpenedSources,
  { placementIds, placeWords }: typeof changes.$inferSelect,
): Promise<Prepared> {
  const { rows } = await pool.query<PlaceRow>(
    `select id, page_path as page, source_path as source, start, words from placements
     where id = any($1::bigint[]) and until_survey is null order by page_path, ordinal`,
    [placementIds],
  );
  refuseFewerPlaces(placementIds.length, rows.length);
  const edits = new Map<string, NewEdit>();
  for (const { id, page, source, start: placeStart, words } of rows) {
    const wanted = placeWords[id];
    if (!wanted) continue;
    const open = await sources.open(source);
    for (const edit of wordEdits(words, open.source, wanted)) {
      refuseOtherSource(edit, source, open.source);
      // Two places may share a caption: it is written once.
      edits.set(`${source}#${edit.start}#${edit.subject}`, {
        ...{ pagePath: page, sourcePath: source, placeStart, expects: open.expects },
        ...edit,
      });
    }
  }
  return { edits: [...edits.values()], files: [], places: [] };
}
