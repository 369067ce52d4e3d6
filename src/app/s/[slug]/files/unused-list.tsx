'use client';

import { useState, useTransition } from 'react';
import type { UnusedFile } from '@/app/_data/pages/files';
import type { Problem } from '@/core/problem';
import { Button } from '@/ui/button';
import { bytesText, count, pixelsText } from '@/ui/format';
import { Link } from '@/ui/link';
import { Mat } from '@/ui/mat';
import { ProblemText } from '@/ui/problem-text';
import { takeOff } from './actions';

/** Files that nothing shows, to be marked and taken off with the next edition. */
export function UnusedList({
  slug,
  siteId,
  files,
}: {
  slug: string;
  siteId: number;
  files: readonly UnusedFile[];
}) {
  const [marked, setMarked] = useState<ReadonlySet<number>>(new Set());
  const [problem, setProblem] = useState<Problem | null>(null);
  const [edition, setEdition] = useState<number | null>(null);
  const [isPending, start] = useTransition();
  const free = files.filter((file) => !file.is_going);
  const bytes = free.reduce((sum, file) => sum + (marked.has(file.id) ? file.size_bytes : 0), 0);
  const mark = (id: number, isOn: boolean) => {
    const next = new Set(marked);
    if (isOn) next.add(id);
    else next.delete(id);
    setMarked(next);
  };
  return (
    <>
      <div className="sticky top-[46px] z-5 flex flex-wrap items-center gap-3 border-b border-line bg-sheet px-5 py-2">
        <label className="flex items-center gap-2">
          <input
            type="checkbox"
            checked={free.length > 0 && marked.size === free.length}
            onChange={(event) => setMarked(new Set(event.target.checked ? free.map(({ id }) => id) : []))}
          />
          All on this sheet
        </label>
        <Button
          weight="main"
          disabled={marked.size === 0 || isPending}
          onClick={() =>
            start(async () => {
              const told = await takeOff(slug, siteId, [...marked]);
              setProblem('problem' in told ? told.problem : null);
              setEdition('edition' in told ? told.edition : null);
              if ('edition' in told) setMarked(new Set());
            })
          }
        >
          {marked.size === 0
            ? 'Take off with the next edition'
            : `Take ${count(marked.size, 'file')} off with the next edition (${bytesText(bytes)})`}
        </Button>
        {edition !== null ? (
          <p role="status">
            Gathered in{' '}
            <Link href={`/s/${slug}/editions/${edition}`} className="font-semibold text-green">
              edition {edition}
            </Link>
            . Nothing is gone before it is published.
          </p>
        ) : null}
        {problem ? <ProblemText problem={problem} /> : null}
      </div>
      <ul>
        {files.map((file) => (
          <li key={file.id} className="border-b border-line-2">
            <label className="flex items-center gap-4 px-5 py-2">
              <input
                type="checkbox"
                checked={marked.has(file.id)}
                disabled={file.is_going}
                onChange={(event) => mark(file.id, event.target.checked)}
              />
              <Mat src={`/s/${slug}/image/${file.sha256}`} alt="" width={84} height={62} />
              <span className="min-w-0">
                <span className="block font-semibold break-all">{file.path}</span>
                <span className="text-sm text-ink-2">
                  {bytesText(file.size_bytes)} · {pixelsText(file.width_px, file.height_px)}
                  {file.is_going ? ' · goes with the edition being gathered' : ''}
                </span>
              </span>
            </label>
          </li>
        ))}
      </ul>
    </>
  );
}
