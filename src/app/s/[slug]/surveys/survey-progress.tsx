'use client';

import { useTransition } from 'react';
import { Button } from '@/ui/button';
import { leftText, numberText } from '@/ui/format';
import { useLive } from '../live';
import { goOn, stopNow } from './actions';

/** A survey under way: what it does, how far it is, how fast, and how long it will take. */
export function SurveyProgress({ slug, siteId, number }: { slug: string; siteId: number; number: number }) {
  const [isStopping, start] = useTransition();
  const live = useLive().work;
  const work = live?.label === 'Surveying' ? live : null;
  const share = work && work.total > 0 ? work.done / work.total : 0;
  return (
    <div className="max-w-xl">
      <p>
        {work?.phase ? (
          <span className="font-semibold">{work.phase.replace(/^./, (c) => c.toUpperCase())}</span>
        ) : (
          'Waiting'
        )}
        {work && work.total > 0 ? ` · ${numberText(work.done)} of ${numberText(work.total)}` : ''}
        {work?.seconds && work.done > 0 ? ` · ${leftText(work.done, work.total, work.seconds)}` : ''}
      </p>
      <div
        className="mt-1.5 h-1 bg-line"
        role="progressbar"
        aria-label={`Survey ${number}`}
        aria-valuemin={0}
        aria-valuemax={100}
        aria-valuenow={Math.round(share * 100)}
      >
        <div className="h-full bg-green" style={{ width: `${share * 100}%` }} />
      </div>
      <p className="mt-2 flex items-center gap-3 text-sm text-ink-2">
        <Button
          disabled={isStopping}
          onClick={() => start(async () => void (await stopNow(slug, siteId, number)))}
        >
          {isStopping ? 'Stopping …' : 'Stop'}
        </Button>
        It goes on when this window is closed. What was read stays.
      </p>
    </div>
  );
}

/** Lets a survey that was stopped or failed go on where it was. */
export function GoOn({ slug, siteId, number }: { slug: string; siteId: number; number: number }) {
  const [isPending, start] = useTransition();
  return (
    <Button disabled={isPending} onClick={() => start(async () => void (await goOn(slug, siteId, number)))}>
      Go on where it was
    </Button>
  );
}
