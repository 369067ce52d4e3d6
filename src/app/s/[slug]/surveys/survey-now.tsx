'use client';

import { useState, useTransition } from 'react';
import type { Problem } from '@/core/problem';
import type { SurveyEvery } from '@/server/db/schema/sites';
import { Button } from '@/ui/button';
import { ProblemText } from '@/ui/problem-text';
import { schedule, surveyNow } from './actions';

const EVERY: readonly (readonly [SurveyEvery | '', string])[] = [
  ['', 'only when asked'],
  ['day', 'every day'],
  ['week', 'every week'],
  ['month', 'every month'],
];

interface SurveyNowProps {
  slug: string;
  siteId: number;
  isBusy: boolean;
  every: SurveyEvery | null;
}

/** Starts a survey, and says how often the site is surveyed of itself. */
export function SurveyNow({ slug, siteId, isBusy, every }: SurveyNowProps) {
  const [problem, setProblem] = useState<Problem | null>(null);
  const [isPending, start] = useTransition();
  return (
    <>
      {problem ? <ProblemText problem={problem} /> : null}
      <label className="flex items-center gap-2 text-sm text-ink-2">
        Surveyed
        <select
          className="rounded-sm border border-ink-3 bg-sheet px-2 py-1"
          defaultValue={every ?? ''}
          disabled={isPending}
          onChange={(event) => {
            const chosen = event.target.value;
            start(async () => setProblem(await schedule(slug, siteId, chosen === '' ? null : chosen)));
          }}
        >
          {EVERY.map(([value, text]) => (
            <option key={value} value={value}>
              {text}
            </option>
          ))}
        </select>
      </label>
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
