'use client';

import { useEffect, useState } from 'react';

/** What a value came to rest at: it lags behind until nobody has changed it for a while (milliseconds). */
export function useSettled<T>(value: T, ms: number): T {
  const [settled, setSettled] = useState(value);
  useEffect(() => {
    const timer = setTimeout(() => setSettled(value), ms);
    return () => clearTimeout(timer);
  }, [value, ms]);
  return settled;
}
