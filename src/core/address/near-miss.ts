/**
 * Why a file that a page asks for is not there: often it is, under a name that differs in its letters' case or in how
 * an accent is composed. Some servers and disks take such names for the same, others do not.
 */

export interface NearMiss {
  readonly kind: 'case' | 'form';
  /** The path that is there. */
  readonly path: string;
}

export type NearMissFinder = (path: string) => NearMiss | null;

/** Files of a site made ready to be asked for near misses. `form` is the composition of accents (Unicode NFC, NFD). */
export function nearMisses(paths: Iterable<string>): NearMissFinder {
  const byForm = new Map<string, string>();
  const byCase = new Map<string, string>();
  for (const path of paths) {
    const form = path.normalize('NFC');
    if (!byForm.has(form)) byForm.set(form, path);
    const folded = form.toLowerCase();
    if (!byCase.has(folded)) byCase.set(folded, path);
  }
  return (path) => {
    const form = path.normalize('NFC');
    const sameForm = byForm.get(form);
    if (sameForm !== undefined) return sameForm === path ? null : { kind: 'form', path: sameForm };
    const sameCase = byCase.get(form.toLowerCase());
    return sameCase === undefined ? null : { kind: 'case', path: sameCase };
  };
}
