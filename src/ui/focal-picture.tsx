import type { ReactNode } from 'react';
import type { FocalPoint } from '@/core/swap/crop';
import { pointMoved, pointPressed } from './point-on-picture';

interface FocalPictureProps {
  focal: FocalPoint;
  onMove: (focal: FocalPoint) => void;
  /** The picture itself. */
  children: ReactNode;
}

const STEP = 0.05;
/** A picture whole, with the point that stays in view when it is cropped: set by a press, or moved by arrow keys. */
export function FocalPicture({ focal, onMove, children }: FocalPictureProps) {
  return (
    <div>
      <p className="text-sm text-ink-2">
        Press on what must stay in view, or move the mark with the arrow keys.
      </p>
      <button
        type="button"
        aria-label={`Focal point, ${Math.round(focal.x * 100)} % from the left, ${Math.round(focal.y * 100)} % from the top`}
        className="relative mt-1 inline-block max-w-full"
        onClick={(event) => {
          if (event.detail === 0) return;
          onMove(pointPressed(event));
        }}
        onKeyDown={(event) => {
          const moved = pointMoved(focal, event.key, STEP);
          if (!moved) return;
          event.preventDefault();
          onMove(moved);
        }}
      >
        {children}
        <span
          aria-hidden
          className="absolute size-5 -translate-x-1/2 -translate-y-1/2 rounded-full border-2 border-white bg-black/25 outline-2 outline-black/60"
          style={{ left: `${focal.x * 100}%`, top: `${focal.y * 100}%` }}
        />
      </button>
    </div>
  );
}
