'use client';

import { useRouter } from 'next/navigation';
import { useState, useTransition } from 'react';
import type { SiteCandidate } from '@/app/_data/pairs/site-candidates';
import type { Problem } from '@/core/problem';
import { FitReasons } from '@/ui/fit-reasons-line';
import { bytesText, pixelsText } from '@/ui/format';
import { Mat } from '@/ui/mat';
import { ProblemText } from '@/ui/problem-text';
import { takeOwn } from './actions';

interface OwnCandidatesProps {
  slug: string;
  siteId: number;
  /** Address of this desk. */
  desk: string;
  candidates: readonly SiteCandidate[];
  onChoose: (id: number) => void;
}

/** Pictures that the site has already: the same one larger or the other way up, and what stands nowhere. */
export function OwnCandidates({ slug, siteId, desk, candidates, onChoose }: OwnCandidatesProps) {
  const router = useRouter();
  const [problem, setProblem] = useState<Problem | null>(null);
  const [isBusy, start] = useTransition();
  if (candidates.length === 0) return null;
  const take = (fileId: number) =>
    start(async () => {
      const outcome = await takeOwn(siteId, fileId);
      if ('problem' in outcome) return setProblem(outcome.problem);
      setProblem(null);
      onChoose(outcome.id);
      router.replace(`${desk}?with=${outcome.id}`, { scroll: false });
    });
  return (
    <section aria-labelledby="on-the-site">
      <h3 id="on-the-site" className="text-sm font-semibold">
        On the site already
      </h3>
      {problem ? <ProblemText problem={problem} /> : null}
      <ul className="max-h-48 overflow-y-auto">
        {candidates.map(({ fileId, path, sha256, widthPx, heightPx, sizeBytes, fit }) => (
          <li key={fileId}>
            <button
              type="button"
              disabled={isBusy}
              onClick={() => take(fileId)}
              className="flex w-full gap-2.5 border-b border-line-2 py-2 pl-2 text-left"
            >
              <Mat src={`/s/${slug}/image/${sha256}`} alt="" width={64} height={44} />
              <span className="min-w-0">
                <span className="block truncate">{path}</span>
                <span className="block text-sm text-ink-2">
                  {pixelsText(widthPx, heightPx)}, {bytesText(sizeBytes)}
                </span>
                <FitReasons fit={fit} />
              </span>
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}
