/** Takes places off the file that they are written in: a page, a style sheet, a manifest. */
import type { SourceEdit } from '../edit/source-edit';
import type { SourceText } from '../source/decode-source';
import { isManifestPath, isSheetPath } from '../source/role-of-name';
import type { Span } from '../source/span';
import { cutsInJson } from './in-json';
import { cutsInStyle } from './in-style';
import type { Outcome, TakenOff } from './outcome';
import { takeOffPage } from './take-off-page';

export type { TakenOff } from './outcome';

/**
 * Works out the edits that take places off a source. Nothing is left empty that was there for the picture alone; all
 * else is read as before.
 *
 * @param path of the source, which tells what it is
 * @param spots where the addresses of the places are written, in UTF-16 offsets; each as `Placement` gives it
 * @returns edits by position, which do not overlap, and what became of each place
 */
export function takeOff(path: string, source: SourceText, spots: readonly Span[]): TakenOff {
  if (isSheetPath(path)) {
    const cuts = cutsInStyle(source.text, spots);
    return fromCuts(source, spots, { cuts, remarks: ['space stays', 'for all its pages'] });
  }
  if (isManifestPath(path)) {
    const cuts = cutsInJson(source.text, spots).map((cut) => ({ ...cut, becomes: '' }));
    return fromCuts(source, spots, { cuts, remarks: ['for all its pages'] });
  }
  return takeOffPage(source, spots);
}

function fromCuts(
  { text }: SourceText,
  spots: readonly Span[],
  { cuts, remarks }: { cuts: readonly (Span & { becomes: string })[]; remarks: Outcome['remarks'] },
): TakenOff {
  const edits: SourceEdit[] = cuts
    .map(({ start, end, becomes }) => ({ start, end, was: text.slice(start, end), becomes }))
    .sort((a, b) => a.start - b.start);
  const outcomes = spots.map(({ start }) => {
    const isFound = cuts.some((cut) => cut.start <= start && start < cut.end);
    const nothing = { start, wentAlong: [], link: null, words: '' };
    return isFound
      ? { ...nothing, refused: null, remarks }
      : { ...nothing, refused: 'not found' as const, remarks: [] };
  });
  return { edits, outcomes };
}
