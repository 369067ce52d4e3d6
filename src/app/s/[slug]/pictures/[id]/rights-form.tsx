'use client';

import { startTransition, useActionState, useRef, type RefObject } from 'react';
import { contradictions, type ProposedRights } from '@/core/rights/embedded-rights';
import { Answer } from '@/ui/answer';
import { Button } from '@/ui/button';
import { keepingSubmit } from '@/ui/keeping-submit';
import { sayRights } from '../../rights/actions';
import { RightsFields } from '../../rights/rights-fields';

interface RightsFormProps {
  slug: string;
  siteId: number;
  /** The file that stands for the picture. */
  file: string;
  /** What was recorded of it so before. */
  said: Readonly<Record<string, unknown>> | null;
  saidBy: string | null;
  /** What the file itself carries. */
  embedded: ProposedRights | null;
  /** Whether it is unfolded from the beginning. */
  isOpen?: boolean;
}

/** Where a picture comes from and what was agreed, for all its files at once. */
export function RightsForm({ slug, siteId, file, said, saidBy, embedded, isOpen = false }: RightsFormProps) {
  const form = useRef<HTMLFormElement>(null);
  const [told, submit, isPending] = useActionState(sayRights.bind(null, slug, siteId), null);
  const before = (name: string): string => {
    const value = said?.[name];
    return Array.isArray(value) ? value.join('; ') : typeof value === 'string' ? value : '';
  };
  return (
    <details className="mb-4" open={isOpen}>
      <summary className="cursor-pointer font-semibold text-green">
        {said ? 'Change what is recorded of it' : 'Record where it comes from'}
      </summary>
      {embedded ? <InTheFile embedded={embedded} form={form} /> : null}
      {embedded ? <Contradictions embedded={embedded} said={said} /> : null}
      <form
        ref={form}
        aria-label="Rights of this picture"
        onSubmit={keepingSubmit((form) => startTransition(() => submit(form)))}
        className="mt-2 grid max-w-2xl grid-cols-2 gap-3 max-sm:grid-cols-1"
      >
        <input type="hidden" name="file" value={file} />
        <RightsFields before={before} />
        <div className="col-span-full flex flex-wrap items-center gap-3">
          <Button type="submit" disabled={isPending}>
            Record
          </Button>
          {saidBy ? <span className="text-sm text-ink-2">Recorded by {saidBy}.</span> : null}
          <Answer told={told} />
        </div>
      </form>
    </details>
  );
}

/** Where the file says another thing than the record: one of the two is wrong. */
function Contradictions({ embedded, said }: Pick<RightsFormProps, 'said'> & { embedded: ProposedRights }) {
  const against = contradictions(embedded, said ?? {});
  if (against.length === 0) return null;
  return (
    <ul className="mt-1 max-w-2xl text-sm text-should">
      {against.map(({ field, file, record }) => (
        <li key={field}>
          {field}: the file says “{file}”, recorded is “{record}”.
        </li>
      ))}
    </ul>
  );
}

const TAKEN_OVER = ['creator', 'holder', 'licence', 'source'] as const;

/** What the file says of itself, to be taken over into the fields that are empty. */
function InTheFile({
  embedded,
  form,
}: {
  embedded: ProposedRights;
  form: RefObject<HTMLFormElement | null>;
}) {
  const { creator, holder, licence, source, says } = embedded;
  const told = [
    creator && `made by ${creator}`,
    holder && `of ${holder}`,
    licence && `licence ${licence}`,
    source && `from ${source}`,
  ].filter(Boolean);
  return (
    <div className="mt-2 max-w-2xl text-sm">
      <p>
        <span className="text-ink-2">The file itself says: </span>
        <span className="font-serif">{[...told, ...says.map((text) => `“${text}”`)].join('; ')}</span>
      </p>
      {told.length > 0 ? (
        <button
          type="button"
          className="font-semibold text-green"
          onClick={() => {
            for (const name of TAKEN_OVER) {
              const field = form.current?.elements.namedItem(name);
              if (field instanceof HTMLInputElement && field.value === '') field.value = embedded[name];
            }
          }}
        >
          Take it over
        </button>
      ) : null}
    </div>
  );
}
