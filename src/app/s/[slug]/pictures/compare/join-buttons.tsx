'use client';

import { useState, useTransition } from 'react';
import type { Problem } from '@/core/problem';
import { Button } from '@/ui/button';
import { ProblemText } from '@/ui/problem-text';
import { correct } from '../actions';

interface JoinButtonsProps {
  slug: string;
  /** Hashes of the two files. */
  a: string;
  b: string;
  /** Whether they are taken for one picture now. */
  isSame: boolean;
}

/** Says that two files are one picture, or are two. */
export function JoinButtons({ slug, a, b, isSame }: JoinButtonsProps) {
  const [problem, setProblem] = useState<Problem | null>(null);
  const [said, setSaid] = useState<'together' | 'apart' | null>(null);
  const [isBusy, start] = useTransition();
  const say = (kind: 'together' | 'apart') =>
    start(async () => {
      const found = await correct(slug, kind, a, b);
      setProblem(found);
      setSaid(found ? null : kind);
    });
  return (
    <div className="mt-4 flex flex-wrap items-center gap-3">
      <p>{isSame ? 'They are taken for one picture.' : 'They are taken for two pictures.'}</p>
      {isSame ? (
        <Button disabled={isBusy} onClick={() => say('apart')}>
          They are two
        </Button>
      ) : (
        <Button disabled={isBusy} onClick={() => say('together')}>
          They are one
        </Button>
      )}
      {said ? (
        <p role="status" className="text-green">
          Noted: {said === 'together' ? 'one picture' : 'two pictures'}, as soon as the worker has sorted
          them.
        </p>
      ) : null}
      {problem ? <ProblemText problem={problem} /> : null}
    </div>
  );
}
