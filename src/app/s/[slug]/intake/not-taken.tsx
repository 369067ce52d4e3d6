'use client';

import { useTransition } from 'react';
import type { UploadRow } from '@/app/_data/intake/delivery';
import { count } from '@/ui/format';
import { giveUp } from './actions';
import type { Sending } from './use-uploads';

interface NotTakenProps {
  slug: string;
  uploads: readonly UploadRow[];
  sendings: readonly Sending[];
  onGone: () => void;
}

/** Files that were refused, and those that a closed window left half sent. */
export function NotTaken({ slug, uploads, sendings, onGone }: NotTakenProps) {
  const [isBusy, start] = useTransition();
  const going = new Set(sendings.map(({ key }) => key));
  const halves = uploads.filter(({ state, fingerprint }) => state === 'arriving' && !going.has(fingerprint));
  const refused = uploads.filter(({ problem }) => problem !== null);
  const waiting = uploads.filter(({ state }) => state === 'arrived').length;
  return (
    <>
      {waiting > 0 ? (
        <p role="status" className="border-b border-line-2 px-5 py-2 text-sm text-ink-2">
          {count(waiting, 'file')} arrived and {waiting === 1 ? 'is' : 'are'} being taken in …
        </p>
      ) : null}
      {halves.length > 0 ? (
        <section aria-label="Half sent" className="border-b border-line-2 px-5 py-2">
          <p className="text-should">
            <strong>{count(halves.length, 'file')}</strong> did not arrive whole. Choose the same files again:
            they go on where they were.
          </p>
          <ul className="text-sm text-ink-2">
            {halves.slice(0, 12).map(({ id, fileName }) => (
              <li key={id} className="flex gap-3">
                <span className="truncate">{fileName}</span>
                <button
                  type="button"
                  className="font-semibold text-green"
                  disabled={isBusy}
                  onClick={() =>
                    start(async () => {
                      await giveUp(slug, id);
                      onGone();
                    })
                  }
                >
                  Give it up
                </button>
              </li>
            ))}
          </ul>
        </section>
      ) : null}
      {refused.length > 0 ? (
        <section aria-label="Not taken" className="border-b border-line-2 px-5 py-2">
          {refused.map(({ id, problem }) => (
            <p key={id} className="text-sm">
              <strong className="text-must">{problem?.what}</strong> {problem?.why} {problem?.remedy}
            </p>
          ))}
        </section>
      ) : null}
    </>
  );
}
