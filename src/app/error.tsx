'use client';

import { Button } from '@/ui/button';

/** What is shown when a screen could not be made: never the bare error, always a way on. */
export default function ScreenError({
  error,
  reset,
}: {
  error: Error & { digest?: string };
  reset: () => void;
}) {
  return (
    <main className="mx-auto mt-24 max-w-xl border border-line bg-sheet p-8" role="alert">
      <h1 className="font-serif text-xl font-semibold">This screen could not be shown</h1>
      <p className="mt-3">
        The database does not answer, or something went wrong that Ibidem did not expect. Nothing you saved is
        lost.
      </p>
      <p className="mt-2 text-sm text-ink-2">
        Check that PostgreSQL and <code>bin/demo</code> are running, then try again.
        {error.digest ? ` The log has more under ${error.digest}.` : ''}
      </p>
      <div className="mt-5">
        <Button onClick={reset}>Try again</Button>
      </div>
    </main>
  );
}
