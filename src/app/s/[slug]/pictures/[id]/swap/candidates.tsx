'use client';

import { Upload } from 'lucide-react';
import { useRef, useState, useTransition } from 'react';
import type { intake } from '@/server/db/schema/editions';
import type { Problem } from '@/core/problem';
import type { Fit } from '@/core/swap/fit';
import { Button } from '@/ui/button';
import { FitReasons } from '@/ui/fit-reasons-line';
import { bytesText, pixelsText } from '@/ui/format';
import { Mat } from '@/ui/mat';
import { ProblemText } from '@/ui/problem-text';
import { bringIn } from './actions';

export type CandidateRow = typeof intake.$inferSelect & {
  /** How well it suits the places of the picture that goes. */
  readonly fit?: Fit | undefined;
};

interface CandidatesProps {
  slug: string;
  siteId: number;
  candidates: readonly CandidateRow[];
  chosen: number | null;
  onChoose: (id: number) => void;
}

/** The pictures that arrived lately, and the way to bring in another. */
export function Candidates({ slug, siteId, candidates, chosen, onChoose }: CandidatesProps) {
  const input = useRef<HTMLInputElement>(null);
  const [problem, setProblem] = useState<Problem | null>(null);
  const [isBusy, startBringing] = useTransition();
  const send = (file: File | undefined) => {
    if (!file) return;
    setProblem(null);
    startBringing(async () => {
      const form = new FormData();
      form.set('picture', file);
      const outcome = await bringIn(siteId, form).catch((): { problem: Problem } => ({ problem: NOT_SENT }));
      if ('problem' in outcome) setProblem(outcome.problem);
      else onChoose(outcome.id);
      if (input.current) input.current.value = '';
    });
  };
  return (
    <section
      aria-labelledby="with-what"
      onDragOver={(event) => event.preventDefault()}
      onDrop={(event) => {
        event.preventDefault();
        send(event.dataTransfer.files[0]);
      }}
    >
      <div className="flex items-center justify-between">
        <h2 id="with-what" className="text-lg font-semibold">
          With what
        </h2>
        <input
          ref={input}
          type="file"
          accept="image/*"
          className="sr-only"
          tabIndex={-1}
          aria-label="New picture"
          onChange={(event) => send(event.target.files?.[0])}
        />
        <Button weight="quiet" disabled={isBusy} onClick={() => input.current?.click()}>
          <Upload size={15} aria-hidden />
          {isBusy ? 'Bringing it in …' : 'Bring in'}
        </Button>
      </div>
      {problem ? (
        <div className="mt-2">
          <ProblemText problem={problem} />
        </div>
      ) : null}
      {candidates.length === 0 ? (
        <p className="mt-2 text-sm text-ink-2">
          Bring in a picture from this machine, or drop it here. JPEG, PNG, WebP, AVIF, GIF or SVG, up to 60
          MB.
        </p>
      ) : null}
      <ul className="mt-2 max-h-60 overflow-y-auto">
        {candidates.map((candidate) => (
          <li key={candidate.id}>
            <button
              type="button"
              aria-pressed={candidate.id === chosen}
              onClick={() => onChoose(candidate.id)}
              className={`flex w-full gap-2.5 border-b border-l-[3px] border-b-line-2 py-2 pl-2 text-left ${candidate.id === chosen ? 'border-l-green bg-tint' : 'border-l-transparent'}`}
            >
              <Mat src={`/s/${slug}/image/${candidate.sha256}`} alt="" width={86} height={58} />
              <span className="min-w-0">
                <span className="block truncate font-serif text-lg font-semibold">{candidate.title}</span>
                <span className="block text-sm text-ink-2">
                  {pixelsText(candidate.widthPx, candidate.heightPx)}, {bytesText(candidate.sizeBytes)}
                </span>
                <FitReasons fit={candidate.fit} />
              </span>
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}

const NOT_SENT: Problem = {
  code: 'INTAKE_NOT_SENT',
  what: 'The picture did not arrive.',
  why: 'The line broke off, or the file is larger than 60 MB.',
  remedy: 'Try again; nothing else was lost.',
};
