'use client';

import { useEffect, useState } from 'react';
import type { DeskItem, DeskPlaces } from '@/app/_data/words/text-desk-item';
import type { WordsFinding } from '@/server/work/errata/check-words';
import { isTouched, wordsToGather, type Typed } from './desk-words';

/** After the last letter, before the rules are asked again. */
const PAUSE_MS = 150;
/** Of places that are alike the first stands for all. */
const MOST_ASKED = 40;

/** What the rules say of what is typed: of the words as they are at first, and again after each pause. */
export function useFindings(
  slug: string,
  item: DeskItem | null,
  typed: Typed,
): { findingsOf: (place: DeskPlaces) => readonly WordsFinding[]; isUnchecked: boolean } {
  const [asked, setAsked] = useState<{
    readonly typed: Typed;
    readonly found: readonly WordsFinding[];
  } | null>(null);
  const [isUnchecked, setUnchecked] = useState(false);
  const isAsking = item !== null && isTouched(item, typed);
  useEffect(() => {
    if (!isAsking || !item) return undefined;
    const stop = new AbortController();
    const timer = setTimeout(() => {
      const words = wordsToGather(item, typed)
        .slice(0, MOST_ASKED)
        .map(({ ids, ...own }) => ({ placementId: ids[0], ...own }));
      fetch(`/s/${slug}/text-desk/check`, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify(words),
        signal: stop.signal,
      })
        .then(async (response) => {
          setUnchecked(!response.ok);
          if (response.ok) setAsked({ typed, found: (await response.json()) as WordsFinding[] });
        })
        .catch(() => {
          if (!stop.signal.aborted) setUnchecked(true);
        });
    }, PAUSE_MS);
    return () => {
      clearTimeout(timer);
      stop.abort();
    };
  }, [slug, item, typed, isAsking]);
  const findingsOf = ({ ids, findings }: DeskPlaces) =>
    isAsking && asked && isOf(item, asked.found)
      ? asked.found.filter(({ placementId }) => placementId === ids[0])
      : findings;
  return { findingsOf, isUnchecked: isUnchecked && isAsking };
}

/** Whether findings are of this picture, and not of the one before. */
function isOf({ places }: DeskItem, found: readonly WordsFinding[]): boolean {
  const ids = new Set(places.flatMap((place) => place.ids));
  return found.every(({ placementId }) => ids.has(placementId));
}
