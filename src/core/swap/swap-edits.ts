/** Turns a swap's plan into edits of the sources: the references, and the words that go with them. */
import type { SourceEdit } from '../edit/source-edit';
import { attributeValue, elementText, siblingReference, type WrittenIn } from '../edit/write-value';
import type { SourceText } from '../source/decode-source';
import type { SwapPlace } from './plan-swap';

/** Words to write with the picture; `null` leaves those that are there. */
export interface SwapWords {
  readonly alt: string | null;
  readonly caption: string | null;
}

/** What an edit changes, for screens. */
export type EditSubject = 'reference' | 'alt' | 'caption';

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
  words: SwapWords,
): PlaceEdit[] {
  const at = { page: place.page, source: place.source };
  const was = (start: number, end: number) => source.text.slice(start, end);
  const where = writtenIn(place);
  const edits: PlaceEdit[] = [
    {
      ...at,
      subject: 'reference',
      start: place.start,
      end: place.end,
      was: place.raw,
      becomes: siblingReference(place.raw, fileName, where),
    },
  ];
  const { alt, addAttribute, caption } = place.words;
  if (words.alt !== null && alt) {
    const { start, end } = alt.span;
    const becomes = attributeValue(words.alt, alt.quote, source.encoding);
    edits.push({ ...at, subject: 'alt', start, end, was: was(start, end), becomes });
  } else if (words.alt !== null && addAttribute !== null) {
    const becomes = ` alt="${attributeValue(words.alt, '"', source.encoding)}"`;
    edits.push({ ...at, subject: 'alt', start: addAttribute, end: addAttribute, was: '', becomes });
  }
  if (words.caption !== null && caption) {
    const becomes = elementText(words.caption, source.encoding);
    edits.push({ ...at, subject: 'caption', ...caption, was: was(caption.start, caption.end), becomes });
  }
  return edits.filter((edit) => edit.was !== edit.becomes);
}

function writtenIn({ kind, source, page }: SwapPlace): WrittenIn {
  if (kind === 'json-ld' || kind === 'manifest') return 'json';
  return kind === 'css' && source !== page ? 'css' : 'html';
}
