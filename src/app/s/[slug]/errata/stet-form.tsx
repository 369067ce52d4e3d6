'use client';

import { useState, useTransition } from 'react';
import type { Problem } from '@/core/problem';
import { Button } from '@/ui/button';
import { ProblemText } from '@/ui/problem-text';
import { keepStanding } from './actions';

interface StetFormProps {
  slug: string;
  /** The errata that are to stand. */
  ids: readonly number[];
  /** What its button says. */
  label: string;
  /** They stand, or it was given up. */
  onDone: (isKept: boolean) => void;
}

/** The reason for which errata may stand, and until when. */
export function StetForm({ slug, ids, label, onDone }: StetFormProps) {
  const [typed, setTyped] = useState({ reason: '', until: '' });
  const [problem, setProblem] = useState<Problem | null>(null);
  const [isBusy, start] = useTransition();
  return (
    <form
      className="mt-1 flex flex-1 flex-wrap items-center gap-1.5"
      onSubmit={(event) => {
        event.preventDefault();
        start(async () => {
          const found = await keepStanding(slug, { ids, ...typed });
          setProblem(found);
          if (!found) onDone(true);
        });
      }}
    >
      <input
        autoFocus
        aria-label="Why it may stand"
        placeholder="why it may stand"
        maxLength={500}
        className="min-w-40 flex-1 rounded-sm border border-ink-3 bg-sheet px-2 py-1"
        value={typed.reason}
        onChange={(event) => setTyped({ ...typed, reason: event.target.value })}
        onKeyDown={(event) => {
          if (event.key === 'Escape') onDone(false);
        }}
      />
      <label className="flex items-center gap-2 text-ink-2">
        until
        <input
          type="date"
          className="min-w-0 rounded-sm border border-ink-3 bg-sheet px-2 py-1"
          value={typed.until}
          onChange={(event) => setTyped({ ...typed, until: event.target.value })}
        />
      </label>
      <Button type="submit" disabled={isBusy}>
        {label}
      </Button>
      {problem ? <ProblemText problem={problem} /> : null}
    </form>
  );
}
