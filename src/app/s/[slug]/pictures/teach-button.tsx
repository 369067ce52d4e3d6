'use client';

import { useState, useTransition, type ReactNode } from 'react';
import type { Problem } from '@/core/problem';
import type { Teaching } from '@/core/picture/leftover-strength';
import { ProblemText } from '@/ui/problem-text';
import { teach } from './actions';

interface TeachButtonProps {
  slug: string;
  ids: readonly number[];
  /** `null` takes back what was said. */
  teaching: Teaching | null;
  children: ReactNode;
}

/** Says of pictures, by one press, that they are leftovers of a template or are none. */
export function TeachButton({ slug, ids, teaching, children }: TeachButtonProps) {
  const [problem, setProblem] = useState<Problem | null>(null);
  const [isBusy, start] = useTransition();
  return (
    <>
      <button
        type="button"
        disabled={isBusy}
        className="rounded-sm text-ink-2 underline decoration-line underline-offset-2 disabled:opacity-55"
        onClick={() =>
          start(async () => {
            const outcome = await teach(slug, ids, teaching);
            setProblem(outcome.ok ? null : outcome.problem);
          })
        }
      >
        {children}
      </button>
      {problem ? <ProblemText problem={problem} /> : null}
    </>
  );
}
