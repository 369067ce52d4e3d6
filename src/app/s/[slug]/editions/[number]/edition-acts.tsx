'use client';

import { useState, useTransition } from 'react';
import type { EditionState } from '@/core/edition/edition-state';
import type { Problem } from '@/core/problem';
import { Button } from '@/ui/button';
import { Confirm } from '@/ui/confirm';
import { ProblemText } from '@/ui/problem-text';
import { publish, withdraw } from './actions';

interface EditionActsProps {
  slug: string;
  editionId: number;
  state: EditionState;
  isReady: boolean;
  /** Exactly what publishing or withdrawing will touch. */
  touches: string;
}

/** The one thing to do with an edition: publish a draft, or take a published one back. */
export function EditionActs({ slug, editionId, state, isReady, touches }: EditionActsProps) {
  const [problem, setProblem] = useState<Problem | null>(null);
  const [isPending, start] = useTransition();
  if (state !== 'draft' && state !== 'published') return null;
  const isDraft = state === 'draft';
  const run = () => start(async () => setProblem(await (isDraft ? publish : withdraw)(slug, editionId)));
  return (
    <div className="space-y-3">
      <Confirm
        trigger={isPending ? 'One moment …' : isDraft ? 'Publish' : 'Withdraw'}
        weight={isDraft ? 'main' : 'plain'}
        isDisabled={isPending || (isDraft && !isReady)}
        title={isDraft ? 'Publish this edition?' : 'Withdraw this edition?'}
        text={
          isDraft
            ? `${touches} The live site changes at once; you can withdraw the edition afterwards.`
            : `${touches} Every page gets back what stood there before, and the files added with the edition are taken away.`
        }
        act={isDraft ? 'Publish now' : 'Withdraw now'}
        run={run}
      />
      {problem ? <ProblemText problem={problem} /> : null}
    </div>
  );
}

/** Takes one change, or one file that was to go, out of a draft. */
export function TakeOut({ run, label = 'Take out' }: { run: () => Promise<Problem | null>; label?: string }) {
  const [problem, setProblem] = useState<Problem | null>(null);
  const [isPending, start] = useTransition();
  return (
    <>
      <Button weight="quiet" disabled={isPending} onClick={() => start(async () => setProblem(await run()))}>
        {label}
      </Button>
      {problem ? <ProblemText problem={problem} /> : null}
    </>
  );
}
