'use client';

import { useState, useTransition } from 'react';
import type { PictureKind, ShelfLife } from '@/core/dating/shelf-life';
import type { Problem } from '@/core/problem';
import { Button } from '@/ui/button';
import { ProblemText } from '@/ui/problem-text';
import { keepShelfLife } from './actions';
import { LifeFields } from './life-fields';

interface LifeLineProps {
  slug: string;
  section: string;
  kind: PictureKind;
  head: string;
  life: ShelfLife;
  /** Whether somebody set it; else it is the usual one. */
  isSet: boolean;
  mayChange: boolean;
}

/** One shelf life, to be changed or given back. */
export function LifeLine({ slug, section, kind, head, life, isSet, mayChange }: LifeLineProps) {
  const [typed, setTyped] = useState<ShelfLife | null>(null);
  const [problem, setProblem] = useState<Problem | null>(null);
  const [isBusy, start] = useTransition();
  const keep = (wanted: ShelfLife | null) =>
    start(async () => {
      const found = await keepShelfLife(slug, { section, kind, life: wanted });
      setProblem(found);
      if (!found) setTyped(null);
    });
  return (
    <li className="flex flex-wrap items-center gap-3 border-b border-line-2 py-2">
      <span className="w-[210px]">{head}</span>
      <LifeFields life={typed ?? life} label={head} isDisabled={isBusy || !mayChange} onChange={setTyped} />
      {typed ? (
        <Button disabled={isBusy} onClick={() => keep(typed)}>
          Save
        </Button>
      ) : null}
      {isSet && !typed && mayChange ? (
        <button type="button" className="text-green" disabled={isBusy} onClick={() => keep(null)}>
          {section === '' ? 'As usual' : 'As everywhere'}
        </button>
      ) : null}
      {problem ? <ProblemText problem={problem} /> : null}
    </li>
  );
}
