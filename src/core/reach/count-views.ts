/** Adds up views by page, and brings them to a month. */

/** Days in a month, on average over the Gregorian calendar's 400 years. */
const DAYS_A_MONTH = 30.436875;
const DAY_MS = 86_400_000;

interface ViewCount {
  /** Views a month by the page's path. */
  readonly perMonth: ReadonlyMap<string, number>;
  readonly views: number;
  /** The first and the last view, in ms since 1970; `null` where there is none, or the times are not known. */
  readonly from: number | null;
  readonly to: number | null;
}

export interface ViewCounter {
  add(path: string, at: number): void;
  result(): ViewCount;
}

/** @returns a counter; views of less than a day count as those of a whole day, so that an hour is not blown up */
export function viewCounter(): ViewCounter {
  const counts = new Map<string, number>();
  let views = 0;
  let from = Number.POSITIVE_INFINITY;
  let to = Number.NEGATIVE_INFINITY;
  return {
    add(path, at) {
      views++;
      counts.set(path, (counts.get(path) ?? 0) + 1);
      from = Math.min(from, at);
      to = Math.max(to, at);
    },
    result() {
      if (views === 0) return { perMonth: counts, views, from: null, to: null };
      const days = Math.max(1, (to - from) / DAY_MS);
      const factor = DAYS_A_MONTH / days;
      return { perMonth: new Map([...counts].map(([path, n]) => [path, n * factor])), views, from, to };
    },
  };
}
