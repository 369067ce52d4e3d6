'use client';

import { useState } from 'react';
import type { UntitledRow } from '@/app/_data/pictures/subjects';
import { Button } from '@/ui/button';
import { Empty } from '@/ui/empty';
import { count } from '@/ui/format';
import { Link } from '@/ui/link';
import { Mat } from '@/ui/mat';
import { keepTitles } from '../actions';
import { DeedTold, useDeed } from '../use-deed';

const FROM = {
  'file name': 'from the file’s name',
  caption: 'from its caption',
  'alt text': 'from its alt text',
} as const;

interface TitleListProps {
  slug: string;
  rows: readonly UntitledRow[];
}

/**
 * Titles to be looked through: each can be changed, and those that are ticked are kept together. What was typed stays
 * with its picture, whatever else comes into the list or goes from it.
 */
export function TitleList({ slug, rows }: TitleListProps) {
  const [typed, setTyped] = useState<ReadonlyMap<number, string>>(new Map());
  const [left, setLeft] = useState<ReadonlySet<number>>(new Set());
  const deed = useDeed(slug);
  const titleOf = ({ id, title, proposed }: UntitledRow) => typed.get(id) ?? title ?? proposed?.title ?? '';
  const kept = rows.filter((row) => !left.has(row.id) && titleOf(row).trim() !== '');
  const leave = (id: number, isLeft: boolean) => {
    const next = new Set(left);
    if (isLeft) next.add(id);
    else next.delete(id);
    setLeft(next);
  };
  if (rows.length === 0) {
    return (
      <>
        <div className="px-5">
          <DeedTold deed={deed} mayClose />
        </div>
        <Empty head="Every picture has a title">Nothing is left to tidy.</Empty>
      </>
    );
  }
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        const titled = kept.map((row) => ({ id: row.id, title: titleOf(row) }));
        deed.say(`${count(kept.length, 'title')} kept.`, () => keepTitles(slug, titled));
      }}
    >
      <div className="sticky top-[46px] z-5 flex items-center gap-4 border-y border-line bg-sheet px-5 py-2">
        <Button type="submit" weight="main" disabled={deed.isBusy || kept.length === 0}>
          Keep {count(kept.length, 'title')}
        </Button>
        <DeedTold deed={deed} />
      </div>
      <ul>
        {rows.map((row) => {
          const { id, fileId, path, sha256, proposed, title } = row;
          const name = path.split('/').at(-1) ?? path;
          return (
            <li key={id} className="flex items-center gap-4 border-b border-line-2 px-5 py-2">
              <input
                type="checkbox"
                className="size-4 accent-green"
                aria-label={`Keep the title of ${name}`}
                checked={!left.has(id)}
                onChange={(event) => leave(id, !event.target.checked)}
              />
              <Mat src={`/s/${slug}/image/${sha256}`} alt="" width={96} height={66} />
              <div className="min-w-0 flex-1">
                <input
                  aria-label={`Title of ${name}`}
                  className="w-full max-w-[560px] rounded-sm border border-ink-3 bg-sheet px-2.5 py-1.5 font-serif text-lg"
                  maxLength={200}
                  placeholder="nothing proposes one"
                  value={titleOf(row)}
                  onChange={(event) => setTyped(new Map(typed).set(id, event.target.value))}
                />
                <p className="mt-0.5 truncate text-sm text-ink-2">
                  <Link href={`/s/${slug}/pictures/${fileId}`} title={path}>
                    {name}
                  </Link>
                  {title === null && proposed ? ` · ${FROM[proposed.from]}` : ''}
                </p>
              </div>
            </li>
          );
        })}
      </ul>
    </form>
  );
}
