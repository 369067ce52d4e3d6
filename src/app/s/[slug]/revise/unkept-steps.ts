import type { Decided } from './use-revision';

/** What of a browser's storage is used; its calls may throw where it is full, or shut. */
export type StepsStorage = Pick<Storage, 'getItem' | 'setItem' | 'removeItem' | 'key' | 'length'>;

/** Names of what is written; another figure when the steps are written in another way. */
const PREFIX = 'ibidem unkept steps 1 ';
/** Steps that nobody came back to for so long are forgotten. */
const KEPT_MS = 30 * 24 * 60 * 60 * 1000;

interface Written {
  readonly decided: Decided;
  /** Milliseconds. */
  readonly at: number;
}

/**
 * The steps that were left on this machine without being kept.
 *
 * @param of names who made them, and from which bytes
 * @returns `null` where there are none, or what lies there can't be read
 */
export function unkeptSteps(storage: StepsStorage, of: string): Decided | null {
  return parsed(storage.getItem(PREFIX + of))?.decided ?? null;
}

/** @param at milliseconds */
export function writeUnkept(storage: StepsStorage, of: string, decided: Decided, at: number): void {
  storage.setItem(PREFIX + of, JSON.stringify({ decided, at } satisfies Written));
}

export function forgetUnkept(storage: StepsStorage, of: string): void {
  storage.removeItem(PREFIX + of);
}

/** Forgets what lies there for a month, so that a machine does not fill up with it. */
export function forgetOld(storage: StepsStorage, at: number): void {
  const names = Array.from({ length: storage.length }, (_, n) => storage.key(n) ?? '');
  for (const name of names.filter((name) => name.startsWith(PREFIX)))
    if (at - (parsed(storage.getItem(name))?.at ?? 0) > KEPT_MS) storage.removeItem(name);
}

function parsed(text: string | null): Written | null {
  if (text === null) return null;
  try {
    return JSON.parse(text) as Written;
  } catch {
    // Not what was written here: somebody else's, and nothing to go on from.
    return null;
  }
}
