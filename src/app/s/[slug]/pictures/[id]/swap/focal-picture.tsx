import type { FocalPoint } from '@/core/swap/crop';
import { pointMoved, pointPressed } from '@/ui/point-on-picture';

interface FocalPictureProps {
  src: string;
  focal: FocalPoint;
  onMove: (focal: FocalPoint) => void;
}

const STEP = 0.05;
/** The candidate whole, with the point that stays in view when it is cropped: set by a press, or moved by arrow keys. */
export function FocalPicture({ src, focal, onMove }: FocalPictureProps) {
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
        <img src={src} alt="" className="block max-h-36 max-w-full" />
        <span
          aria-hidden
          className="absolute size-5 -translate-x-1/2 -translate-y-1/2 rounded-full border-2 border-white bg-black/25 outline-2 outline-black/60"
          style={{ left: `${focal.x * 100}%`, top: `${focal.y * 100}%` }}
        />
      </button>
    </div>
  );
}
