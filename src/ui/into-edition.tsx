'use client';

import { useRouter } from 'next/navigation';
import { useState, useTransition, type ReactNode } from 'react';
import type { Problem } from '@/core/problem';
import { ProblemText } from './problem-text';

interface IntoEditionProps {
  slug: string;
  gather: () => Promise<{ readonly edition: number } | { readonly problem: Problem }>;
  children: ReactNode;
}

/** A press that gathers something and goes to the edition that it is in. */
export function IntoEdition({ slug, gather, children }: IntoEditionProps) {
  const router = useRouter();
  const [problem, setProblem] = useState<Problem | null>(null);
  const [isBusy, start] = useTransition();
  const press = () =>
    start(async () => {
      const outcome = await gather();
      if ('problem' in outcome) setProblem(outcome.problem);
      else router.push(`/s/${slug}/editions/${outcome.edition}`);
    });
  return (
    <>
      <button type="button" className="text-left font-semibold text-green" disabled={isBusy} onClick={press}>
        {isBusy ? 'One moment …' : children}
      </button>
      {problem ? <ProblemText problem={problem} /> : null}
    </>
  );
}
