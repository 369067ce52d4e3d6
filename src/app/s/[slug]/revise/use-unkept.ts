'use client';

import { useEffect, useRef } from 'react';
import { forgetOld, forgetUnkept, unkeptSteps, writeUnkept } from './unkept-steps';
import type { Decided } from './use-revision';

interface Unkept {
  /** Names who makes the steps, and from which bytes. */
  readonly of: string;
  /** What is kept already. */
  readonly first: Decided;
  readonly now: Decided;
  readonly restore: (decided: Decided) => void;
  /** Whether they are on their way to be kept for good. */
  readonly isSent: boolean;
}

/**
 * Keeps the steps on this machine until they are kept for good: however the proof is left (a link, the browser's way
 * back, a window that closes), they are restored when the picture is opened again. Where this machine keeps nothing,
 * closing the window asks first.
 */
export function useUnkept({ of, first, now, restore, isSent }: Unkept): void {
  const hasRead = useRef(false);
  const kept = JSON.stringify(first);
  useEffect(() => {
    const isChanged = JSON.stringify(now) !== kept;
    try {
      if (!hasRead.current) {
        hasRead.current = true;
        forgetOld(localStorage, Date.now());
        const left = unkeptSteps(localStorage, of);
        if (left && JSON.stringify(left) !== kept) restore(left);
        else forgetUnkept(localStorage, of);
      } else if (isChanged && !isSent) writeUnkept(localStorage, of, now, Date.now());
      else forgetUnkept(localStorage, of);
      return undefined;
    } catch {
      // Full, or shut by the browser's settings.
      return isChanged && !isSent ? askBeforeClosing() : undefined;
    }
  }, [of, kept, now, restore, isSent]);
}

function askBeforeClosing(): () => void {
  const warn = (event: BeforeUnloadEvent) => event.preventDefault();
  window.addEventListener('beforeunload', warn);
  return () => window.removeEventListener('beforeunload', warn);
}
