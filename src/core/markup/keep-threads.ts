/**
 * Finds each place of a page again in a later reading of it, so that what is known of the place stays with it: the
 * same spot showing the same; the same thing at another spot; the same spot showing something else; something else in the
 * same element, once a `picture` was put around it or taken off.
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
  const passes: readonly { readonly was: KeyOf; readonly is: KeyOf }[] = [
    alike(({ kind, spot, shows }) => `${kind}\n${spot}\n${shows}`),
    alike(({ kind, shows }) => `${kind}\n${shows}`),
    alike(({ kind, spot }) => `${kind}\n${spot}`),
    { was: ofBare, is: ofWrapped },
    { was: ofWrapped, is: ofBare },
  ];
  for (const { was, is } of passes) {
    const open = new Map<string, number[]>();
    // From behind, so that the first of a kind is the last of its list: taking one from the end moves none of the others.
    for (let i = earlier.length - 1; i >= 0; i--) {
      const key = taken.has(i) ? null : was(earlier[i] as KnownPlace);
      if (key === null) continue;
      const list = open.get(key);
      if (list) list.push(i);
      else open.set(key, [i]);
    }
    later.forEach((place, i) => {
      if (match[i] !== null) return;
      const key = is(place);
      const found = key === null ? undefined : open.get(key)?.pop();
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

const IN_PICTURE = /picture:\d+>(?=[^>]*$)/u;
const OWN_NUMBER = /:\d+(?=[^>:]*$)/u;

/** What a place is looked for by; `null` where it is not looked for. */
type KeyOf = (place: ReadPlace) => string | null;
const alike = (of: KeyOf) => ({ was: of, is: of });

/** An element in a `picture`, by where it would stand without it: which one of its siblings it was can't be told. */
const ofWrapped: KeyOf = ({ kind, spot }) =>
  IN_PICTURE.test(spot) ? `${kind}\n${spot.replace(IN_PICTURE, '').replace(OWN_NUMBER, '')}` : null;

/** One that stands in none. */
const ofBare: KeyOf = ({ kind, spot }) =>
  IN_PICTURE.test(spot) ? null : `${kind}\n${spot.replace(OWN_NUMBER, '')}`;
