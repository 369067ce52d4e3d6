/**
 * Finds each place of a page again in a later reading of it, so that what is known of the place stays with it: the
 * same spot showing the same; the same thing at another spot; the same spot showing something else.
 */

/** A place as one reading saw it. */
export interface ReadPlace {
  readonly kind: string;
  /** Its spot in the structure of the page; unique on the page. */
  readonly spot: string;
  /** What it shows: an address. */
  readonly shows: string;
}

export interface KnownPlace extends ReadPlace {
  readonly thread: string;
}

/** For a place of the later reading: which earlier one it is, or `null`, and the thread it goes on. */
export interface ThreadFound {
  readonly earlier: number | null;
  readonly thread: string;
}

/**
 * @param earlier places of the earlier reading, in page order
 * @param later places of the later one, in page order
 * @param survey number of the later survey: a new place takes its name in where its spot's name is taken
 * @returns one answer for each place of `later`
 */
export function keepThreads(
  earlier: readonly KnownPlace[],
  later: readonly ReadPlace[],
  survey: number,
): ThreadFound[] {
  const taken = new Set<number>();
  const match = new Array<number | null>(later.length).fill(null);
  // From the surest to the least sure: each pass only sees what those before it left over.
  const passes: readonly ((place: ReadPlace) => string)[] = [
    ({ kind, spot, shows }) => `${kind}\n${spot}\n${shows}`,
    ({ kind, shows }) => `${kind}\n${shows}`,
    ({ kind, spot }) => `${kind}\n${spot}`,
  ];
  for (const keyOf of passes) {
    const open = new Map<string, number[]>();
    earlier.forEach((place, i) => {
      if (taken.has(i)) return;
      const key = keyOf(place);
      const list = open.get(key);
      if (list) list.push(i);
      else open.set(key, [i]);
    });
    later.forEach((place, i) => {
      if (match[i] !== null) return;
      const found = open.get(keyOf(place))?.shift();
      if (found === undefined) return;
      match[i] = found;
      taken.add(found);
    });
  }
  const names = new Set(match.flatMap((found) => (found === null ? [] : [earlier[found]?.thread])));
  return later.map(({ spot }, i) => {
    const found = match[i] ?? null;
    const known = found === null ? undefined : earlier[found];
    if (known) return { earlier: found, thread: known.thread };
    const thread = names.has(spot) ? `${spot}~${survey}` : spot;
    names.add(thread);
    return { earlier: null, thread };
  });
}
