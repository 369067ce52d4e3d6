import type { Fingerprint } from '@/core/picture/fingerprint';

/** Those kept in memory: the pictures that are compared again and again. */
const KEPT = 400;

/** Gives fingerprints while families are made; those asked for last need not be loaded again. */
export function recentPrints(load: (id: string) => Fingerprint): (id: string) => Fingerprint {
  const kept = new Map<string, Fingerprint>();
  return (id) => {
    const print = kept.get(id) ?? load(id);
    kept.delete(id);
    kept.set(id, print);
    if (kept.size > KEPT) kept.delete(kept.keys().next().value as string);
    return print;
  };
}
