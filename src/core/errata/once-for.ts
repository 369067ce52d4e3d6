/**
 * What is asked at every place of a page, and is the same at all of them or at all of one row: found when it is first
 * asked for, and kept as long as the page, or the row, is.
 */
export function onceFor<K extends object, T>(find: (of: K) => T): (of: K) => T {
  const known = new WeakMap<K, { readonly found: T }>();
  return (of) => {
    let kept = known.get(of);
    if (!kept) {
      kept = { found: find(of) };
      known.set(of, kept);
    }
    return kept.found;
  };
}

/** What may never be asked for: made when it first is. */
export function once<T>(make: () => T): () => T {
  let made: { readonly value: T } | null = null;
  return () => (made ??= { value: make() }).value;
}
