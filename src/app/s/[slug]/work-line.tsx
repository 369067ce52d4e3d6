'use client';

import { numberText } from '@/ui/format';
import { useLive } from './live';

/** The fine line of progress in the running head; what it is given stands there while nothing is worked on. */
export function WorkLine({ children }: { children: React.ReactNode }) {
  const { work } = useLive();
  return (
    <span role="status" className="text-sm text-ink-2">
      {work ? (
        <>
          {work.label}
          {work.total > 0 ? `, ${numberText(work.done)} of ${numberText(work.total)}` : ' …'}
          <span aria-hidden className="fixed inset-x-0 top-[45px] h-[2px] bg-line">
            <span
              className="block h-full bg-green transition-[width]"
              style={{ width: work.total > 0 ? `${(100 * work.done) / work.total}%` : '8%' }}
            />
          </span>
        </>
      ) : (
        children
      )}
    </span>
  );
}
