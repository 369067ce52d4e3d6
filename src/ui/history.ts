/** What somebody wrote, with what stood there before: for undoing and doing again. */
export interface History<T> {
  readonly past: readonly T[];
  readonly now: T;
  readonly future: readonly T[];
  /** What wrote last, and when (milliseconds): a figure that is being drawn along is one deed. */
  readonly by: string | null;
  readonly at: number;
}

/** Within this time, what the same hand writes is one deed. */
const ONE_DEED_MS = 800;

export function begun<T>(now: T): History<T> {
  return { past: [], now, future: [], by: null, at: 0 };
}

/**
 * Writes the next state.
 *
 * @param by what writes: a field, a handle; `null` for what is a deed of its own
 * @param at milliseconds
 */
export function written<T>(history: History<T>, next: T, by: string | null, at: number): History<T> {
  const { past, now } = history;
  const goesOn = by !== null && by === history.by && at - history.at < ONE_DEED_MS;
  return { past: goesOn ? past : [...past, now], now: next, future: [], by, at };
}

export function undone<T>(history: History<T>): History<T> {
  const before = history.past.at(-1);
  if (before === undefined) return history;
  const { past, now, future } = history;
  return { past: past.slice(0, -1), now: before, future: [now, ...future], by: null, at: 0 };
}

export function doneAgain<T>(history: History<T>): History<T> {
  const [next, ...future] = history.future;
  if (next === undefined) return history;
  return { past: [...history.past, history.now], now: next, future, by: null, at: 0 };
}

interface KeyPressed {
  readonly key: string;
  readonly ctrlKey: boolean;
  readonly metaKey: boolean;
  readonly shiftKey: boolean;
}

/** Which way a key goes through the history; `null` for any other key. */
export function wayOfKey({ key, ctrlKey, metaKey, shiftKey }: KeyPressed): 'back' | 'on' | null {
  if (!ctrlKey && !metaKey) return null;
  if (key.toLowerCase() === 'z') return shiftKey ? 'on' : 'back';
  return key.toLowerCase() === 'y' ? 'on' : null;
}
