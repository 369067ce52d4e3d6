/**
 * Carries edits over to a source that somebody changed in the meantime. What the other person left alone is found
 * again by comparing the two texts tag by tag; an edit whose own tag was changed is a conflict and is not guessed at.
 */
import { diffArrays } from 'diff';
import type { SourceEdit } from './source-edit';

export interface Rebased {
  readonly edits: readonly SourceEdit[];
  /** Edits whose place was changed or removed. */
  readonly conflicts: readonly SourceEdit[];
}

/** Texts that differ in more tokens than this are taken as different pages: every edit is a conflict. */
const MAX_DIFFERENCES = 4000;

/**
 * Moves edits made for `before` to where the same characters stand in `after`.
 */
export function rebaseEdits(before: string, after: string, edits: readonly SourceEdit[]): Rebased {
  if (before === after) return { edits, conflicts: [] };
  const kept = keptStretches(before, after);
  const moved: SourceEdit[] = [];
  const conflicts: SourceEdit[] = [];
  for (const edit of edits) {
    const stretch = kept.find(({ start, end }) => edit.start >= start && edit.end <= end);
    if (!stretch) conflicts.push(edit);
    else moved.push({ ...edit, start: edit.start + stretch.shift, end: edit.end + stretch.shift });
  }
  return { edits: moved, conflicts };
}

/** Cut before tags, and after tags, line ends and the marks that end things in CSS. */
function tokensOf(text: string): string[] {
  return text.split(/(?=<)|(?<=[>\n;{}])/);
}

function keptStretches(before: string, after: string) {
  const changes = diffArrays(tokensOf(before), tokensOf(after), { maxEditLength: MAX_DIFFERENCES });
  const stretches: { start: number; end: number; shift: number }[] = [];
  let old = 0;
  let now = 0;
  for (const change of changes ?? []) {
    const length = change.value.reduce((sum, token) => sum + token.length, 0);
    if (change.added) now += length;
    else if (change.removed) old += length;
    else {
      stretches.push({ start: old, end: old + length, shift: now - old });
      old += length;
      now += length;
    }
  }
  return stretches;
}
