/** Offsets at which the lines of `text` begin; CRLF, LF and a lone CR each end a line. */
export function lineStarts(text: string): readonly number[] {
  const starts = [0];
  if (!text.includes('\r')) {
    for (let at = text.indexOf('\n'); at >= 0; at = text.indexOf('\n', at + 1)) starts.push(at + 1);
    return starts;
  }
  for (let i = 0; i < text.length; i++) {
    const unit = text.charCodeAt(i);
    if (unit === 10) starts.push(i + 1);
    else if (unit === 13 && text.charCodeAt(i + 1) !== 10) starts.push(i + 1);
  }
  return starts;
}

/**
 * Line and column of an offset, both from 1, the column in UTF-16 code units.
 *
 * @param starts what `lineStarts` gave for the text
 */
export function positionAt(starts: readonly number[], offset: number): { line: number; column: number } {
  let low = 0;
  let high = starts.length - 1;
  while (low < high) {
    const middle = (low + high + 1) >> 1;
    if ((starts[middle] ?? 0) <= offset) low = middle;
    else high = middle - 1;
  }
  return { line: low + 1, column: offset - (starts[low] ?? 0) + 1 };
}
