/** Turns a swap's plan into edits of the sources: the references, and the words that go with them. */
import type { SourceEdit } from '../edit/source-edit';
import { wordEdits, type PlaceWords, type WordEdit } from '../edit/word-edits';
import { siblingReference } from '../edit/write-value';
import { escapesOf } from '../markup/escapes-of';
import type { SourceText } from '../source/decode-source';
import type { PlannedPlace } from './plan-swap';
import { sourceTag, wrapEdits } from './format-beside';
import { listAttributes } from './width-list';

/** What an edit changes, for screens. */
export type EditSubject = 'reference' | WordEdit['subject'];

export interface PlaceEdit extends SourceEdit {
  readonly page: string;
  readonly source: string;
  readonly subject: EditSubject;
}

/**
 * The edits of one placement. A list of widths is written with the reference, behind its closing quote; a newer format
 * around its element.
 *
 * @param planned what it gets; its file stands in the old file's folder
 * @param source the text that the placement's offsets belong to
 */
export function editsOfPlace(
  {
    place,
    rendition,
    slot,
    list,
    beside,
  }: Pick<PlannedPlace, 'place' | 'rendition' | 'slot' | 'list' | 'beside'>,
  source: SourceText,
  words: PlaceWords,
): PlaceEdit[] {
  const at = { page: place.page, source: place.source };
  const fileName = rendition.path.split('/').at(-1) ?? rendition.path;
  const becomes = siblingReference(place.raw, fileName, escapesOf(place));
  const { start, end, raw } = place;
  const quote = source.text.charAt(end);
  const edits: PlaceEdit[] = [
    list && slot.css
      ? {
          ...{ ...at, subject: 'reference', start, end: end + 1, was: raw + quote },
          becomes: becomes + quote + listAttributes(place, list, slot.css.widthPx),
        }
      : { ...at, subject: 'reference', start, end, was: raw, becomes },
  ];
  if (beside && place.newer && 'wrap' in place.newer) {
    const cssWidth = list && slot.css ? slot.css.widthPx : null;
    const tag = sourceTag(place, beside, { cssWidth, isXml: source.isXml === true });
    for (const edit of wrapEdits(source.text, place.newer.wrap, tag))
      edits.push({ ...at, subject: 'reference', ...edit });
  }
  if (place.mediaType) edits.push({ ...at, subject: 'reference', ...place.mediaType });
  edits.push(...wordEdits(place.words, source, words).map((edit) => ({ ...at, ...edit })));
  return edits.filter((edit) => edit.was !== edit.becomes);
}
