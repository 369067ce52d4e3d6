'use client';

import { useLive } from './live';

/** What is done of a check, and what is still to come, as a line above the sheet; nothing where all is done. */
export function SoFar() {
  const { soFar } = useLive();
  if (soFar === null) return null;
  return (
    <p role="status" className="border-b border-line-2 bg-tint px-5 py-1.5 text-sm">
      {soFar}
    </p>
  );
}
