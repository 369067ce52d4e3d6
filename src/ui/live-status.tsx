'use client';

import { useRouter } from 'next/navigation';
import { useEffect, useRef, useState } from 'react';
import { numberText } from './format';

interface Status {
  /** Changes whenever something on a screen may have. */
  readonly mark: string;
  readonly work: { readonly label: string; readonly done: number; readonly total: number } | null;
}

const BUSY_MS = 700;
const CALM_MS = 4000;

interface LiveStatusProps {
  /** Where to ask. */
  address: string;
  /** The mark of the time at which the screen was made. */
  made: string;
  children: React.ReactNode;
}

/** The fine line of progress in the running head; refreshes the screen when the work behind it has moved on. */
export function LiveStatus({ address, made, children }: LiveStatusProps) {
  const router = useRouter();
  const [status, setStatus] = useState<Status | null>(null);
  const mark = useRef(made);
  useEffect(() => {
    mark.current = made;
  }, [made]);
  useEffect(() => {
    let timer: ReturnType<typeof setTimeout>;
    let isOver = false;
    const ask = async () => {
      const answer = await fetch(address, { cache: 'no-store' }).catch(() => null);
      if (isOver) return;
      const next = answer?.ok ? ((await answer.json()) as Status) : null;
      if (next) {
        if (mark.current !== next.mark) router.refresh();
        mark.current = next.mark;
        setStatus(next);
      }
      timer = setTimeout(() => void ask(), next?.work ? BUSY_MS : CALM_MS);
    };
    void ask();
    return () => {
      isOver = true;
      clearTimeout(timer);
    };
  }, [address, router]);
  const work = status?.work;
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
