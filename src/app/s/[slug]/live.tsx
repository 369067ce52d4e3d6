'use client';

import { useRouter } from 'next/navigation';
import { createContext, useContext, useEffect, useRef, useState } from 'react';
import type { Status } from '@/app/_data/work-status';

const BUSY_MS = 700;
const CALM_MS = 4000;
/** An answer that is longer under way is not waited for: it may never come. */
const ANSWER_MS = 30_000;
/** A screen that was to be made anew and still is not is asked for again: where somebody goes on meanwhile, it is let go. */
const AGAIN_MS = 10_000;

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
  const [status, setStatus] = useState(made);
  const isPressed = usePressed();
  const screen = useRef(made.mark);
  const asked = useRef({ mark: made.mark, at: 0 });
  useEffect(() => {
    screen.current = made.mark;
    asked.current = { mark: made.mark, at: 0 };
  }, [made]);
  // At once also after the screen was made anew by what somebody did: that may have begun some work.
  useEffect(() => {
    let timer: ReturnType<typeof setTimeout>;
    let isOver = false;
    const ask = async () => {
      const next = await statusAt(address);
      if (isOver) return;
      if (next && !isPressed.current) {
        const { mark, at } = asked.current;
        const now = performance.now();
        if (next.mark !== screen.current && (next.mark !== mark || now - at > AGAIN_MS)) {
          asked.current = { mark: next.mark, at: now };
          router.refresh();
        }
        setStatus(next);
      }
      const isBusy = isPressed.current || (next !== null && (next.work ?? next.soFar) !== null);
      timer = setTimeout(() => void ask(), isBusy ? BUSY_MS : CALM_MS);
    };
    void ask();
    return () => {
      isOver = true;
      clearTimeout(timer);
    };
  }, [address, router, isPressed, made.mark]);
  return <Live value={status}>{children}</Live>;
}

/** Whether somebody is pressing: what moves between press and release is not what was pressed, and the press is lost. */
function usePressed(): { readonly current: boolean } {
  const isPressed = useRef(false);
  useEffect(() => {
    const over = new AbortController();
    const press = () => void (isPressed.current = true);
    // The click comes behind the release.
    const release = () => void setTimeout(() => (isPressed.current = false));
    const { signal } = over;
    window.addEventListener('pointerdown', press, { capture: true, signal });
    for (const end of ['pointerup', 'pointercancel'])
      window.addEventListener(end, release, { capture: true, signal });
    // Of the window itself; what is in it loses the focus by most presses.
    window.addEventListener('blur', release, { signal });
    return () => over.abort();
  }, []);
  return isPressed;
}

/** `null` where there is no answer, or none that can be read: it is asked for again. */
async function statusAt(address: string): Promise<Status | null> {
  try {
    const answer = await fetch(address, { cache: 'no-store', signal: AbortSignal.timeout(ANSWER_MS) });
    return answer.ok ? ((await answer.json()) as Status) : null;
  } catch {
    return null;
  }
}
