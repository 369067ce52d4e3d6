'use client';

import { useState, useTransition } from 'react';
import type { SubjectRow } from '@/app/_data/pictures/subjects';
import { spanText } from '@/core/dating/shelf-life';
import type { Problem } from '@/core/problem';
import { SUBJECT_NAME } from '@/ui/date-words';
import { count } from '@/ui/format';
import { Link } from '@/ui/link';
import { Mat } from '@/ui/mat';
import { ProblemText } from '@/ui/problem-text';
import { forgetSubject, keepSubject, show } from '../pictures/actions';
import { SubjectForm } from './subject-form';

interface SubjectLineProps {
  slug: string;
  subject: SubjectRow;
  mayName: boolean;
}

/** What the change of a subject means for its pictures, in a sentence. */
function beforeText({ before, perhaps, pictures }: SubjectRow): string {
  if (pictures === 0) return 'No picture shows it yet.';
  const surely =
    before === 0 ? 'No picture is from before that' : `${count(before, 'picture')} from before that`;
  return perhaps === 0 ? `${surely}.` : `${surely}, ${perhaps} perhaps.`;
}

/** One name, the pictures that show it, and when it changed. */
export function SubjectLine({ slug, subject, mayName }: SubjectLineProps) {
  const { id, name, kind, pictures, first, named, changedOn, changedHow } = subject;
  const [isOpen, setOpen] = useState(false);
  const [problem, setProblem] = useState<Problem | null>(null);
  const [isBusy, start] = useTransition();
  const list = `/s/${slug}/pictures?subject=${id}`;
  return (
    <li className="border-b border-line-2 py-3">
      <div className="flex flex-wrap items-start gap-x-5 gap-y-2">
        <div className="w-[230px]">
          <Link href={list} className="font-serif text-lg font-semibold">
            {name}
          </Link>
          <p className="text-sm text-ink-2">
            {SUBJECT_NAME[kind]} · {count(pictures, 'picture')}
          </p>
        </div>
        <div className="min-w-[260px] flex-1">
          {changedOn === null ? (
            <p className="text-ink-2">It has not changed.</p>
          ) : (
            <>
              <p>
                <strong className="text-should">{changedHow || 'Changed'}</strong> on{' '}
                {spanText({ from: changedOn, until: changedOn })}.
              </p>
              <p className="text-sm text-ink-2">{beforeText(subject)}</p>
            </>
          )}
          {mayName && named.length > 0 ? (
            <p className="text-sm text-ink-2">
              {count(named.length, 'more picture')} {named.length === 1 ? 'names' : 'name'} it in their words.{' '}
              <button
                type="button"
                disabled={isBusy}
                className="font-semibold text-green"
                onClick={() =>
                  start(async () => {
                    const outcome = await show(slug, named, id, true);
                    setProblem(outcome.ok ? null : outcome.problem);
                  })
                }
              >
                They show it
              </button>
            </p>
          ) : null}
        </div>
        <Link href={list} tabIndex={-1} aria-hidden className="flex gap-1.5">
          {first.map((sha) => (
            <Mat key={sha} src={`/s/${slug}/image/${sha}`} alt="" width={72} height={54} />
          ))}
        </Link>
        {mayName ? (
          <p className="flex gap-3">
            <button
              type="button"
              className="text-green"
              aria-expanded={isOpen}
              onClick={() => setOpen(!isOpen)}
            >
              {isOpen ? 'Close' : 'Change'}
            </button>
            <button
              type="button"
              className="text-ink-2"
              disabled={isBusy}
              aria-label={`Forget ${name}`}
              onClick={() => start(async () => setProblem(await forgetSubject(slug, id)))}
            >
              Forget
            </button>
          </p>
        ) : null}
      </div>
      {isOpen ? (
        <SubjectForm
          subject={subject}
          label="Save"
          onSave={async (input) => {
            const saved = await keepSubject(slug, input);
            setProblem(saved.ok ? null : saved.problem);
            if (saved.ok) setOpen(false);
            return saved.ok;
          }}
        />
      ) : null}
      {problem ? <ProblemText problem={problem} /> : null}
    </li>
  );
}
