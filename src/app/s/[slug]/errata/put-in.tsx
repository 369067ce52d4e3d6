'use client';

import { useState, useTransition } from 'react';
import type { Problem } from '@/core/problem';
import { Link } from '@/ui/link';
import { ProblemText } from '@/ui/problem-text';
import { putTextsIn, refit, takeProposalsBack } from './actions';

interface PutInProps {
  slug: string;
  /** The errata that it settles. */
  ids: readonly number[];
  /** Texts that the rules propose, or the picture itself, fitted. */
  what: 'texts' | 'fitted picture';
  children: string;
}

/** What one press put into an edition. */
interface PutThere {
  /** `null` where the site has all of it already. */
  readonly edition: number | null;
  /** Places whose texts can be taken back here; a fitted picture is taken out of the edition itself. */
  readonly texts: readonly number[];
}

/** Settles a piece of work by one press: what is proposed goes into the edition, and out of it again. */
export function PutIn({ slug, ids, what, children }: PutInProps) {
  const [there, setThere] = useState<PutThere | null>(null);
  const [problem, setProblem] = useState<Problem | null>(null);
  const [isBusy, start] = useTransition();
  const put = () =>
    start(async () => {
      const outcome = what === 'texts' ? await putTextsIn(slug, ids) : await refit(slug, ids);
      setProblem(outcome.ok ? null : outcome.problem);
      if (!outcome.ok) return;
      const { value } = outcome;
      setThere(
        typeof value === 'number'
          ? { edition: value, texts: [] }
          : { edition: value.edition, texts: value.placementIds },
      );
    });
  const takeBack = (texts: readonly number[]) =>
    start(async () => {
      const found = await takeProposalsBack(slug, texts);
      setProblem(found);
      if (!found) setThere(null);
    });
  return (
    <div role={there ? 'status' : undefined}>
      {there === null ? (
        <button type="button" disabled={isBusy} className="font-semibold text-green" onClick={put}>
          {isBusy ? 'Putting it in …' : children}
        </button>
      ) : there.edition === null ? (
        'The site says so already.'
      ) : (
        <>
          In{' '}
          <Link href={`/s/${slug}/editions/${there.edition}`} className="font-semibold text-green">
            edition {there.edition}
          </Link>
          , before and after.{' '}
          {there.texts.length > 0 ? (
            <button
              type="button"
              disabled={isBusy}
              className="text-green"
              onClick={() => takeBack(there.texts)}
            >
              Take that back
            </button>
          ) : null}
        </>
      )}
      {problem ? <ProblemText problem={problem} /> : null}
    </div>
  );
}
