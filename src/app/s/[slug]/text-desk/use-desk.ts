'use client';

import { useRouter } from 'next/navigation';
import { useCallback, useEffect, useReducer, useRef } from 'react';
import type { DeskEntry } from '@/app/_data/words/text-desk-queue';
import type { DeskItem } from '@/app/_data/words/text-desk-item';
import type { Problem } from '@/core/problem';
import type { WordsOfPlaces } from '@/server/work/words/gather-words';
import { keepWords } from './actions';
import { begun, nextState } from './desk-state';
import { isTouched, untouched, withGathered, wordsBefore, wordsToGather, type Typed } from './desk-words';

/** Pictures that are fetched before they are asked for, so that the next one stands there at once. */
const AHEAD = 4;
/** After the last word was kept, the running head is brought up to date. */
const QUIET_MS = 1500;

/** The desk as it is gone through: where one is, what was typed, and what becomes of it. */
export function useDesk(slug: string, entries: readonly DeskEntry[], first: DeskItem | null) {
  const start = Math.max(
    0,
    entries.findIndex(({ key }) => key === first?.key),
  );
  const [state, tell] = useReducer(nextState, null, () => begun(start, first));
  const asked = useRef(new Set<string>(first ? [first.key] : []));
  const router = useRouter();
  const quiet = useRef<ReturnType<typeof setTimeout>>(undefined);
  const entry = entries[state.at];
  const key = entry?.key ?? '';
  const item = state.items.get(key);

  useEffect(() => {
    for (const { key: wanted, sha256 } of entries.slice(state.at, state.at + 1 + AHEAD)) {
      if (asked.current.has(wanted)) continue;
      asked.current.add(wanted);
      if (sha256) new Image().src = pictureSrc(slug, sha256);
      fetch(`/s/${slug}/text-desk/item?of=${wanted}`)
        .then(async (response) => {
          if (!response.ok) throw new Error(`The server answered ${response.status}.`);
          tell({ do: 'have', key: wanted, item: (await response.json()) as DeskItem | null });
        })
        .catch((error: unknown) => {
          // It is asked for again once somebody comes to it.
          asked.current.delete(wanted);
          tell({ do: 'fail', key: wanted, problem: notFetched(error) });
        });
    }
  }, [slug, entries, state.at]);

  const typed = item ? (state.typed.get(key) ?? untouched(item)) : [];
  const go = useCallback(
    (at: number) => {
      if (at >= 0 && at < entries.length) tell({ do: 'go', at });
    },
    [entries.length],
  );
  const gather = async (of: string, words: readonly WordsOfPlaces[]) => {
    const outcome = await keepWords(slug, words).catch((error: unknown) => ({
      ok: false as const,
      problem: notKept(error),
    }));
    if (outcome.ok) tell({ do: 'mark', key: of, kept: 'kept' });
    else tell({ do: 'fail', key: of, problem: outcome.problem });
    clearTimeout(quiet.current);
    quiet.current = setTimeout(() => router.refresh(), QUIET_MS);
  };
  const keep = () => {
    if (!item) return;
    if (isTouched(item, typed)) {
      const words = wordsToGather(item, typed);
      tell({ do: 'keep', key, words, before: wordsBefore(item) });
      void gather(key, words);
    } else if (state.kept.get(key) !== 'kept') tell({ do: 'mark', key, kept: 'as it was' });
    if (state.at < entries.length - 1) go(state.at + 1);
  };
  const takeBack = () => {
    const last = state.past.at(-1);
    if (!last) return;
    const was = state.items.get(last.key);
    tell({ do: 'back' });
    if (was) {
      tell({ do: 'have', key: last.key, item: withGathered(was, last.before) });
      void gather(last.key, last.before).then(() => tell({ do: 'mark', key: last.key, kept: 'as it was' }));
    }
    go(entries.findIndex((one) => one.key === last.key));
  };
  const isWaiting = [...state.kept.values()].includes('keeping');
  return {
    ...state,
    ...{ entry, item, typed, isWaiting, go, keep, takeBack },
    type: (now: Typed) => tell({ do: 'type', key, typed: now }),
  };
}

/** Address of a picture as large as the desk shows it. */
export const pictureSrc = (slug: string, sha256: string) => `/s/${slug}/image/${sha256}?whole`;

const notFetched = (error: unknown): Problem => ({
  code: 'DESK_FETCH',
  what: 'This picture could not be laid on the desk.',
  why: error instanceof Error ? error.message : String(error),
  remedy: 'Go on, and come back to it; or load the page again.',
});

const notKept = (error: unknown): Problem => ({
  code: 'DESK_KEEP',
  what: 'These words were not added to the edition.',
  why: error instanceof Error ? error.message : String(error),
  remedy: 'They are still typed here: keep them again once the connection is back.',
});
