'use client';

import { startTransition, useActionState, useState, useTransition } from 'react';
import type { Problem } from '@/core/problem';
import { Answer } from '@/ui/answer';
import { Button } from '@/ui/button';
import { bytesText, dateText } from '@/ui/format';
import { keepingSubmit } from '@/ui/keeping-submit';
import { ProblemText } from '@/ui/problem-text';
import type { PaperSubject } from '@/server/work/rights/papers';
import { sendPaper, takePaperAway } from './actions';

interface PapersProps {
  slug: string;
  siteId: number;
  subject: PaperSubject;
  /** What they are called above them, and what they are for. */
  head: string;
  hint?: string;
  papers: readonly {
    readonly id: number;
    readonly fileName: string;
    readonly sizeBytes: number;
    readonly keptBy: string;
    readonly keptAt: Date;
  }[];
}

/** The papers that something rests on, kept sealed. */
export function Papers({ slug, siteId, subject, head, hint, papers }: PapersProps) {
  const [told, submit, isPending] = useActionState(sendPaper.bind(null, { slug, siteId, subject }), null);
  const [problem, setProblem] = useState<Problem | null>(null);
  const [isBusy, start] = useTransition();
  return (
    <section className="pb-6">
      <h2 className="mt-6 border-b border-line pb-1 text-lg font-semibold">{head}</h2>
      {hint ? <p className="pt-1.5 text-sm text-ink-2">{hint}</p> : null}
      <ul>
        {papers.map(({ id, fileName, sizeBytes, keptBy, keptAt }) => (
          <li key={id} className="flex items-center gap-3 border-b border-line-2 py-1.5">
            <a href={`/s/${slug}/rights/papers/${id}`} className="min-w-0 truncate font-semibold text-green">
              {fileName}
            </a>
            <span className="text-sm text-ink-2">
              {bytesText(sizeBytes)} · kept by {keptBy}, {dateText(keptAt)}
            </span>
            <Button
              weight="quiet"
              className="ml-auto"
              disabled={isBusy}
              onClick={() => start(async () => setProblem(await takePaperAway(slug, siteId, id)))}
            >
              Take away
            </Button>
          </li>
        ))}
      </ul>
      {problem ? <ProblemText problem={problem} /> : null}
      <form
        aria-label="Keep a paper"
        onSubmit={keepingSubmit((form) => startTransition(() => submit(form)))}
        className="mt-2 flex flex-wrap items-center gap-3"
      >
        <input
          type="file"
          name="paper"
          required
          accept=".pdf,.jpg,.jpeg,.png"
          aria-label="Paper: PDF, JPEG or PNG"
          className="text-sm"
        />
        <Button type="submit" disabled={isPending}>
          {isPending ? 'One moment …' : 'Keep it'}
        </Button>
        <Answer told={told} />
      </form>
    </section>
  );
}
