'use client';

import { useState, useTransition } from 'react';
import type { Problem } from '@/core/problem';
import { Button } from '@/ui/button';
import { ProblemText } from '@/ui/problem-text';
import { correct } from '../actions';

interface ApartButtonProps {
  slug: string;
  a: string;
  b: string;
  name: string;
}

/** Says that a file is another picture; the worker sorts the families anew. */
export function ApartButton({ slug, a, b, name }: ApartButtonProps) {
  const [problem, setProblem] = useState<Problem | null>(null);
  const [isSaid, setSaid] = useState(false);
  const [isBusy, start] = useTransition();
  if (problem) return <ProblemText problem={problem} />;
  if (isSaid) return <p className="text-sm text-green">Noted: it becomes a picture of its own.</p>;
  return (
    <Button
      weight="quiet"
      disabled={isBusy}
      aria-label={`${name} is another picture`}
      onClick={() =>
        start(async () => {
          const found = await correct(slug, 'apart', a, b);
          setProblem(found);
          setSaid(!found);
        })
      }
    >
      Another picture
    </Button>
  );
}
