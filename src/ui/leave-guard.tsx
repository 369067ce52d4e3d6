'use client';

import { useRouter } from 'next/navigation';
import { AlertDialog } from 'radix-ui';
import { useEffect, useState } from 'react';
import { buttonClass } from './button';
import { QuestionBox } from './question-box';

/** Asks before the window is closed, or loaded anew, while something in it is not kept. */
export function useCloseWarning(isOn: boolean): void {
  useEffect(() => {
    if (!isOn) return;
    const warn = (event: BeforeUnloadEvent) => event.preventDefault();
    window.addEventListener('beforeunload', warn);
    return () => window.removeEventListener('beforeunload', warn);
  }, [isOn]);
}

interface LeaveGuardProps {
  /** Whether something is not kept. */
  isOn: boolean;
  title: string;
  text: string;
}

/** Asks before a link leads away from what is not kept; and before the window is closed. */
export function LeaveGuard({ isOn, title, text }: LeaveGuardProps) {
  const router = useRouter();
  const [to, setTo] = useState<string | null>(null);
  useCloseWarning(isOn);
  useEffect(() => {
    if (!isOn) return;
    const hold = (event: MouseEvent) => {
      const href = leadsAway(event);
      if (href === null) return;
      // Before the link's own handler, which would leave at once.
      event.preventDefault();
      event.stopPropagation();
      setTo(href);
    };
    document.addEventListener('click', hold, { capture: true });
    return () => document.removeEventListener('click', hold, { capture: true });
  }, [isOn]);
  return (
    <AlertDialog.Root open={to !== null} onOpenChange={(isOpen) => (isOpen ? undefined : setTo(null))}>
      <QuestionBox
        title={title}
        text={text}
        answers={
          <>
            <AlertDialog.Cancel className={buttonClass('main')}>Stay here</AlertDialog.Cancel>
            <AlertDialog.Action className={buttonClass('quiet')} onClick={() => router.push(to ?? '/')}>
              Leave without them
            </AlertDialog.Action>
          </>
        }
      />
    </AlertDialog.Root>
  );
}

/** Where a press on a link of this application leads, in this window; `null` where it is none, or opens another window. */
function leadsAway(event: MouseEvent): string | null {
  if (event.button !== 0 || event.metaKey || event.ctrlKey || event.shiftKey || event.altKey) return null;
  const link = event.target instanceof Element ? event.target.closest('a') : null;
  if (!link || link.target === '_blank' || link.hasAttribute('download')) return null;
  const url = new URL(link.href, window.location.href);
  if (url.origin !== window.location.origin) return null;
  const here = window.location;
  return url.pathname === here.pathname && url.search === here.search ? null : `${url.pathname}${url.search}${url.hash}`; // prettier-ignore
}
