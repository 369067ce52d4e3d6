import type { Problem } from '@/core/problem';

/** A problem for a person: what, why, what to do. */
export function ProblemText({ problem }: { problem: Problem }) {
  return (
    <div role="alert" className="border-l-2 border-must py-0.5 pl-3 text-sm">
      <p className="font-semibold text-must">{problem.what}</p>
      {problem.why ? <p>{problem.why}</p> : null}
      {problem.remedy ? <p className="text-ink-2">{problem.remedy}</p> : null}
    </div>
  );
}
