import type { ReactNode } from 'react';

/** What a list says when it is empty: why, and what to do. */
export function Empty({ head, children }: { head: string; children?: ReactNode }) {
  return (
    <div className="px-5 py-14 text-center">
      <p className="font-serif text-lg font-semibold">{head}</p>
      {children ? <div className="mx-auto mt-1 max-w-md text-ink-2">{children}</div> : null}
    </div>
  );
}
