/** Puts what is known of a file and of its picture into the form that rules read. */
import type { KnownPicture } from '../picture/know-picture';
import { withBearers, type PictureFacts, type PlacementToCheck, type TurnedTwin } from './page-to-check';

/** What the file itself tells. */
type FileFacts = Pick<
  PictureFacts,
  | 'path'
  | 'widthPx'
  | 'heightPx'
  | 'sizeBytes'
  | 'format'
  | 'modifiedMs'
  | 'embedded'
  | 'embeddedTitle'
  | 'readText'
  | 'credit'
  | 'sameBytes'
>;

/** Which picture it is one file of, and the words that this has on all pages. */
interface PictureAround {
  readonly pictureId: number | null;
  readonly masterPath: string | null;
  readonly masterModifiedMs: number | null;
  readonly altTexts: Readonly<Record<string, number>>;
  readonly twin: TurnedTwin | null;
}

/** @param known `null` for a file that can't be read as a picture */
export function pictureFacts(
  file: FileFacts,
  known: KnownPicture | null,
  around: PictureAround,
): PictureFacts {
  const { placeholder } = known ?? { placeholder: null };
  return {
    ...file,
    ...around,
    ...{ isThere: true, near: null, people: [] },
    kind: known?.kind ?? null,
    dating: known?.dating ?? null,
    currentUntil: known?.ageing?.currentUntil ?? null,
    overdue: known?.ageing?.overdue ?? 0,
    changed: known?.changed ?? null,
    leftoverClues:
      placeholder?.isPlaceholder && known?.leftoverFiles.includes(file.path)
        ? placeholder.clues.flatMap(({ weight, text }) => (weight > 0 ? [text] : []))
        : [],
  };
}

/** A place that shows a file of the picture. */
type PlaceOfWords = Pick<PlacementToCheck, 'kind' | 'element' | 'alt'> & { readonly page: string };

/**
 * How many places give each alt text: each element once, however many files of the picture it offers. Places that take
 * none are not counted.
 *
 * @param places all that show the picture, and are in use
 */
export function altTextsOf(places: readonly PlaceOfWords[]): Record<string, number> {
  const counts: Record<string, number> = {};
  const elements = places.map((place) => ({ ...place, element: `${place.page} ${place.element}` }));
  for (const { bearsWords, alt } of withBearers(elements))
    if (bearsWords && alt !== null) counts[alt] = (counts[alt] ?? 0) + 1;
  return counts;
}
