import type { SourceEdit } from './source-edit';

/**
 * Edits without those of characters that another one takes out: what is to be written in a place that goes is written for
 * nobody.
 *
 * @param edits of one source, in any order
 */
export function withoutMoot<E extends SourceEdit>(edits: readonly E[]): E[] {
  const takingOut = edits.filter(({ start, end, becomes }) => end > start && becomes.trim() === '');
  return edits.filter((edit) => !takingOut.some((other) => other !== edit && holds(other, edit)));
}

/** Whether an edit lies strictly within what another takes out. An edit at its edge is beside it. */
function holds(outer: SourceEdit, inner: SourceEdit): boolean {
  if (inner.start === inner.end) return outer.start < inner.start && inner.end < outer.end;
  const isSame = inner.start === outer.start && inner.end === outer.end;
  return outer.start <= inner.start && inner.end <= outer.end && !isSame;
}
