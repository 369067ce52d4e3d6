import type { FocalPoint } from '@/core/swap/crop';

interface FocalPictureProps {
  src: string;
  focal: FocalPoint;
  onMove: (focal: FocalPoint) => void;
}

const STEP = 0.05;
const KEYS: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-STEP, 0],
  ArrowRight: [STEP, 0],
  ArrowUp: [0, -STEP],
  ArrowDown: [0, STEP],
};

const within = (share: number) => Math.min(1, Math.max(0, share));

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
          const box = event.currentTarget.getBoundingClientRect();
          onMove({
            x: within((event.clientX - box.left) / box.width),
            y: within((event.clientY - box.top) / box.height),
          });
        }}
        onKeyDown={(event) => {
          const step = KEYS[event.key];
          if (!step) return;
          event.preventDefault();
          onMove({ x: within(focal.x + step[0]), y: within(focal.y + step[1]) });
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
