'use client';

import { useRouter } from 'next/navigation';
import { useCallback, useRef, useState, useTransition, type KeyboardEvent, type MouseEvent } from 'react';
import { flushSync } from 'react-dom';
import type { DeliveryLine, DeliveryView } from '@/app/_data/intake/delivery';
import type { Problem } from '@/core/problem';
import type { LineChanged } from '@/server/work/intake/change-lines';
import { putAside, writeLines } from './actions';

interface Undo {
  readonly told: string;
  readonly before: readonly LineChanged[];
}

interface Delivery {
  readonly view: DeliveryView | null;
  readonly ask: () => void;
  readonly patch: (changes: readonly LineChanged[]) => void;
}

/** Where one is on a delivery note, what is open and chosen, and writing on its lines with the way back. */
export function useNote(slug: string, { view, ask, patch }: Delivery) {
  const router = useRouter();
  const [here, setHere] = useState<number | null>(null);
  const [open, setOpen] = useState<number | null>(null);
  const [chosen, setChosen] = useState<ReadonlySet<number>>(new Set());
  const [undo, setUndo] = useState<Undo | null>(null);
  const [problem, setProblem] = useState<Problem | null>(null);
  const [isBusy, start] = useTransition();
  /** What is being written, and whether it was; `null` where nothing is. */
  const writing = useRef<Promise<boolean> | null>(null);
  const lines = view?.lines ?? [];

  const write = useCallback(
    (changes: readonly LineChanged[], told: string) => {
      setProblem(null);
      // What was done before can't be taken back any more while something newer is on its way.
      setUndo(null);
      patch(changes);
      start(async () => {
        const sent = writeLines(slug, changes);
        const written = sent.then(({ ok }) => ok, () => false); // oxfmt-ignore
        writing.current = written;
        void written.then(() => {
          if (writing.current === written) writing.current = null;
        });
        const outcome = await sent;
        if (outcome.ok) setUndo({ told, before: outcome.value });
        else setProblem(outcome.problem);
        ask();
      });
    },
    [slug, patch, ask],
  );
  const go = (id: number | undefined) => {
    if (id === undefined) return;
    // Of a long note only a part is laid out; the line that one goes to is, from now on.
    flushSync(() => setHere(id));
    const head = document.querySelector<HTMLElement>(`[data-line="${id}"] button[aria-expanded]`);
    head?.focus({ preventScroll: true });
    head?.closest('li')?.scrollIntoView({ block: 'nearest' });
  };
  const check = ({ id, isChecked }: DeliveryLine) =>
    write(
      [{ id, isChecked: !isChecked }],
      isChecked ? 'The line is open again.' : 'One line is checked off.',
    );
  const strike = ({ id, isStruck }: DeliveryLine) =>
    write(
      [{ id, isStruck: !isStruck, isChecked: false }],
      isStruck ? 'It comes after all.' : 'One line is struck out.',
    );
  const keep = (line: DeliveryLine, words: Partial<DeliveryLine>, goesOn: boolean) => {
    const { title = line.title, alt = '', caption = '', credit = '', folder = '', tags = [] } = words;
    const change = { id: line.id, title, alt, caption, credit, folder, tags };
    write([goesOn ? { ...change, isChecked: true } : change], 'The words are kept.');
    const after = lines.findIndex(({ id }) => id === line.id) + 1;
    const next = goesOn ? lines.slice(after).find(({ isStruck }) => !isStruck) : undefined;
    setOpen(next?.id ?? null);
    if (next) setHere(next.id);
    else go(line.id);
  };
  const choose = (id: number) =>
    setChosen((now) => {
      const next = new Set(now);
      if (!next.delete(id)) next.add(id);
      return next;
    });
  const onKey = (event: KeyboardEvent) => {
    const isTyping = (event.target as HTMLElement).matches('input:not([type=checkbox]), textarea');
    if (isTyping) {
      if (event.key !== 'Escape') return;
      setOpen(null);
      return go(here ?? undefined);
    }
    const at = lines.findIndex(({ id }) => id === here);
    const line = lines[at];
    const deeds: Readonly<Record<string, () => void>> = {
      ArrowDown: () => go(lines[at + 1]?.id ?? lines[0]?.id),
      ArrowUp: () => go(lines[Math.max(0, at - 1)]?.id),
      c: () => (line && !line.isStruck ? check(line) : undefined),
      x: () => (line ? strike(line) : undefined),
    };
    const deed = deeds[event.key];
    if (!deed || event.ctrlKey || event.metaKey || event.altKey) return;
    event.preventDefault();
    deed();
  };
  // Where a link leads, what is written here is shown: it is followed once that is so, and not where it could not be.
  const onClickCapture = (event: MouseEvent) => {
    const href = (event.target as Element).closest('a[href]')?.getAttribute('href');
    const written = writing.current;
    const isElsewhere = event.ctrlKey || event.metaKey || event.shiftKey || event.altKey;
    if (!href || !written || isElsewhere) return;
    event.preventDefault();
    void written.then((isWritten) => (isWritten ? router.push(href) : undefined));
  };
  const putNoteAside = (then: () => void) =>
    start(async () => {
      const outcome = await putAside(slug);
      if (!outcome.ok) return setProblem(outcome.problem);
      then();
      router.refresh();
      ask();
    });
  return {
    ...{ lines, here, open, chosen, undo, problem, isBusy },
    ...{ setHere, setOpen, setChosen, setUndo, write, check, strike, keep, choose, putNoteAside },
    ...{ onKey, onClickCapture },
  };
}
