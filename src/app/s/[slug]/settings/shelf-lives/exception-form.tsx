'use client';

import { useState, useTransition } from 'react';
import { PICTURE_KINDS, type PictureKind, type ShelfLife } from '@/core/dating/shelf-life';
import type { Problem } from '@/core/problem';
import { Button } from '@/ui/button';
import { KIND_NAME } from '@/ui/date-words';
import { ProblemText } from '@/ui/problem-text';
import { keepShelfLife } from './actions';
import { LifeFields } from './life-fields';

const CONTROL = 'rounded-sm border border-ink-3 bg-sheet px-2 py-1';

interface ExceptionFormProps {
  slug: string;
  sections: readonly { readonly section: string; readonly name: string }[];
}

/** Sets another shelf life for one section. */
export function ExceptionForm({ slug, sections }: ExceptionFormProps) {
  const [section, setSection] = useState(sections[0]?.section ?? '');
  const [kind, setKind] = useState<PictureKind>('portrait');
  const [life, setLife] = useState<ShelfLife>({ unit: 'years', count: 2 });
  const [problem, setProblem] = useState<Problem | null>(null);
  const [isBusy, start] = useTransition();
  return (
    <form
      className="mt-3 flex flex-wrap items-center gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        start(async () => setProblem(await keepShelfLife(slug, { section, kind, life })));
      }}
    >
      <select
        aria-label="Section"
        className={CONTROL}
        value={section}
        onChange={(event) => setSection(event.target.value)}
      >
        {sections.map((one) => (
          <option key={one.section} value={one.section}>
            {one.name}
          </option>
        ))}
      </select>
      <select
        aria-label="What it shows"
        className={CONTROL}
        value={kind}
        onChange={(event) => setKind(event.target.value as PictureKind)}
      >
        {PICTURE_KINDS.map((name) => (
          <option key={name} value={name}>
            {KIND_NAME[name]}
          </option>
        ))}
      </select>
      <LifeFields life={life} label="it" isDisabled={isBusy} onChange={setLife} />
      <Button type="submit" disabled={isBusy}>
        Set it for the section
      </Button>
      {problem ? <ProblemText problem={problem} /> : null}
    </form>
  );
}
