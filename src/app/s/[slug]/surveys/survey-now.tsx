'use client';

import { useState, useTransition } from 'react';
import type { Problem } from '@/core/problem';
import { Button } from '@/ui/button';
import { ProblemText } from '@/ui/problem-text';
import { surveyNow } from './actions';

export function SurveyNow({ slug, siteId, isBusy }: { slug: string; siteId: number; isBusy: boolean }) {
  const [problem, setProblem] = useState<Problem | null>(null);
  const [isPending, start] = useTransition();
  return (
    <>
      {problem ? <ProblemText problem={problem} /> : null}
      <Button
        weight="main"
        disabled={isBusy || isPending}
        onClick={() => start(async () => setProblem(await surveyNow(slug, siteId)))}
      >
        {isBusy ? 'Being surveyed …' : 'Survey now'}
      </Button>
    </>
  );
}
