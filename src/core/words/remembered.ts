/** What is made of a text, kept for when the same text comes again: the places of one page are asked the same things. */

/** Texts of a page or two. More would hold much for long, and give little: pages have their own words. */
const MOST_TEXTS = 500;
/** Longer texts are asked about once, and would hold much. */
const LONGEST = 4000;

/**
 * The same answer as `make` gives, made once for each text as long as there is room; `make` must answer by the text
 * alone, and nobody may change what it answers.
 *
 * @param most texts that are kept; when there are more, all are let go
 */
export function remembered<T>(make: (text: string) => T, most = MOST_TEXTS): (text: string) => T {
  const known = new Map<string, T>();
  return (text) => {
    const before = known.get(text);
    if (before !== undefined || known.has(text)) return before as T;
    const made = make(text);
    if (text.length > LONGEST) return made;
    if (known.size >= most) known.clear();
    known.set(text, made);
    return made;
  };
}
