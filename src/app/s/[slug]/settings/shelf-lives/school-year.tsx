'use client';

import { useState, useTransition } from 'react';
import { MONTHS } from '@/core/dating/shelf-life';
import type { Problem } from '@/core/problem';
import { ProblemText } from '@/ui/problem-text';
import { keepSchoolYear } from './actions';

interface SchoolYearProps {
  slug: string;
  /** 1 to 12. */
  month: number;
  mayChange: boolean;
}

/** The month in which school years begin. */
export function SchoolYear({ slug, month, mayChange }: SchoolYearProps) {
  const [problem, setProblem] = useState<Problem | null>(null);
  const [isBusy, start] = useTransition();
  return (
    <p className="mt-3 flex flex-wrap items-center gap-3">
      <label htmlFor="school-year">A school year begins in</label>
      <select
        id="school-year"
        className="rounded-sm border border-ink-3 bg-sheet px-2 py-1 disabled:opacity-60"
        value={month}
        disabled={isBusy || !mayChange}
        onChange={(event) =>
          start(async () => setProblem(await keepSchoolYear(slug, Number(event.target.value))))
        }
      >
        {MONTHS.map((name, n) => (
          <option key={name} value={n + 1}>
            {name}
          </option>
        ))}
      </select>
      {problem ? <ProblemText problem={problem} /> : null}
    </p>
  );
}
