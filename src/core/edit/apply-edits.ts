/**
 * Changes a source by edits, splicing into the original bytes: outside the edits not one byte differs, invalid
 * sequences and line ends included. Knows nothing of pages; it is told what to change.
 */
import { byteOffsets } from '../source/byte-offsets';
import { decodeBytes, type SourceText } from '../source/decode-source';
import { encodeText, isWritableEncoding } from '../source/encode-text';
import { DECLARED_WITHIN, declaredEncoding } from '../source/sniff-encoding';
import type { Problem } from '../problem';
import {
  mismatchProblem,
  movedEncodingProblem,
  overlapProblem,
  unencodableProblem,
  type SourceEdit,
} from './source-edit';

export type ApplyResult =
  | {
      readonly ok: true;
      readonly bytes: Uint8Array;
      /** Applied to `bytes`, these give the original bytes again. */
      readonly inverse: readonly SourceEdit[];
    }
  | { readonly ok: false; readonly problem: Problem };

/**
 * Applies edits to a source.
 *
 * @param edits in any order; two may touch but not overlap; exact repeats count once
 * @returns a problem (`EDIT_OVERLAP`, `EDIT_MISMATCH`, `EDIT_UNENCODABLE`, `EDIT_ENCODING_MOVED`) and nothing changed, or the new bytes
 */
export function applyEdits(
  original: { readonly bytes: Uint8Array; readonly source: SourceText },
  edits: readonly SourceEdit[],
): ApplyResult {
  const { bytes, source } = original;
  const ordered = orderEdits(edits);
  const problem = checkEdits(ordered, source);
  if (problem) return { ok: false, problem };
  const bounds = byteOffsets(
    bytes,
    source,
    ordered.flatMap(({ start, end }) => [start, end]),
  );
  const parts: Uint8Array[] = [];
  const inverse: SourceEdit[] = [];
  let copied = 0;
  let shift = 0;
  for (const [i, edit] of ordered.entries()) {
    const from = bounds[i * 2] ?? 0;
    const to = bounds[i * 2 + 1] ?? from;
    const added = edit.becomesBytes ? fromHex(edit.becomesBytes) : encodeText(edit.becomes, source.encoding);
    if (!added) return { ok: false, problem: unencodableProblem(edit, source.encoding) };
    parts.push(bytes.subarray(copied, from), added);
    inverse.push(invertEdit(edit, shift, { removed: bytes.subarray(from, to), source }));
    copied = to;
    shift += edit.becomes.length - (edit.end - edit.start);
  }
  parts.push(bytes.subarray(copied));
  const changed = joinBytes(parts);
  const moved = checkEncoding({ before: bytes, after: changed }, source);
  if (moved) return { ok: false, problem: moved };
  return { ok: true, bytes: changed, inverse: joinTouching(inverse, source.encoding) };
}

/**
 * A source that says its encoding itself says it within its first bytes, or its head. Where it stands behind the head, what is
 * written before it can push it out of them, or pull it in; then every letter that isn't ASCII would be read otherwise.
 */
function checkEncoding(
  { before, after }: { before: Uint8Array; after: Uint8Array },
  { encoding, declaration }: SourceText,
): Problem | null {
  if (!declaration) return null;
  const other = declaredEncoding(after, declaration.language) ?? declaration.unsaid;
  if (other === encoding) return null;
  const isRead = (bytes: Uint8Array) => decodeBytes(bytes, other).text === decodeBytes(bytes, encoding).text;
  return isRead(before) && isRead(after) ? null : movedEncodingProblem(encoding, other, DECLARED_WITHIN);
}

/** Edits by position, exact repeats taken out. */
function orderEdits(edits: readonly SourceEdit[]): SourceEdit[] {
  const ordered = [...edits].sort((a, b) => a.start - b.start || a.end - b.end);
  return ordered.filter((edit, i) => {
    const before = ordered[i - 1];
    return (
      !before || before.start !== edit.start || before.end !== edit.end || before.becomes !== edit.becomes
    );
  });
}

function checkEdits(ordered: readonly SourceEdit[], source: SourceText): Problem | null {
  for (const [i, edit] of ordered.entries()) {
    const before = ordered[i - 1];
    if (before && (before.end > edit.start || (before.start === edit.start && before.end === edit.end))) {
      return overlapProblem(before, edit);
    }
    const found = source.text.slice(edit.start, edit.end);
    if (found !== edit.was || edit.end < edit.start || edit.end > source.text.length) {
      return mismatchProblem(edit, found);
    }
    if (!isWritableEncoding(source.encoding)) return unencodableProblem(edit, source.encoding);
  }
  return null;
}

function invertEdit(
  edit: SourceEdit,
  shift: number,
  { removed, source }: { removed: Uint8Array; source: SourceText },
): SourceEdit {
  const start = edit.start + shift;
  const inverse = { start, end: start + edit.becomes.length, was: edit.becomes, becomes: edit.was };
  const again = encodeText(edit.was, source.encoding);
  const isSame = again?.length === removed.length && again.every((byte, i) => byte === removed[i]);
  // A style sheet may be read otherwise once its only letters beyond ASCII are gone: they come back as the bytes they were.
  const mayTurn = source.declaration?.language === 'css' && removed.some((byte) => byte > 127);
  return isSame && !mayTurn ? inverse : { ...inverse, becomesBytes: toHex(removed) };
}

/**
 * Inverse edits with nothing between them, as one: two neighbours that were taken out would else both be put in at the
 * same place, and nobody could tell which comes first.
 */
function joinTouching(inverse: readonly SourceEdit[], encoding: string): SourceEdit[] {
  const joined: SourceEdit[] = [];
  for (const edit of inverse) {
    const before = joined.at(-1);
    if (before?.end !== edit.start) {
      joined.push(edit);
      continue;
    }
    const whole = {
      start: before.start,
      end: edit.end,
      was: before.was + edit.was,
      becomes: before.becomes + edit.becomes,
    };
    const hasBytes = before.becomesBytes !== undefined || edit.becomesBytes !== undefined;
    const bytes = hasBytes ? { becomesBytes: hexOf(before, encoding) + hexOf(edit, encoding) } : {};
    joined[joined.length - 1] = { ...whole, ...bytes };
  }
  return joined;
}

function hexOf({ becomes, becomesBytes }: SourceEdit, encoding: string): string {
  return becomesBytes ?? toHex(encodeText(becomes, encoding) ?? new Uint8Array(0));
}

function joinBytes(parts: readonly Uint8Array[]): Uint8Array {
  const joined = new Uint8Array(parts.reduce((sum, part) => sum + part.length, 0));
  let at = 0;
  for (const part of parts) {
    joined.set(part, at);
    at += part.length;
  }
  return joined;
}

function toHex(bytes: Uint8Array): string {
  return Array.from(bytes, (byte) => byte.toString(16).padStart(2, '0')).join('');
}

function fromHex(hex: string): Uint8Array {
  return Uint8Array.from(hex.match(/../g) ?? [], (pair) => Number.parseInt(pair, 16));
}
