'use client';

import { useState, useTransition } from 'react';
import type { Problem } from '@/core/problem';
import type { RecordBefore } from '@/server/work/rights/record-many';
import type { PicturesMeant } from '@/server/work/rights/pictures-meant';
import { Button } from '@/ui/button';
import { count } from '@/ui/format';
import { ProblemText } from '@/ui/problem-text';
import { RightsFields } from '../rights-fields';
import { sayOfMany, takeBackOfMany } from './actions';

interface ManyFormProps {
  slug: string;
  siteId: number;
  meant: PicturesMeant;
  /** Whom the files name. */
  maker: string;
  /** Whether the record holds for what comes later as well. */
  holdsLater: boolean;
}

/** What is to be said of all of them; it can be taken back at once. */
export function ManyForm({ slug, siteId, meant, maker, holdsLater }: ManyFormProps) {
  const [isBusy, start] = useTransition();
  const [problem, setProblem] = useState<Problem | null>(null);
  const [done, setDone] = useState<{ pictures: number; before: readonly RecordBefore[] } | null>(null);
  const [said, setSaid] = useState('');
  return (
    <form
      aria-label="One record for all of them"
      className="mt-5 grid max-w-2xl grid-cols-2 gap-3 max-sm:grid-cols-1"
      onSubmit={(event) => {
        event.preventDefault();
        const form = new FormData(event.currentTarget);
        start(async () => {
          const answer = await sayOfMany(slug, siteId, meant, form);
          setProblem('problem' in answer ? answer.problem : null);
          if (!('done' in answer)) return;
          setDone(answer.done);
          setSaid(`Recorded of ${count(answer.done.pictures, 'picture')}; the answers follow as soon as the worker has looked.`); // oxfmt-ignore
        });
      }}
    >
      <p className="col-span-full text-sm text-ink-2">
        A field that is left empty stays as it was said of each.{' '}
        {holdsLater
          ? 'It holds for what comes into the folder later as well; what is recorded of a single picture stands before it.'
          : null}
      </p>
      <RightsFields before={(name) => (name === 'creator' ? maker : '')} />
      <div className="col-span-full flex flex-wrap items-center gap-3">
        <Button type="submit" disabled={isBusy}>
          {isBusy ? 'One moment …' : 'Record of all'}
        </Button>
        {problem ? <ProblemText problem={problem} /> : null}
        {!problem && said ? (
          <p role="status" className="text-sm text-green">
            {said}
          </p>
        ) : null}
        {done ? (
          <Button
            weight="quiet"
            disabled={isBusy}
            onClick={() =>
              start(async () => {
                const failed = await takeBackOfMany(slug, siteId, done.before);
                setProblem(failed);
                if (failed) return;
                setDone(null);
                setSaid('It is as it was.');
              })
            }
          >
            Take that back
          </Button>
        ) : null}
      </div>
    </form>
  );
}
