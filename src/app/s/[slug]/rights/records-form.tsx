'use client';

import { startTransition, useActionState } from 'react';
import { Answer } from '@/ui/answer';
import { Button } from '@/ui/button';
import { count } from '@/ui/format';
import { keepingSubmit } from '@/ui/keeping-submit';
import { takeRecords } from './actions';

interface RecordsFormProps {
  slug: string;
  siteId: number;
  /** How many there are of each kind. */
  records: Readonly<Record<string, number>>;
  mayBringIn: boolean;
}

const KIND: readonly (readonly [kind: string, one: string, many: string])[] = [
  ['picture', 'record of pictures', 'records of pictures'],
  ['licence', 'licence of your own', 'licences of your own'],
  ['person', 'person', 'people'],
  ['shows', 'record of who is on what', 'records of who is on what'],
  ['section', 'section with its purpose', 'sections with their purpose'],
];

/** The records: how many there are, taking a file of them over, giving them out. */
export function RecordsForm({ slug, siteId, records, mayBringIn }: RecordsFormProps) {
  const [told, submit, isPending] = useActionState(takeRecords.bind(null, slug, siteId), null);
  const isAny = Object.keys(records).length > 0;
  return (
    <section>
      <h2 className="border-b border-line pb-1 font-semibold">Records</h2>
      <ul className="py-1.5 text-sm text-ink-2">
        {KIND.flatMap(([kind, one, many]) =>
          records[kind] ? [<li key={kind}>{count(records[kind], one, many)}</li>] : [],
        )}
        {isAny ? null : <li>none</li>}
      </ul>
      {mayBringIn ? (
        <>
          <form
            aria-label="Bring in records"
            onSubmit={keepingSubmit((form) => startTransition(() => submit(form)))}
            className="space-y-2"
          >
            <input
              type="file"
              name="records"
              required
              aria-label="File of records: JSON lines or CSV"
              accept=".jsonl,.ndjson,.json,.csv,.txt"
              className="w-full text-sm"
            />
            {isAny ? (
              <label className="flex items-start gap-2 text-sm">
                <input type="checkbox" name="instead" className="mt-1" />
                Instead of those that came from files before
              </label>
            ) : null}
            <Button type="submit" disabled={isPending}>
              {isPending ? 'Reading …' : 'Bring in'}
            </Button>
            <Answer told={told} />
          </form>
          {isAny ? (
            <p className="mt-2 text-sm">
              Take them out as{' '}
              <a href={`/s/${slug}/rights/records`} className="font-semibold text-green">
                JSON lines
              </a>{' '}
              or{' '}
              <a href={`/s/${slug}/rights/records?as=csv`} className="font-semibold text-green">
                CSV
              </a>
              .
            </p>
          ) : null}
        </>
      ) : (
        <p className="text-sm text-ink-2">The maintainer brings them in.</p>
      )}
      {isAny && mayBringIn ? (
        <p className="mt-2 text-sm">
          For search engines:{' '}
          <a href={`/s/${slug}/rights/images.jsonld`} className="font-semibold text-green">
            what is recorded of each picture
          </a>{' '}
          (JSON-LD), and the{' '}
          <a href={`/s/${slug}/rights/image-sitemap.xml`} className="font-semibold text-green">
            image sitemap
          </a>
          .
        </p>
      ) : null}
    </section>
  );
}
