import type { ReactNode } from 'react';
import type { changes } from '@/server/db/schema/editions';
import { ProblemText } from '@/ui/problem-text';

interface ChangeHeadProps {
  change: typeof changes.$inferSelect;
  takeOut: ReactNode;
  children: ReactNode;
}

/** What a change is, the way to take it out, and how far it is prepared. */
export function ChangeHead({ change, takeOut, children }: ChangeHeadProps) {
  return (
    <>
      <div className="flex items-center gap-3 px-5 pt-3">
        <h2 className="min-w-0 text-lg">{children}</h2>
        <span className="ml-auto" />
        {takeOut}
      </div>
      {change.state === 'preparing' ? (
        <p className="px-5 py-3 text-ink-2">What it does to each file is being worked out …</p>
      ) : null}
      {change.problem ? (
        <div className="px-5 py-3">
          <ProblemText problem={change.problem} />
        </div>
      ) : null}
    </>
  );
}
