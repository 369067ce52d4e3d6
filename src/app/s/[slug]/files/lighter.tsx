'use client';

import { useState, useTransition } from 'react';
import type { Problem } from '@/core/problem';
import { count } from '@/ui/format';
import { ProblemText } from '@/ui/problem-text';
import { makeLighter } from './actions';

interface LighterProps {
  slug: string;
  page: string;
  /** How many of its pictures are far larger than their places. */
  pictures: number;
}

/** Puts the pictures of a page in again in the sizes that their places need. */
export function Lighter({ slug, page, pictures }: LighterProps) {
  const [problem, setProblem] = useState<Problem | null>(null);
  const [isBusy, start] = useTransition();
  return (
    <div className="text-sm">
      <span className="text-should">
        {count(pictures, 'picture')} far larger than {pictures === 1 ? 'its place' : 'their places'}.
      </span>{' '}
      <button
        type="button"
        disabled={isBusy}
        className="font-semibold text-green"
        onClick={() => start(async () => setProblem(await makeLighter(slug, page)))}
      >
        {isBusy ? 'Putting it in …' : 'Make it lighter, in an edition'}
      </button>
      {problem ? <ProblemText problem={problem} /> : null}
    </div>
  );
}
