'use client';

import { framesOf, pointInOriginal, pointInResult } from '@/core/revision/frames';
import { changesNothing, type Revision } from '@/core/revision/steps';
import type { FocalPoint } from '@/core/swap/crop';
import type { PixelSize } from '@/core/swap/slot';
import type { Problem } from '@/core/problem';
import type { Weight } from '@/server/work/revisions/weigh-revision';
import { FocalPicture } from '@/ui/focal-picture';
import { bytesText, pixelsText } from '@/ui/format';
import { ProblemText } from '@/ui/problem-text';
import { useDrawing } from './use-drawing';

interface WhatComesOutProps {
  source: HTMLCanvasElement | null;
  original: PixelSize & { readonly sizeBytes: number };
  revision: Revision;
  focal: FocalPoint;
  weight: Weight | null;
  problem: Problem | null;
  onFocal: (focal: FocalPoint) => void;
}

function weightText(revision: Revision, sizeBytes: number, weight: Weight | null): string {
  if (changesNothing(revision)) return `${bytesText(sizeBytes)}: the original`;
  if (!weight) return 'its weight is being worked out …';
  return `about ${bytesText(weight.sizeBytes)}, ${weight.format.toUpperCase()}`;
}

/** What the steps make of the picture, with its focal point, its size and its weight. */
export function WhatComesOut(props: WhatComesOutProps) {
  const { source, original, revision, focal, weight, problem, onFocal } = props;
  const canvas = useDrawing({ source, original, revision, part: 'result', longest: 320 });
  const { result } = framesOf(original, revision);
  return (
    <section
      aria-labelledby="comes-out"
      className="flex gap-5 border-t border-line px-5 py-3 max-md:flex-col"
    >
      <FocalPicture
        focal={pointInResult(original, revision, focal)}
        onMove={(point) => onFocal(pointInOriginal(original, revision, point))}
      >
        <canvas ref={canvas} id="result" className="block max-h-[120px] max-w-[300px]" />
      </FocalPicture>
      <div className="min-w-0">
        <h2 id="comes-out" className="text-lg font-semibold">
          What comes out
        </h2>
        <p>
          {pixelsText(result.widthPx, result.heightPx)} pixels,{' '}
          {weightText(revision, original.sizeBytes, weight)}
        </p>
        <p className="text-sm text-ink-2">
          The original has {pixelsText(original.widthPx, original.heightPx)} pixels,{' '}
          {bytesText(original.sizeBytes)}. It is kept with the steps, which can be changed later.
        </p>
        {problem ? <ProblemText problem={problem} /> : null}
      </div>
    </section>
  );
}
