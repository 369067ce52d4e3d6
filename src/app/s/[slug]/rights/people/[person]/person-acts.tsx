'use client';

import { AlertDialog } from 'radix-ui';
import { useRouter } from 'next/navigation';
import { useState, useTransition, type ReactNode } from 'react';
import type { Problem } from '@/core/problem';
import { Button, buttonClass } from '@/ui/button';
import { Field } from '@/ui/field';
import { count } from '@/ui/format';
import { ProblemText } from '@/ui/problem-text';
import { erase, withdraw } from '../actions';

interface PersonActProps {
  slug: string;
  siteId: number;
  person: string;
}

/** Takes a release back, and leads to the edition that takes every picture off. */
export function WithdrawButton({
  isWithdrawn,
  slug,
  siteId,
  person,
  today,
  effect,
}: PersonActProps & { today: string; effect: string; isWithdrawn: boolean }) {
  const router = useRouter();
  const [on, setOn] = useState(today);
  const [problem, setProblem] = useState<Problem | null>(null);
  const [said, setSaid] = useState('');
  const [isBusy, start] = useTransition();
  const run = () =>
    start(async () => {
      const outcome = await withdraw(slug, siteId, person, on);
      if ('problem' in outcome) return setProblem(outcome.problem);
      const { edition, places } = outcome.done;
      if (edition !== null) return router.push(`/s/${slug}/editions/${edition}`);
      setSaid(
        on > today
          ? `Recorded for ${on}; on that day come back here.`
          : `Recorded; ${count(places, 'place')} to take off.`,
      );
    });
  return (
    <section>
      <h2 className="border-b border-line pb-1 font-semibold">
        {isWithdrawn ? 'They took it back' : 'They take it back'}
      </h2>
      <p className="py-1.5 text-sm text-ink-2">
        An edition is prepared that takes {effect} off, crops and share pictures included, and their files
        with them.
      </p>
      <Confirm
        trigger={isBusy ? 'One moment …' : isWithdrawn ? 'Take their pictures off' : 'Withdraw the release'}
        isBusy={isBusy}
        title={isWithdrawn ? `Take the pictures of ${person} off?` : `Withdraw what ${person} allowed?`}
        text="It is recorded at once, and the edition is prepared. The site itself changes when that is published."
        act={isWithdrawn ? 'Prepare it' : 'Withdraw'}
        run={run}
      >
        <Field
          name="on"
          label="From this day on"
          type="date"
          value={on}
          onChange={(event) => setOn(event.target.value)}
        />
      </Confirm>
      {said ? (
        <p role="status" className="text-sm text-green">
          {said}
        </p>
      ) : null}
      {problem ? <ProblemText problem={problem} /> : null}
    </section>
  );
}

/** Erases all that is kept of a person. */
export function EraseButton({ slug, siteId, person }: PersonActProps) {
  const [problem, setProblem] = useState<Problem | null>(null);
  const [isBusy, start] = useTransition();
  return (
    <>
      <Confirm
        trigger="Erase it all"
        isBusy={isBusy}
        title={`Erase what is kept of ${person}?`}
        text="Releases, marks and papers go for good, and the name goes from the log. Pictures stay where they are, known to show somebody: withdraw the release first to have them taken off."
        act="Erase"
        run={() => start(async () => setProblem(await erase(slug, siteId, person)))}
      />
      {problem ? <ProblemText problem={problem} /> : null}
    </>
  );
}

interface ConfirmProps {
  trigger: string;
  isBusy: boolean;
  title: string;
  text: string;
  act: string;
  run: () => void;
  children?: ReactNode;
}

function Confirm({ trigger, isBusy, title, text, act, run, children }: ConfirmProps) {
  return (
    <AlertDialog.Root>
      <AlertDialog.Trigger asChild>
        <Button disabled={isBusy}>{trigger}</Button>
      </AlertDialog.Trigger>
      <AlertDialog.Portal>
        <AlertDialog.Overlay className="fixed inset-0 z-20 bg-black/40" />
        <AlertDialog.Content className="fixed top-1/3 left-1/2 z-30 w-[440px] max-w-[90vw] -translate-x-1/2 -translate-y-1/3 border border-line bg-sheet p-6 shadow-lg">
          <AlertDialog.Title className="text-xl font-semibold">{title}</AlertDialog.Title>
          <AlertDialog.Description className="mt-2 text-ink-2">{text}</AlertDialog.Description>
          {children ? <div className="mt-3">{children}</div> : null}
          <div className="mt-5 flex justify-end gap-3">
            <AlertDialog.Cancel className={buttonClass('quiet')}>Not now</AlertDialog.Cancel>
            <AlertDialog.Action className={buttonClass('main')} onClick={run}>
              {act}
            </AlertDialog.Action>
          </div>
        </AlertDialog.Content>
      </AlertDialog.Portal>
    </AlertDialog.Root>
  );
}
