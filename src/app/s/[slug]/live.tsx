'use client';

import { useRouter } from 'next/navigation';
import { createContext, useContext, useEffect, useRef, useState } from 'react';
import type { Status } from '@/app/_data/work-status';

const BUSY_MS = 700;
const CALM_MS = 4000;

const Live = createContext<Status>({ mark: '', work: null, soFar: null });

/** What is worked on at the site now, as the running head asks for it time and again. */
export const useLive = (): Status => useContext(Live);

interface LiveStatusProps {
  /** Where to ask. */
  address: string;
  /** How it was when the screen was made. */
  made: Status;
  children: React.ReactNode;
}

/** Tells all within it what is worked on, and has the screen made anew when the work behind it has moved on. */
export function LiveStatus({ address, made, children }: LiveStatusProps) {
  const router = useRouter();
  const [told, setTold] = useState({ since: made, status: made });
  const screen = useRef(made);
  const mark = useRef(made.mark);
  useEffect(() => {
    screen.current = made;
    mark.current = made.mark;
  }, [made]);
  // At once also after the screen was made anew by what somebody did: that may have begun some work.
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
        setTold({ since: screen.current, status: next });
      }
      timer = setTimeout(() => void ask(), next && (next.work ?? next.soFar) ? BUSY_MS : CALM_MS);
    };
    void ask();
    return () => {
      isOver = true;
      clearTimeout(timer);
    };
  }, [address, router, made.mark]);
  // A screen that was made since knows more, but not what is worked on.
  const status = told.since === made ? told.status : { ...made, work: told.status.work };
  return <Live value={status}>{children}</Live>;
}
