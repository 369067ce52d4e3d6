'use client';

import { useCallback, useEffect, useState } from 'react';
import type { Revision } from '@/core/revision/steps';
import type { FocalPoint } from '@/core/swap/crop';
import { turnedBy } from '@/core/revision/revised';
import { begun, doneAgain, undone, wayOfKey, written } from '@/ui/history';

/** What is decided of a picture: its steps, and the point that stays in view, in shares of the original. */
export interface Decided {
  readonly revision: Revision;
  readonly focal: FocalPoint;
  /** Whether somebody put the point there. */
  readonly isMoved: boolean;
}

export type Write = (revision: Revision, by: string | null) => void;

/** The steps with their way back: by keys anywhere on the screen. */
export function useRevision(first: Decided, onCompare: () => void) {
  const [history, setHistory] = useState(() => begun(first));
  const { revision, focal } = history.now;
  const write: Write = useCallback((next, by) => {
    const at = Date.now();
    setHistory((all) => written(all, { ...all.now, revision: next }, by, at));
  }, []);
  const moveFocal = useCallback((point: FocalPoint) => {
    const at = Date.now();
    setHistory((all) => written(all, { ...all.now, focal: point, isMoved: true }, 'focal point', at));
  }, []);
  const [cameBack, setCameBack] = useState(false);
  const restore = useCallback((all: Decided) => {
    const at = Date.now();
    setHistory((history) => written(history, all, null, at));
    setCameBack(true);
  }, []);
  const undo = useCallback(() => setHistory(undone), []);
  const redo = useCallback(() => setHistory(doneAgain), []);
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const way = wayOfKey(event);
      const isTyping = event.target instanceof HTMLElement && event.target.matches('input, select');
      const quarters = { '[': -1, ']': 1 }[event.key];
      if (way) (way === 'back' ? undo : redo)();
      else if (isTyping || event.ctrlKey || event.metaKey || event.altKey) return;
      else if (quarters) write(turnedBy(revision, quarters), null);
      else if (event.key === 'b') onCompare();
      else return;
      event.preventDefault();
    };
    document.addEventListener('keydown', onKey);
    return () => document.removeEventListener('keydown', onKey);
  }, [revision, write, undo, redo, onCompare]);
  return {
    ...{ decided: history.now, revision, focal, write, moveFocal, restore, undo, redo },
    /** Whether steps from an earlier time came back. */
    cameBack,
    canUndo: history.past.length > 0,
    canRedo: history.future.length > 0,
  };
}
