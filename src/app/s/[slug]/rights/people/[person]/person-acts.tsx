'use client';

import { useRouter } from 'next/navigation';
import { useState, useTransition } from 'react';
import type { Problem } from '@/core/problem';
import { Confirm } from '@/ui/confirm';
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
        isDisabled={isBusy}
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
        isDisabled={isBusy}
        title={`Erase what is kept of ${person}?`}
        text="Releases, marks and papers go for good, and the name goes from the log. Pictures stay where they are, known to show somebody: withdraw the release first to have them taken off."
        act="Erase"
        run={() => start(async () => setProblem(await erase(slug, siteId, person)))}
      />
      {problem ? <ProblemText problem={problem} /> : null}
    </>
  );
}
