import type { Problem } from '@/core/problem';
import { ProblemText } from './problem-text';

/** What came of a form that was sent: a problem, or a sentence; `null` before it was sent. */
export type Told = { readonly problem: Problem } | { readonly said: string } | null;

/** The answer to a form, under it. */
export function Answer({ told }: { told: Told }) {
  if (!told) return null;
  if ('problem' in told) return <ProblemText problem={told.problem} />;
  return (
    <p role="status" className="text-sm text-green">
      {told.said}
    </p>
  );
}
