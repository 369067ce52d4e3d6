'use client';

import { AlertDialog } from 'radix-ui';
import { useState, useTransition } from 'react';
import type { EditionState } from '@/core/edition/edition-state';
import type { Problem } from '@/core/problem';
import { Button, buttonClass } from '@/ui/button';
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
      <AlertDialog.Root>
        <AlertDialog.Trigger asChild>
          <Button weight={isDraft ? 'main' : 'plain'} disabled={isPending || (isDraft && !isReady)}>
            {isPending ? 'One moment …' : isDraft ? 'Publish' : 'Withdraw'}
          </Button>
        </AlertDialog.Trigger>
        <AlertDialog.Portal>
          <AlertDialog.Overlay className="fixed inset-0 z-20 bg-black/40" />
          <AlertDialog.Content className="fixed top-1/3 left-1/2 z-30 w-[440px] max-w-[90vw] -translate-x-1/2 -translate-y-1/3 border border-line bg-sheet p-6 shadow-lg">
            <AlertDialog.Title className="text-xl font-semibold">
              {isDraft ? 'Publish this edition?' : 'Withdraw this edition?'}
            </AlertDialog.Title>
            <AlertDialog.Description className="mt-2 text-ink-2">
              {isDraft
                ? `${touches} The live site changes at once; you can withdraw the edition afterwards.`
                : `${touches} Every page gets back what stood there before, and the files added with the edition are taken away.`}
            </AlertDialog.Description>
            <div className="mt-5 flex justify-end gap-3">
              <AlertDialog.Cancel className={buttonClass('quiet')}>Not now</AlertDialog.Cancel>
              <AlertDialog.Action className={buttonClass('main')} onClick={run}>
                {isDraft ? 'Publish now' : 'Withdraw now'}
              </AlertDialog.Action>
            </div>
          </AlertDialog.Content>
        </AlertDialog.Portal>
      </AlertDialog.Root>
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
