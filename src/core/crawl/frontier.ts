/**
 * In which order the addresses of a crawl are taken: as they were found, but those of a page whose links have mostly led
 * to nothing wait behind all others, the longer the more of them failed. So a page with a hundred thousand dead links
 * starves nobody.
 */

/** Failures up to here happen to every page. */
const FORGIVEN = 4;
const LEVELS = 18;

interface Tally {
  good: number;
  bad: number;
}

interface Waiting<T> {
  readonly item: T;
  readonly source: string;
}

export class Frontier<T> {
  /** By level of doubt; a list is read from `heads` on. */
  private readonly lists: Waiting<T>[][] = Array.from({ length: LEVELS }, () => []);
  private readonly heads: number[] = new Array<number>(LEVELS).fill(0);
  private readonly tallies = new Map<string, Tally>();
  private waiting = 0;

  get size(): number {
    return this.waiting;
  }

  /** @param source the page that leads there, or any name for where it was learnt */
  add(item: T, source: string): void {
    this.lists[this.levelOf(source)]?.push({ item, source });
    this.waiting++;
  }

  /** The next, or `undefined` where nothing waits. Takes constant time, all in all. */
  next(): T | undefined {
    for (let level = 0; level < LEVELS; level++) {
      for (let waiting = this.shift(level); waiting; waiting = this.shift(level)) {
        const { item, source } = waiting;
        const now = this.levelOf(source);
        if (now <= level) {
          this.waiting--;
          return item;
        }
        // Its page has come into doubt since: it waits further behind.
        this.lists[now]?.push({ item, source });
      }
    }
    return undefined;
  }

  /** What became of an address that a page led to. */
  tell(source: string, isGood: boolean): void {
    const tally = this.tallies.get(source) ?? { good: 0, bad: 0 };
    if (isGood) tally.good++;
    else tally.bad++;
    this.tallies.set(source, tally);
  }

  clear(): void {
    for (let level = 0; level < LEVELS; level++) {
      this.lists[level] = [];
      this.heads[level] = 0;
    }
    this.waiting = 0;
  }

  private levelOf(source: string): number {
    const tally = this.tallies.get(source);
    if (!tally || tally.bad <= FORGIVEN || tally.good >= tally.bad) return 0;
    return Math.min(LEVELS - 1, Math.floor(Math.log2(tally.bad)));
  }

  /** The first of a list. What was read is given back now and then, not each time: that would cost the list's length. */
  private shift(level: number): Waiting<T> | undefined {
    const list = this.lists[level] as Waiting<T>[];
    const head = this.heads[level] as number;
    if (head >= list.length) return undefined;
    const isLong = head >= 10_000;
    if (isLong) this.lists[level] = list.slice(head + 1);
    this.heads[level] = isLong ? 0 : head + 1;
    return list[head];
  }
}
