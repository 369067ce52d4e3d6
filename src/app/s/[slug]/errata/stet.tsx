'use client';

import { useState, useTransition } from 'react';
import type { Problem } from '@/core/problem';
import { Button } from '@/ui/button';
import { ProblemText } from '@/ui/problem-text';
import { keepStanding, stopStanding } from './actions';

interface StetProps {
  slug: string;
  id: number;
  stet: { readonly reason: string; readonly saidBy: string; readonly until: string | null } | null;
  maySettle: boolean;
}

/** Lets an erratum stand with a reason, or tells why it stands. */
export function Stet({ slug, id, stet, maySettle }: StetProps) {
  const [typed, setTyped] = useState<{ reason: string; until: string } | null>(null);
  const [problem, setProblem] = useState<Problem | null>(null);
  const [isBusy, start] = useTransition();
  if (stet) {
    return (
      <div className="text-ink-2">
        <p>
          Stet, says {stet.saidBy}: <span className="font-serif">{stet.reason}</span>
          {stet.until ? ` Until ${stet.until}.` : ''}
        </p>
        {maySettle ? (
          <button
            type="button"
            className="text-green"
            disabled={isBusy}
            onClick={() => start(async () => setProblem(await stopStanding(slug, id)))}
          >
            It stands no longer
          </button>
        ) : null}
        {problem ? <ProblemText problem={problem} /> : null}
      </div>
    );
  }
  if (!maySettle) return null;
  if (!typed) {
    return (
      <button type="button" className="text-ink-2" onClick={() => setTyped({ reason: '', until: '' })}>
        Let it stand …
      </button>
    );
  }
  return (
    <form
      className="mt-1 grid gap-1.5"
      onSubmit={(event) => {
        event.preventDefault();
        start(async () => {
          const found = await keepStanding(slug, { ids: [id], ...typed });
          setProblem(found);
          if (!found) setTyped(null);
        });
      }}
    >
      <input
        autoFocus
        aria-label="Why it may stand"
        placeholder="why it may stand"
        maxLength={500}
        className="rounded-sm border border-ink-3 bg-sheet px-2 py-1"
        value={typed.reason}
        onChange={(event) => setTyped({ ...typed, reason: event.target.value })}
        onKeyDown={(event) => {
          if (event.key === 'Escape') setTyped(null);
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
        <Button type="submit" disabled={isBusy}>
          Stet
        </Button>
      </label>
      {problem ? <ProblemText problem={problem} /> : null}
    </form>
  );
}
