'use client';

import { AlertDialog } from 'radix-ui';
import type { ReactNode } from 'react';
import { Button, buttonClass } from './button';

interface ConfirmProps {
  /** What the button says that asks. */
  trigger: string;
  weight?: 'main' | 'plain';
  isDisabled: boolean;
  title: string;
  text: string;
  /** What the button says that does it. */
  act: string;
  run: () => void;
  /** Something to fill in first. */
  children?: ReactNode;
}

/** A button that says what it will do before it does it. */
export function Confirm({
  trigger,
  weight = 'plain',
  isDisabled,
  title,
  text,
  act,
  run,
  children,
}: ConfirmProps) {
  return (
    <AlertDialog.Root>
      <AlertDialog.Trigger asChild>
        <Button weight={weight} disabled={isDisabled}>
          {trigger}
        </Button>
      </AlertDialog.Trigger>
      <AlertDialog.Portal>
        <AlertDialog.Overlay className="fixed inset-0 z-20 bg-black/40" />
        <AlertDialog.Content className="fixed top-1/3 left-1/2 z-30 w-[440px] max-w-[90vw] -translate-x-1/2 -translate-y-1/3 border border-line bg-sheet p-6 shadow-lg">
          <AlertDialog.Title className="text-xl font-semibold">{title}</AlertDialog.Title>
          <AlertDialog.Description className="mt-2 text-ink-2">{text}</AlertDialog.Description>
          {children ? <div className="mt-3">{children}</div> : null}
          <div className="mt-5 flex justify-end gap-3">
            <AlertDialog.Cancel className={buttonClass('quiet')}>Not now</AlertDialog.Cancel>
            <AlertDialog.Action className={buttonClass('main')} onClick={run}>
              {act}
            </AlertDialog.Action>
          </div>
        </AlertDialog.Content>
      </AlertDialog.Portal>
    </AlertDialog.Root>
  );
}
