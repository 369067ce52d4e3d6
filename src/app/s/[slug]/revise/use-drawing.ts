'use client';

import { useEffect, useRef, type RefObject } from 'react';
import { framesOf, toResult, toStraight } from '@/core/revision/frames';
import type { Revision } from '@/core/revision/steps';
import type { PixelSize } from '@/core/swap/slot';
import { drawnIn, drawRevision } from './draw-revision';

interface Drawn {
  readonly source: HTMLCanvasElement | null;
  readonly original: PixelSize;
  readonly revision: Revision;
  /** The whole straightened picture, or what comes out. */
  readonly part: 'straight' | 'result';
  /** Pixels along the long side. */
  readonly longest: number;
  /** Share of the window's height that it is shown in: more pixels are not drawn than are seen. */
  readonly shownIn?: number;
}

/** A canvas that shows a revision, drawn at most once a frame of the screen. */
export function useDrawing({
  source,
  original,
  revision,
  part,
  longest,
  shownIn,
}: Drawn): RefObject<HTMLCanvasElement | null> {
  const canvas = useRef<HTMLCanvasElement>(null);
  useEffect(() => {
    const request = requestAnimationFrame(() => {
      if (!canvas.current || !source) return;
      const frame = framesOf(original, revision)[part];
      const seen =
        shownIn === undefined ? longest : Math.ceil(shownIn * window.innerHeight * window.devicePixelRatio);
      const size = drawnIn(frame, longest, seen);
      // Setting a canvas's size wipes it: only where it changes.
      if (canvas.current.width !== size.width) canvas.current.width = size.width;
      if (canvas.current.height !== size.height) canvas.current.height = size.height;
      const map = part === 'straight' ? toStraight(original, revision) : toResult(original, revision);
      drawRevision(canvas.current, { source, original, map, frame });
    });
    return () => cancelAnimationFrame(request);
  }, [source, original, revision, part, longest, shownIn]);
  return canvas;
}
