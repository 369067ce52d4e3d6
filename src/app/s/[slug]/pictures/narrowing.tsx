'use client';

import { ListFilter } from 'lucide-react';
import { Popover } from 'radix-ui';
import type { ReactNode } from 'react';

/** The button that unfolds the form for narrowing. */
export function Narrowing({ isNarrowed, children }: { isNarrowed: boolean; children: ReactNode }) {
  return (
    <Popover.Root>
      <Popover.Trigger
        className={`inline-flex items-center gap-1.5 rounded-sm border px-2 py-0.5 ${isNarrowed ? 'border-green bg-tint font-semibold text-green' : 'border-line bg-sheet text-ink-2'}`}
      >
        <ListFilter size={15} aria-hidden />
        Narrow
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          align="start"
          sideOffset={6}
          collisionPadding={8}
          aria-label="Narrow the list"
          className="z-30 max-h-[80vh] w-[300px] overflow-y-auto rounded-sm border border-line bg-sheet p-4 shadow-lg"
        >
          {children}
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
