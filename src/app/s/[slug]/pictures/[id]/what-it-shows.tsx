'use client';

import { useState, useTransition } from 'react';
import type { Problem } from '@/core/problem';
import { PICTURE_KINDS, type PictureKind, type ShelfLife } from '@/core/dating/shelf-life';
import { KIND_NAME, lifeText } from '@/ui/date-words';
import { ProblemText } from '@/ui/problem-text';
import { settle } from '../actions';

interface WhatItShowsProps {
  slug: string;
  pictureId: number;
  kind: PictureKind | null;
  /** How long such pictures stay current on this site. */
  life: ShelfLife | null;
  /** What the kind was guessed from, or who settled it. */
  reason: string;
  isSettled: boolean;
  maySettle: boolean;
}

/** What a picture shows, as far as its ageing goes: guessed with the reason, and settled by hand. */
export function WhatItShows({ slug, pictureId, kind, life, reason, isSettled, maySettle }: WhatItShowsProps) {
  const [problem, setProblem] = useState<Problem | null>(null);
  const [isBusy, start] = useTransition();
  const choose = (value: string) =>
    start(async () => {
      const outcome = await settle(slug, [pictureId], (value || null) as PictureKind | null);
      setProblem(outcome.ok ? null : outcome.problem);
    });
  return (
    <section>
      <h2 className="text-sm text-ink-2">
        <label htmlFor="kind">What it shows</label>
      </h2>
      <select
        id="kind"
        className="mt-1 w-full rounded-sm border border-line bg-sheet px-2 py-1.5"
        value={kind ?? ''}
        disabled={isBusy || !maySettle}
        onChange={(event) => choose(event.target.value)}
      >
        <option value="">{isSettled ? 'Guess it again' : 'Not known'}</option>
        {PICTURE_KINDS.map((name) => (
          <option key={name} value={name}>
            {KIND_NAME[name]}
          </option>
        ))}
      </select>
      <p className="mt-1 text-sm text-ink-2">
        {kind
          ? `${isSettled ? '' : 'Guessed: '}${reason}. It ${life && life.unit !== 'forever' ? 'stays ' : ''}${life ? lifeText(life) : ''}.`
          : 'Nothing around it tells; it is not held to a shelf life.'}
      </p>
      {problem ? <ProblemText problem={problem} /> : null}
    </section>
  );
}
