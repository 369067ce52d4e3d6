'use client';

import { useRouter } from 'next/navigation';
import { useState, useTransition } from 'react';
import type { Problem } from '@/core/problem';
import { ProblemText } from '@/ui/problem-text';
import { writeIntoFiles } from '../../rights/actions';

/** Puts what is recorded into the picture's files, by way of the edition. */
export function WriteIntoFiles({ slug, siteId, fileId }: { slug: string; siteId: number; fileId: number }) {
  const router = useRouter();
  const [problem, setProblem] = useState<Problem | null>(null);
  const [isBusy, start] = useTransition();
  const gather = () =>
    start(async () => {
      const outcome = await writeIntoFiles(slug, siteId, fileId);
      if ('problem' in outcome) setProblem(outcome.problem);
      else router.push(`/s/${slug}/editions/${outcome.edition}`);
    });
  return (
    <p className="mb-4">
      <button type="button" className="font-semibold text-green" disabled={isBusy} onClick={gather}>
        {isBusy ? 'One moment …' : 'Write what is recorded into its files'}
      </button>{' '}
      <span className="text-sm text-ink-2">in the edition; no pixel changes</span>
      {problem ? <ProblemText problem={problem} /> : null}
    </p>
  );
}
