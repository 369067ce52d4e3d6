'use client';

import { useCallback, useEffect, useRef, useState } from 'react';
import type { DeliveryView } from '@/app/_data/intake/delivery';
import type { LineChanged } from '@/server/work/intake/change-lines';

/** How often a note is asked for while something is still to come, and while nothing is, in ms. */
const SOON_MS = 1200;
const LATER_MS = 15_000;
/** A long note is half a megabyte: it is asked for less often. */
const LONG_LINES = 200;
const LONG_SOON_MS = 4000;

const isOpen = (view: DeliveryView | null) =>
  view !== null &&
  (view.uploads.some(({ state }) => state === 'arriving' || state === 'arrived') ||
    view.lines.some(({ findings }) => findings === null));

/** The open delivery as it is now: asked for again and again, often while pictures are being taken in. */
export function useDelivery(slug: string, first: DeliveryView | null) {
  const [view, setView] = useState(first);
  const [now, setNow] = useState(() => Date.now());
  const asked = useRef(0);
  const ask = useCallback(() => {
    const mine = ++asked.current;
    void fetch(`/s/${slug}/intake/lines`, { cache: 'no-store' })
      .then((answer) => (answer.ok ? (answer.json() as Promise<DeliveryView | null>) : undefined))
      // A line that is cut is asked for at the next turn.
      .catch(() => undefined)
      .then((found) => {
        if (found !== undefined && mine === asked.current) setView(found);
        setNow(Date.now());
      });
  }, [slug]);
  const soonMs = (view?.lines.length ?? 0) > LONG_LINES ? LONG_SOON_MS : SOON_MS;
  const everyMs = isOpen(view) ? soonMs : LATER_MS;
  useEffect(() => {
    const timer = setInterval(ask, everyMs);
    return () => clearInterval(timer);
  }, [ask, everyMs]);
  /** Shows what is being written before it is. */
  const patch = useCallback((changes: readonly LineChanged[]) => {
    const byId = new Map(changes.map((change) => [change.id, change]));
    setView(
      (known) =>
        known && {
          ...known,
          lines: known.lines.map((line) => ({ ...line, ...byId.get(line.id) })),
        },
    );
  }, []);
  return { view, now, ask, patch };
}
