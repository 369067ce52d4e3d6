'use client';

import { useRouter } from 'next/navigation';
import { useState, useTransition } from 'react';
import type { ShownPlacement } from '@/app/_data/pictures/pictures';
import type { PlacementKind } from '@/core/markup/kinds/kind';
import type { Problem } from '@/core/problem';
import { Button } from '@/ui/button';
import { count, placeText } from '@/ui/format';
import { Mat } from '@/ui/mat';
import { kindText } from '@/ui/placement-text';
import { ProblemText } from '@/ui/problem-text';
import { takeOffPages } from './actions';

/** A page, or a style sheet that many pages share, with the picture's places in it. */
export interface PageToLeave {
  readonly key: string;
  readonly isShared: boolean;
  readonly ids: number[];
  readonly kinds: PlacementKind[];
  readonly on: Set<string>;
  readonly first: Pick<ShownPlacement, 'context' | 'caption' | 'sha256'>;
}

interface TakeOffFormProps {
  slug: string;
  siteId: number;
  pages: readonly PageToLeave[];
  /** Files of the picture that may go from the site as well; none for those who may not. */
  files: readonly string[];
  editionText: string;
}

/** Which pages a picture leaves, and whether its files go too. */
export function TakeOffForm({ slug, siteId, pages, files, editionText }: TakeOffFormProps) {
  const router = useRouter();
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set());
  const [isWithFiles, setWithFiles] = useState(false);
  const [problem, setProblem] = useState<Problem | null>(null);
  const [isBusy, start] = useTransition();
  const chosen = pages.filter(({ key }) => !left.has(key));
  const isAll = chosen.length === pages.length;
  const toggle = (key: string) => {
    const next = new Set(left);
    if (!next.delete(key)) next.add(key);
    setLeft(next);
  };
  const gather = () =>
    start(async () => {
      const ids = chosen.flatMap((page) => page.ids);
      const outcome = await takeOffPages(slug, siteId, ids, isAll && isWithFiles ? files : []);
      if ('problem' in outcome) setProblem(outcome.problem);
      else router.push(`/s/${slug}/editions/${outcome.edition}`);
    });
  return (
    <>
      <p className="mt-1 max-w-[70ch] text-ink-2">
        With it go the figure and caption, the link or the list item that would be left empty. The edition
        shows each page before and after; nothing changes on the site until it is published.
      </p>
      <ul className="mt-4 max-w-[900px] border-t border-line">
        {pages.map(({ key, isShared, kinds, on, first }) => (
          <li key={key} className="border-b border-line-2">
            <label className="grid cursor-pointer grid-cols-[20px_112px_minmax(0,1fr)] items-center gap-4 py-2.5">
              <input
                type="checkbox"
                className="size-4 accent-[var(--green)]"
                checked={!left.has(key)}
                onChange={() => toggle(key)}
              />
              <Mat
                src={first.sha256 ? `/s/${slug}/image/${first.sha256}` : null}
                alt=""
                width={112}
                height={80}
              />
              <span className="min-w-0">
                <span className="font-semibold">{isShared ? key : placeText(key)}</span>{' '}
                <span className="text-sm text-ink-2">
                  {[...new Set(kinds.map((kind) => kindText(kind, isShared)))].join(', ')}
                  {isShared ? `, on ${count(on.size, 'page')}` : ''}
                </span>
                <span className="block truncate font-serif text-sm">
                  {[
                    first.context.headings.at(-1),
                    first.caption ?? (first.context.after || first.context.before),
                  ]
                    .filter(Boolean)
                    .join(' · ')}
                </span>
              </span>
            </label>
          </li>
        ))}
      </ul>
      {files.length > 0 ? (
        <label className={`mt-4 flex items-start gap-3 ${isAll ? '' : 'text-ink-3'}`}>
          <input
            type="checkbox"
            className="mt-1 size-4 accent-[var(--green)]"
            disabled={!isAll}
            checked={isAll && isWithFiles}
            onChange={() => setWithFiles(!isWithFiles)}
          />
          <span>
            Take {files.length === 1 ? 'its file' : `its ${files.length} files`} off the site as well
            <span className="block text-sm break-all text-ink-2">
              {isAll ? files.join(', ') : 'Only once it leaves all its pages.'}
            </span>
          </span>
        </label>
      ) : null}
      <p className="mt-5 flex items-center gap-3">
        <Button weight="main" disabled={isBusy || chosen.length === 0} onClick={gather}>
          {isBusy ? 'One moment …' : `Put into ${editionText}`}
        </Button>
        <span className="text-ink-2">
          {chosen.length === 0 ? 'No page is chosen.' : `${count(chosen.length, 'page')} chosen`}
        </span>
      </p>
      {problem ? (
        <div className="mt-3">
          <ProblemText problem={problem} />
        </div>
      ) : null}
    </>
  );
}
