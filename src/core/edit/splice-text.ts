import type { SourceEdit } from './source-edit';

/** A text with edits made, which are in order; `null` where two of them overlap. For bytes: `applyEdits`. */
export function spliceText(text: string, edits: readonly SourceEdit[]): string | null {
  let made = '';
  let at = 0;
  for (const { start, end, becomes } of edits) {
    if (start < at) return null;
    made += text.slice(at, start) + becomes;
    at = end;
  }
  return made + text.slice(at);
}
