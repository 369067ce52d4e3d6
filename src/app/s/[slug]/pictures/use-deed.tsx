'use client';

import { useState, useTransition } from 'react';
import type { Outcome } from '@/app/_data/act';
import type { Problem } from '@/core/problem';
import { Told } from '@/ui/foot-bar';
import { ProblemText } from '@/ui/problem-text';
import { takeBack, type Undo } from './actions';

/** Something that is said of pictures: what came of it, and the way back. */
interface Deed {
  readonly isBusy: boolean;
  /** Whether there is something to tell. */
  readonly isTold: boolean;
  /** Whether it is said and can be taken back: said once more, the way back would lead to what was said already. */
  readonly isSaid: boolean;
  /**
   * Says something of pictures.
   *
   * @param text what to tell once it is said
   * @param then what to do then; nothing where it was refused
   */
  readonly say: (text: string, deed: () => Promise<Outcome<Undo>>, then?: () => void) => void;
  readonly close: () => void;
  readonly problem: Problem | null;
  readonly told: { readonly text: string; readonly undo: Undo | null } | null;
  readonly undo: (was: Undo) => void;
}

export function useDeed(slug: string): Deed {
  const [told, setTold] = useState<Deed['told']>(null);
  const [problem, setProblem] = useState<Problem | null>(null);
  const [isBusy, start] = useTransition();
  return {
    ...{ isBusy, problem, told, isTold: told !== null || problem !== null },
    isSaid: told !== null && told.undo !== null,
    say: (text, deed, then) =>
      start(async () => {
        const outcome = await deed();
        setProblem(outcome.ok ? null : outcome.problem);
        setTold(outcome.ok ? { text, undo: outcome.value } : null);
        if (outcome.ok) then?.();
      }),
    undo: (was) =>
      start(async () => {
        const refused = await takeBack(slug, was);
        setProblem(refused);
        if (!refused) setTold({ text: 'Taken back.', undo: null });
      }),
    close: () => setTold(null),
  };
}

/** What came of it. */
export function DeedTold({ deed, mayClose = false }: { deed: Deed; mayClose?: boolean }) {
  const { told, problem, isBusy } = deed;
  const was = told?.undo;
  return (
    <>
      {told ? (
        <Told
          isBusy={isBusy}
          onTakeBack={was ? () => deed.undo(was) : undefined}
          onClose={mayClose ? deed.close : undefined}
        >
          {told.text}
        </Told>
      ) : null}
      {problem ? <ProblemText problem={problem} /> : null}
    </>
  );
}
