/**
 * An expected failure, as a value: what happened, why, and what to do. `code` is stable and names the kind.
 */
export interface Problem {
  readonly code: string;
  readonly what: string;
  readonly why: string;
  readonly remedy: string;
}

/** A problem as one paragraph for a person. */
export function problemText(problem: Problem): string {
  return `${problem.what} ${problem.why} ${problem.remedy}`.replace(/\s+/g, ' ').trim();
}
