import { problemText, type Problem } from '@/core/problem';

/** Carries a problem through code that can't return it as a value (streams, job handlers, request handlers). */
export class ProblemError extends Error {
  constructor(
    readonly problem: Problem,
    options?: ErrorOptions,
  ) {
    super(problemText(problem), options);
    this.name = 'ProblemError';
  }
}

/** The problem that an error carries, or an honest description of an error that nobody expected. */
export function problemOf(error: unknown): Problem {
  if (error instanceof ProblemError) return error.problem;
  const message = error instanceof Error ? error.message : String(error);
  return {
    code: 'UNEXPECTED',
    what: 'Something went wrong that Ibidem did not expect.',
    why: `It said: ${message}`,
    remedy: 'Try again; nothing was changed. If it stays, look into the log of the worker.',
  };
}
