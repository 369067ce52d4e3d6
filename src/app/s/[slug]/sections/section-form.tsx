'use client';

import { startTransition, useActionState, useTransition } from 'react';
import { Answer } from '@/ui/answer';
import { Button } from '@/ui/button';
import { numberText } from '@/ui/format';
import { keepingSubmit } from '@/ui/keeping-submit';
import { forget, remove, save, takeViews } from './actions';

interface Person {
  readonly id: string;
  readonly name: string;
  readonly role: string;
}

interface SectionFormProps {
  slug: string;
  siteId: number;
  people: readonly Person[];
  /** The section as it is, or an empty one to be made. */
  section: {
    readonly pattern: string;
    readonly name: string;
    readonly ownerId: string | null;
    readonly isKept: boolean;
  };
  pages: number;
}

const INPUT = 'w-full rounded-sm border border-ink-3 bg-sheet px-2 py-1';

/** One section: the pages whose address fits its pattern, its name, its owner. */
export function SectionForm({ slug, siteId, people, section, pages }: SectionFormProps) {
  const [told, submit, isPending] = useActionState(save.bind(null, slug, siteId), null);
  const [isRemoving, start] = useTransition();
  const isNew = section.pattern === '';
  const label = isNew ? 'New section' : section.name;
  return (
    <form
      aria-label={label}
      onSubmit={keepingSubmit((form) => startTransition(() => submit(form)))}
      className="grid grid-cols-[minmax(0,1fr)_minmax(0,1fr)_minmax(0,1fr)_60px_170px] items-center gap-3 border-t border-line-2 px-5 py-2 max-lg:grid-cols-1"
    >
      <input
        name="pattern"
        aria-label={`Folder or pattern of ${label}`}
        defaultValue={section.pattern}
        readOnly={!isNew}
        placeholder="news/20*"
        className={isNew ? INPUT : 'w-full bg-transparent font-semibold'}
      />
      <input
        name="name"
        aria-label={`Name of ${label}`}
        defaultValue={section.name}
        maxLength={80}
        className={INPUT}
      />
      <select
        name="owner"
        aria-label={`Owner of ${label}`}
        defaultValue={section.ownerId ?? ''}
        className={INPUT}
      >
        <option value="">nobody yet</option>
        {people.map(({ id, name }) => (
          <option key={id} value={id}>
            {name}
          </option>
        ))}
      </select>
      <span className="text-right text-sm text-ink-2 max-lg:text-left">{isNew ? '' : numberText(pages)}</span>
      <span className="flex gap-2">
        <Button type="submit" disabled={isPending}>
          {isNew ? 'Add' : 'Save'}
        </Button>
        {section.isKept ? (
          <Button
            weight="quiet"
            disabled={isRemoving}
            onClick={() => start(async () => void (await remove(slug, siteId, section.pattern)))}
          >
            Take away
          </Button>
        ) : null}
      </span>
      <div className="col-span-full basis-full empty:hidden">
        <Answer told={told} />
      </div>
    </form>
  );
}

/** Takes page views from a log or a table. */
export function ViewsForm({ slug, siteId, isCounted }: { slug: string; siteId: number; isCounted: boolean }) {
  const [told, submit, isPending] = useActionState(takeViews.bind(null, slug, siteId), null);
  const [isForgetting, start] = useTransition();
  return (
    <form
      aria-label="Page views"
      onSubmit={keepingSubmit((form) => startTransition(() => submit(form)))}
      className="flex flex-wrap items-center gap-3"
    >
      <input
        type="file"
        name="views"
        required
        aria-label="Access log or table of page views"
        accept=".log,.gz,.csv,.txt,.tsv"
      />
      <Button type="submit" disabled={isPending}>
        {isPending ? 'Counting …' : 'Take over'}
      </Button>
      {isCounted ? (
        <Button
          weight="quiet"
          disabled={isForgetting}
          onClick={() => start(async () => void (await forget(slug, siteId)))}
        >
          Forget these views
        </Button>
      ) : null}
      <div className="col-span-full basis-full empty:hidden">
        <Answer told={told} />
      </div>
    </form>
  );
}
