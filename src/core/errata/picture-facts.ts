/** Puts what is known of a file and of its picture into the form that rules read. */
import type { KnownPicture } from '../picture/know-picture';
import type { PictureFacts, PlacementToCheck } from './page-to-check';

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
    ...{ isThere: true, near: null, people: [], twin: null },
    kind: known?.kind ?? null,
    dating: known?.dating ?? null,
    currentUntil: known?.ageing?.currentUntil ?? null,
    overdue: known?.ageing?.overdue ?? 0,
    changed: known?.changed ?? null,
    leftoverClues: placeholder?.isPlaceholder
      ? placeholder.clues.flatMap(({ weight, text }) => (weight > 0 ? [text] : []))
      : [],
  };
}

/** How many places give each alt text; places that take none are not counted. */
export function altTextsOf(placements: readonly PlacementToCheck[]): Record<string, number> {
  const counts: Record<string, number> = {};
  for (const { bearsWords, dormant, alt } of placements) {
    if (!bearsWords || dormant || alt === null) continue;
    counts[alt] = (counts[alt] ?? 0) + 1;
  }
  return counts;
}
