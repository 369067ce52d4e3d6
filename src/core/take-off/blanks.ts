/** Which white space goes with what is taken out, so that neither an empty line nor a double blank is left. */
import type { Span } from '../source/span';

const isBlank = (unit: string | undefined): boolean => unit === ' ' || unit === '\t';
const isLineEnd = (unit: string | undefined): boolean => unit === '\n' || unit === '\r';

/**
 * Spans by position, those that touch or have only blanks between them joined, each widened: by its whole lines where
 * nothing else stands on them, else by one of the two blanks around it.
 *
 * @param keepsBlanks whether blanks at a place are kept as they are written
 */
export function withBlanks(
  text: string,
  spans: readonly Span[],
  keepsBlanks: (offset: number) => boolean,
): Span[] {
  return joined(text, spans).map((span) => {
    if (keepsBlanks(span.start)) return span;
    let { start, end } = span;
    while (isBlank(text[start - 1])) start--;
    while (isBlank(text[end])) end++;
    const begins = start === 0 || isLineEnd(text[start - 1]);
    const ends = end === text.length || isLineEnd(text[end]);
    if (begins && ends) {
      if (text[end] === '\r' && text[end + 1] === '\n') return { start, end: end + 2 };
      return { start, end: Math.min(text.length, end + 1) };
    }
    const isBetween = span.start > start && span.end < end;
    return isBetween ? { start: span.start, end: span.end + 1 } : span;
  });
}

/** Overlaps, touching ones and those with only blanks between them as one; none within another. */
function joined(text: string, spans: readonly Span[]): Span[] {
  const ordered = [...spans].sort((a, b) => a.start - b.start || b.end - a.end);
  const result: Span[] = [];
  for (const span of ordered) {
    const last = result.at(-1);
    if (last && (span.start <= last.end || /^\s*$/u.test(text.slice(last.end, span.start)))) {
      if (span.end > last.end) result[result.length - 1] = { start: last.start, end: span.end };
    } else result.push(span);
  }
  return result;
}
