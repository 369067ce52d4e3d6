'use client';

import { useState, useTransition } from 'react';
import type { Problem } from '@/core/problem';
import { Button } from '@/ui/button';
import { ProblemText } from '@/ui/problem-text';

interface UndoingActsProps {
  tryAgain: () => Promise<Problem | null>;
  settle: () => Promise<Problem | null>;
}

/** Ways on where what was published can't be taken back just now. */
export function UndoingActs({ tryAgain, settle }: UndoingActsProps) {
  const [isBusy, start] = useTransition();
  const [problem, setProblem] = useState<Problem | null>(null);
  const run = (deed: () => Promise<Problem | null>) => start(async () => setProblem(await deed()));
  return (
    <div className="space-y-2">
      <div className="flex flex-wrap gap-2">
        <Button weight="main" disabled={isBusy} onClick={() => run(tryAgain)}>
          Try again
        </Button>
        <Button disabled={isBusy} onClick={() => run(settle)}>
          I have settled it by hand
        </Button>
      </div>
      {problem ? <ProblemText problem={problem} /> : null}
    </div>
  );
}
