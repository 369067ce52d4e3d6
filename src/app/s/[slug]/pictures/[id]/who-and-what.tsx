'use client';

import { X } from 'lucide-react';
import { useRouter } from 'next/navigation';
import { useState, useTransition } from 'react';
import type { Subject } from '@/core/dating/changed-subject';
import type { Problem } from '@/core/problem';
import { Link } from '@/ui/link';
import { ProblemText } from '@/ui/problem-text';
import { show } from '../actions';

interface WhoAndWhatProps {
  slug: string;
  pictureId: number;
  subjects: readonly (Subject & { readonly isShown: boolean })[];
  maySay: boolean;
}

/** The people, places and things on a picture. */
export function WhoAndWhat({ slug, pictureId, subjects, maySay }: WhoAndWhatProps) {
  const [problem, setProblem] = useState<Problem | null>(null);
  const [isBusy, start] = useTransition();
  const router = useRouter();
  const say = (id: number, isShown: boolean) =>
    start(async () => {
      const outcome = await show(slug, [pictureId], id, isShown);
      setProblem(outcome.ok ? null : outcome.problem);
    });
  const shown = subjects.filter(({ isShown }) => isShown);
  const others = subjects.filter(({ isShown }) => !isShown);
  return (
    <section>
      <h2 className="text-sm text-ink-2">Who or what is on it</h2>
      {shown.length === 0 && !maySay ? <p className="text-ink-3 italic">nobody said</p> : null}
      <ul className="flex flex-wrap gap-1.5 py-1 empty:hidden">
        {shown.map(({ id, name }) => (
          <li
            key={id}
            className="flex items-center gap-1 rounded-sm border border-line bg-sheet py-0.5 pr-1 pl-2"
          >
            <Link href={`/s/${slug}/pictures?subject=${id}`} className="font-serif">
              {name}
            </Link>
            {maySay ? (
              <button
                type="button"
                disabled={isBusy}
                aria-label={`${name} is not on it`}
                className="p-0.5 text-ink-2"
                onClick={() => say(id, false)}
              >
                <X size={14} aria-hidden />
              </button>
            ) : null}
          </li>
        ))}
      </ul>
      {maySay ? (
        <select
          aria-label="Add who or what is on it"
          className="w-full rounded-sm border border-line bg-sheet px-2 py-1.5"
          value=""
          disabled={isBusy}
          onChange={(event) => {
            if (event.target.value === 'new') router.push(`/s/${slug}/subjects?for=${pictureId}`);
            else say(Number(event.target.value), true);
          }}
        >
          <option value="">Add …</option>
          {others.map(({ id, name }) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
          <option value="new">Somebody or something new …</option>
        </select>
      ) : null}
      {problem ? <ProblemText problem={problem} /> : null}
    </section>
  );
}
