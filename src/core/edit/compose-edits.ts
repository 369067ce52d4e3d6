import type { SourceEdit } from './source-edit';

/** A stretch of the text after edits: kept from the original, or written anew. */
type Piece =
  | { readonly kept: true; readonly start: number; readonly end: number }
  | { readonly kept: false; readonly text: string };

/**
 * One list of edits that does what two lists do one after the other.
 *
 * @param text the original, for which `first` was made
 * @param second made for the text that `first` gives
 * @returns edits of the original, by position, neighbours joined
 */
export function composeEdits(
  text: string,
  first: readonly SourceEdit[],
  second: readonly SourceEdit[],
): SourceEdit[] {
  const whole: Piece[] = [{ kept: true, start: 0, end: text.length }];
  return editsOf(text, applyToPieces(applyToPieces(whole, first), second));
}

function lengthOf(piece: Piece): number {
  return piece.kept ? piece.end - piece.start : piece.text.length;
}

function slice(piece: Piece, from: number, to: number): Piece {
  return piece.kept
    ? { kept: true, start: piece.start + from, end: piece.start + to }
    : { kept: false, text: piece.text.slice(from, to) };
}

/** The part of the pieces between two offsets of the text they make. */
function between(pieces: readonly Piece[], from: number, to: number): Piece[] {
  const part: Piece[] = [];
  let at = 0;
  for (const piece of pieces) {
    const end = at + lengthOf(piece);
    if (end > from && at < to) part.push(slice(piece, Math.max(from, at) - at, Math.min(to, end) - at));
    at = end;
  }
  return part;
}

function applyToPieces(pieces: readonly Piece[], edits: readonly SourceEdit[]): Piece[] {
  const ordered = [...edits].sort((a, b) => a.start - b.start || a.end - b.end);
  const result: Piece[] = [];
  let done = 0;
  for (const edit of ordered) {
    result.push(...between(pieces, done, edit.start), { kept: false, text: edit.becomes });
    done = edit.end;
  }
  return [...result, ...between(pieces, done, Number.POSITIVE_INFINITY)];
}

function editsOf(text: string, pieces: readonly Piece[]): SourceEdit[] {
  const edits: SourceEdit[] = [];
  let at = 0;
  let added = '';
  const close = (until: number) => {
    if (until > at || added)
      edits.push({ start: at, end: until, was: text.slice(at, until), becomes: added });
    added = '';
  };
  for (const piece of pieces) {
    if (!piece.kept) {
      added += piece.text;
      continue;
    }
    if (piece.start > at || added) close(piece.start);
    at = piece.end;
  }
  close(text.length);
  return edits;
}
