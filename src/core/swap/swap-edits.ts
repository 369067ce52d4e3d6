/** Turns a swap's plan into edits of the sources: the references, and the words that go with them. */
import type { SourceEdit } from '../edit/source-edit';
import { wordEdits, type PlaceWords, type WordEdit } from '../edit/word-edits';
import { siblingReference } from '../edit/write-value';
import { escapesOf } from '../markup/escapes-of';
import type { SourceText } from '../source/decode-source';
import type { SwapPlace } from './plan-swap';

/** What an edit changes, for screens. */
export type EditSubject = 'reference' | WordEdit['subject'];

export interface PlaceEdit extends SourceEdit {
  readonly page: string;
  readonly source: string;
  readonly subject: EditSubject;
}

/**
 * The edits of one placement.
 *
 * @param fileName the last segment of the new file's path; it stands in the old file's folder
 * @param source the text that the placement's offsets belong to
 */
export function editsOfPlace(
  place: SwapPlace,
  fileName: string,
  source: SourceText,
  words: PlaceWords,
): PlaceEdit[] {
  const at = { page: place.page, source: place.source };
  const edits: PlaceEdit[] = [
    {
      ...at,
      subject: 'reference',
      start: place.start,
      end: place.end,
      was: place.raw,
      becomes: siblingReference(place.raw, fileName, escapesOf(place)),
    },
  ];
  edits.push(...wordEdits(place.words, source, words).map((edit) => ({ ...at, ...edit })));
  return edits.filter((edit) => edit.was !== edit.becomes);
}
