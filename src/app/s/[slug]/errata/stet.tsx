'use client';

import { useState, useTransition } from 'react';
import type { StetRow } from '@/app/_data/errata/errata';
import type { Problem } from '@/core/problem';
import { ProblemText } from '@/ui/problem-text';
import { stopStanding } from './actions';
import { StetForm } from './stet-form';

interface StetProps {
  slug: string;
  /** The errata that one word lets stand. */
  ids: readonly number[];
  stet: StetRow | null;
  maySettle: boolean;
}

/** Lets an erratum stand with a reason, or tells why it stands. */
export function Stet({ slug, ids, stet, maySettle }: StetProps) {
  const [isTyping, setTyped] = useState(false);
  const [problem, setProblem] = useState<Problem | null>(null);
  const [isBusy, start] = useTransition();
  if (stet && !stet.isOver) {
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
            onClick={() => start(async () => setProblem(await stopStanding(slug, ids)))}
          >
            It stands no longer
          </button>
        ) : null}
        {problem ? <ProblemText problem={problem} /> : null}
      </div>
    );
  }
  if (!maySettle) return null;
  if (!isTyping) {
    return (
      <>
        {stet ? (
          <p className="text-should">
            It stood until {stet.until}: <span className="font-serif">{stet.reason}</span>
          </p>
        ) : null}
        <button type="button" className="text-ink-2" onClick={() => setTyped(true)}>
          {ids.length > 1 ? 'Let them stand …' : 'Let it stand …'}
        </button>
      </>
    );
  }
  return <StetForm slug={slug} ids={ids} label="Stet" onDone={() => setTyped(false)} />;
}
