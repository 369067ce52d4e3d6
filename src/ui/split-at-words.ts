interface Part {
  readonly part: string;
  readonly isFound: boolean;
}

/**
 * Splits a text where words begin that were looked for.
 *
 * @param query words, each as the beginning of one
 * @returns the text in parts, none of them empty
 */
export function splitAtWords(text: string, query: string): Part[] {
  const words = query.toLowerCase().match(/[\p{L}\p{N}]+/gu) ?? [];
  if (words.length === 0) return text === '' ? [] : [{ part: text, isFound: false }];
  const longestFirst = words.toSorted((a, b) => b.length - a.length).join('|');
  const wanted = new RegExp(`(?<![\\p{L}\\p{N}])(?:${longestFirst})`, 'giu');
  const parts: Part[] = [];
  let from = 0;
  for (const { 0: found, index } of text.matchAll(wanted)) {
    if (index > from) parts.push({ part: text.slice(from, index), isFound: false });
    parts.push({ part: found, isFound: true });
    from = index + found.length;
  }
  if (from < text.length) parts.push({ part: text.slice(from), isFound: false });
  return parts;
}
