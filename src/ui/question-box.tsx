'use client';

import { AlertDialog } from 'radix-ui';
import type { ReactNode } from 'react';

interface QuestionBoxProps {
  title: string;
  text: string;
  /** The answers, as buttons. */
  answers: ReactNode;
  /** Something to fill in first. */
  children?: ReactNode;
}

/** A question that stands before the sheet until it is answered; within `AlertDialog.Root`. */
export function QuestionBox({ title, text, answers, children }: QuestionBoxProps) {
  return (
    <AlertDialog.Portal>
      <AlertDialog.Overlay className="fixed inset-0 z-20 bg-black/40" />
      <AlertDialog.Content className="fixed top-1/3 left-1/2 z-30 w-[440px] max-w-[90vw] -translate-x-1/2 -translate-y-1/3 border border-line bg-sheet p-6 shadow-lg">
        <AlertDialog.Title className="text-xl font-semibold">{title}</AlertDialog.Title>
        <AlertDialog.Description className="mt-2 text-ink-2">{text}</AlertDialog.Description>
        {children ? <div className="mt-3">{children}</div> : null}
        <div className="mt-5 flex justify-end gap-3">{answers}</div>
      </AlertDialog.Content>
    </AlertDialog.Portal>
  );
}
