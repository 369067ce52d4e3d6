'use client';

import { useState, useTransition } from 'react';
import type { Problem } from '@/core/problem';
import type { FocalPoint } from '@/core/swap/crop';
import type { OwnOfPlace } from '@/server/work/editions/gather-swap';
import { putIntoEdition } from './actions';
import type { CandidateRow } from './candidates';
import type { DeskPlace } from './desk-place';

const MIDDLE: FocalPoint = { x: 0.5, y: 0.5 };

interface Desk {
  readonly slug: string;
  readonly siteId: number;
  readonly path: string;
  readonly places: readonly DeskPlace[];
  readonly candidates: readonly CandidateRow[];
  readonly first: number | null;
}

export const keyOf = (place: DeskPlace): string => `${place.sourcePath}#${place.start}`;

/** What is decided at the desk: which picture, in which places, with what of their own; and putting it in. */
export function useSwap({ slug, siteId, path, places, candidates, first }: Desk) {
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set());
  // The point is the suggested one until somebody moves it.
  const [chosen, setChosen] = useState<{ id: number; focal: FocalPoint | null } | null>(
    first === null ? null : { id: first, focal: null },
  );
  const [own, setOwn] = useState<Readonly<Record<string, OwnOfPlace>>>({});
  const [isOldTakenOff, setOldTakenOff] = useState(false);
  const [problem, setProblem] = useState<Problem | null>(null);
  const [isPending, start] = useTransition();
  const candidate = candidates.find(({ id }) => id === chosen?.id);
  const focal = chosen?.focal ?? (candidate ? { x: candidate.focalX, y: candidate.focalY } : MIDDLE);
  const taken = places.filter((place) => !left.has(keyOf(place)));
  const isAll = taken.length === places.length;

  const choose = (id: number) => {
    setChosen({ id, focal: null });
    // What was drawn for single places was drawn of another picture; the words stay.
    setOwn((now) =>
      Object.fromEntries(Object.entries(now).map(([key, { focal: _, ...words }]) => [key, words])),
    );
  };
  const take = (place: DeskPlace, isTaken: boolean) =>
    setLeft((now) => {
      const others = [...now].filter((key) => key !== keyOf(place));
      return new Set(isTaken ? others : [...others, keyOf(place)]);
    });
  const submit = (form: FormData) => {
    setProblem(null);
    start(async () => {
      const request = {
        siteId,
        fromPath: path,
        intakeId: candidate?.id ?? 0,
        placementIds: taken.flatMap(({ ids }) => ids),
        alt: String(form.get('alt') ?? ''),
        caption: String(form.get('caption') ?? ''),
        focal,
        own: Object.fromEntries(
          taken.flatMap((place) => {
            const ofPlace = own[keyOf(place)];
            return ofPlace ? place.ids.map((id) => [String(id), ofPlace]) : [];
          }),
        ),
        isOldTakenOff: isOldTakenOff && isAll,
      };
      setProblem(await putIntoEdition(slug, request));
    });
  };
  return {
    ...{
      candidate,
      chosen: chosen?.id ?? null,
      focal,
      taken,
      isAll,
      problem,
      isPending,
      choose,
      take,
      submit,
    },
    /** The candidate as it is cropped: by its best crops as long as nobody moved its point. */
    cropped: ({ widthPx, heightPx, format, isAnimated, focalBecause, shapes }: CandidateRow) => ({
      ...{ widthPx, heightPx, format, isAnimated, focal },
      ...(shapes && focalBecause && !chosen?.focal ? { shapes } : {}),
    }),
    moveFocal: (moved: FocalPoint) => setChosen((now) => now && { ...now, focal: moved }),
    isTaken: (place: DeskPlace) => !left.has(keyOf(place)),
    ownOf: (place: DeskPlace): OwnOfPlace => own[keyOf(place)] ?? {},
    setOwnOf: (place: DeskPlace, next: OwnOfPlace) => setOwn((now) => ({ ...now, [keyOf(place)]: next })),
    ...{ isOldTakenOff: isOldTakenOff && isAll, setOldTakenOff },
  };
}
