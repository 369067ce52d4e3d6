'use client';

import { AlertDialog } from 'radix-ui';
import type { ReactNode } from 'react';
import { Button, buttonClass } from './button';
import { QuestionBox } from './question-box';

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
      <QuestionBox
        title={title}
        text={text}
        answers={
          <>
            <AlertDialog.Cancel className={buttonClass('quiet')}>Not now</AlertDialog.Cancel>
            <AlertDialog.Action className={buttonClass('main')} onClick={run}>
              {act}
            </AlertDialog.Action>
          </>
        }
      >
        {children}
      </QuestionBox>
    </AlertDialog.Root>
  );
}
