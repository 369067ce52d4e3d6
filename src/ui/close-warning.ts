'use client';

import { useEffect } from 'react';

/** Asks before the window is closed, or loaded anew, while something in it is not kept. */
export function useCloseWarning(isOn: boolean): void {
  useEffect(() => {
    if (!isOn) return;
    const warn = (event: BeforeUnloadEvent) => event.preventDefault();
    window.addEventListener('beforeunload', warn);
    return () => window.removeEventListener('beforeunload', warn);
  }, [isOn]);
}
