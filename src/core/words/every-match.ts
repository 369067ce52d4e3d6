/**
 * All matches of a pattern in a text, in their order. `matchAll` makes the pattern anew each time, which takes longer than
 * to look for it in a caption.
 *
 * @param pattern a global one; it begins at the start whatever it was used for before
 * @throws TypeError where it is not global, which would find its first match without end
 */
export function everyMatch(pattern: RegExp, text: string): RegExpExecArray[] {
  if (!pattern.global) throw new TypeError(`${String(pattern)} is not global.`);
  const all: RegExpExecArray[] = [];
  pattern.lastIndex = 0;
  for (let match = pattern.exec(text); match; match = pattern.exec(text)) {
    all.push(match);
    // From nothing found it goes on behind the next character, as `matchAll` does.
    if (match[0] === '') pattern.lastIndex += pattern.unicode ? lengthAt(text, match.index) : 1;
  }
  return all;
}

/** Of the character there, in UTF-16 units. */
const lengthAt = (text: string, at: number): number => ((text.codePointAt(at) ?? 0) > 0xffff ? 2 : 1);
