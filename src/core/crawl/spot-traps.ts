/**
 * Keeps a crawl from chains of addresses that have no end: calendars that turn for ever, lists that can be sorted in
 * every way, paths that repeat themselves. What is cut is counted, and told with an example and the reason.
 */

/** Addresses that were left out for one reason. */
export interface TrapCut {
  /** What they have in common: `/calendar/####/##/`. */
  readonly pattern: string;
  readonly example: string;
  readonly why: string;
  readonly count: number;
}

export interface TrapLimits {
  /** Pages of one path that differ in the values of their parameters only. */
  readonly variants: number;
  /** Of those, how many with the very same bytes make the rest not worth asking for. */
  readonly sameVariants: number;
  /** Folders in a path. */
  readonly segments: number;
  /** Length of an address in characters. */
  readonly length: number;
}

const TRAP_LIMITS: TrapLimits = { variants: 500, sameVariants: 12, segments: 24, length: 1500 };

export interface TrapWatch {
  /** Whether an address may be followed; counts it where not. Ask once for each address. */
  mayFollow(url: string): boolean;
  /** Tells the bytes of a page that was fetched, by their hash. */
  saw(url: string, sha256: string): void;
  cuts(): TrapCut[];
}

/** @param year the present year: a calendar's far future and far past are not read */
export function watchForTraps(year: number, limits: TrapLimits = TRAP_LIMITS): TrapWatch {
  const cuts = new Map<string, { pattern: string; example: string; why: string; count: number }>();
  const variants = new Map<string, number>();
  const contents = new Map<string, Map<string, number>>();
  const cut = (url: string, why: string): false => {
    const pattern = patternOf(new URL(url));
    const known = cuts.get(`${pattern}\n${why}`);
    if (known) known.count++;
    else cuts.set(`${pattern}\n${why}`, { pattern, example: url, why, count: 1 });
    return false;
  };
  return {
    mayFollow(address) {
      const url = new URL(address);
      if (address.length > limits.length) return cut(address, 'the address is too long');
      const segments = url.pathname.split('/').filter(Boolean);
      if (segments.length > limits.segments) return cut(address, 'the path is too deep');
      if (repeatsItself(segments)) return cut(address, 'the path repeats itself');
      if (isFarDate(url, year)) return cut(address, 'a calendar beyond the years that matter');
      if (url.search === '') return true;
      const count = variants.get(url.pathname) ?? 0;
      if (count >= limits.variants) return cut(address, 'too many variants of one page');
      const same = Math.max(0, ...(contents.get(url.pathname)?.values() ?? []));
      if (same >= limits.sameVariants) return cut(address, 'its parameters do not change what the page says');
      variants.set(url.pathname, count + 1);
      return true;
    },
    saw(address, sha256) {
      const { pathname, search } = new URL(address);
      if (search === '') return;
      const seen = contents.get(pathname) ?? new Map<string, number>();
      seen.set(sha256, (seen.get(sha256) ?? 0) + 1);
      contents.set(pathname, seen);
    },
    cuts: () => [...cuts.values()].sort((a, b) => b.count - a.count),
  };
}

/** An address with its numbers and the values of its parameters taken out. */
function patternOf(url: URL): string {
  const names = [...new Set(url.searchParams.keys())].sort();
  const path = url.pathname.replace(/\d/g, '#');
  return names.length === 0 ? path : `${path}?${names.join('&')}`;
}

/** The same run of folders three times over, one after the other, at the end of a path or within it. */
function repeatsItself(segments: readonly string[]): boolean {
  for (let length = 1; length <= segments.length / 3; length++) {
    for (let from = 0; from + length * 3 <= segments.length; from++) {
      const run = segments.slice(from, from + length * 3);
      if (
        run.every((segment, i) => segment === run[i % length]) &&
        (length > 1 || !/^\d*$/.test(run[0] ?? ''))
      )
        return true;
    }
  }
  return false;
}

const YEARS_AHEAD = 3;
const FIRST_YEAR = 1990;
const DATE_IN_PATH =
  /\/((?:1[0-9]|2[0-9])\d\d)[/-](?:0?[1-9]|1[0-2])(?:[/-](?:0?[1-9]|[12]\d|3[01]))?(?=\/|\.|$)/;
const DATE_IN_QUERY =
  /[?&](?:date|day|month|week|year|y|from|start|cal\w*)=((?:1[0-9]|2[0-9])\d\d)(?=[-/&]|\d{0,4}(?:&|$))/i;

function isFarDate(url: URL, year: number): boolean {
  const match = DATE_IN_PATH.exec(url.pathname) ?? DATE_IN_QUERY.exec(url.search);
  if (!match) return false;
  const said = Number(match[1]);
  return said > year + YEARS_AHEAD || said < FIRST_YEAR;
}
