'use client';

import { ListFilter } from 'lucide-react';
import { Popover } from 'radix-ui';
import { useState, type ReactNode } from 'react';

interface FoldOutProps {
  label: string;
  /** What it is, for those who can’t see what it belongs to. */
  name: string;
  /** Whether something in it is chosen. */
  isChosen: boolean;
  children: ReactNode;
}

/** A button of a list that unfolds more ways to narrow it. */
export function FoldOut({ label, name, isChosen, children }: FoldOutProps) {
  const [isOpen, setOpen] = useState(false);
  return (
    <Popover.Root open={isOpen} onOpenChange={setOpen}>
      <Popover.Trigger
        className={`inline-flex items-center gap-1.5 rounded-sm border px-2 py-0.5 text-left ${isChosen ? 'border-green bg-tint font-semibold text-green' : 'border-line bg-sheet text-ink-2'}`}
      >
        <ListFilter size={15} aria-hidden className="shrink-0" />
        {label}
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          align="start"
          sideOffset={6}
          collisionPadding={8}
          aria-label={name}
          // A link in it changes the list beneath, and is then done with.
          onClick={({ target }) => {
            if (target instanceof Element && target.closest('a')) setOpen(false);
          }}
          className="z-30 max-h-[min(80vh,var(--radix-popover-content-available-height))] w-[min(420px,calc(100vw-16px))] overflow-y-auto rounded-sm border border-line bg-sheet p-4 shadow-lg"
        >
          {children}
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
