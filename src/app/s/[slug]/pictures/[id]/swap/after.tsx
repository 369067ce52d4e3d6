'use client';

import { useRef, type KeyboardEvent, type PointerEvent } from 'react';
import { focalOfCrop, type FocalPoint } from '@/core/swap/crop';
import type { MadeForPlace } from '@/core/swap/made-for-place';
import type { PixelSize } from '@/core/swap/slot';
import { numberText, pixelsText } from '@/ui/format';
import { DIRECTIONS } from '@/ui/point-on-picture';

/** What is made for the place, of the whole picture. */
export type AfterPicture = MadeForPlace & { readonly src: string; readonly of: PixelSize };

interface AfterProps {
  after: AfterPicture;
  box: { readonly width: number; readonly height: number };
  isOwn: boolean;
  /** `null`: as everywhere. */
  onFocal: (focal: FocalPoint | null) => void;
}

const LOOK_AT_BELOW = 0.5;
/** Share of what is shown by which a key moves it. */
const STEP = 0.05;

/** The new picture in a place with its crop, which can be drawn to another part of it for this place alone. */
export function After({ after, box, isOwn, onFocal }: AfterProps) {
  const { crop, of, size, keeps, isTooSmall, isAsItIs, src, slot, narrow } = after;
  const from = useRef<{ x: number; y: number; crop: MadeForPlace['crop'] } | null>(null);
  const scale = box.width / crop.widthPx;
  const isMuchCut = keeps < LOOK_AT_BELOW;
  const isWhole = crop.widthPx >= of.widthPx && crop.heightPx >= of.heightPx;
  const middle = focalOfCrop(of, crop, { x: 0.5, y: 0.5 });
  const move = (start: MadeForPlace['crop'], dx: number, dy: number) =>
    onFocal(focalOfCrop(of, { ...start, left: start.left + dx, top: start.top + dy }, middle));
  const onPointerDown = (event: PointerEvent<HTMLButtonElement>) => {
    event.currentTarget.setPointerCapture(event.pointerId);
    from.current = { x: event.clientX, y: event.clientY, crop };
  };
  const onPointerMove = (event: PointerEvent) => {
    const start = from.current;
    if (start) move(start.crop, (start.x - event.clientX) / scale, (start.y - event.clientY) / scale);
  };
  const onKeyDown = (event: KeyboardEvent) => {
    const way = DIRECTIONS[event.key];
    if (!way) return;
    event.preventDefault();
    move(crop, way[0] * STEP * crop.widthPx, way[1] * STEP * crop.heightPx);
  };
  const picture = (
    <img
      src={src}
      alt=""
      draggable={false}
      className="absolute max-w-none"
      style={{
        width: of.widthPx * scale,
        height: of.heightPx * scale,
        left: -crop.left * scale,
        top: -crop.top * scale,
      }}
    />
  );
  return (
    <>
      {isWhole ? (
        <div className="relative overflow-hidden bg-mat" style={box}>
          {picture}
        </div>
      ) : (
        <button
          type="button"
          aria-label="What is shown of it here: draw it, or move it with the arrow keys"
          className="relative block cursor-move touch-none overflow-hidden bg-mat"
          style={box}
          onPointerDown={onPointerDown}
          onPointerMove={onPointerMove}
          onLostPointerCapture={() => {
            from.current = null;
          }}
          onKeyDown={onKeyDown}
        >
          {picture}
        </button>
      )}
      <p className={`mt-1 ${isMuchCut ? 'text-should' : ''}`}>
        {keeps > 0.995 ? 'the whole picture' : `keeps ${Math.round(keeps * 100)} % of the picture`}
        {isMuchCut ? ': look at this one' : ''}
        {isOwn ? (
          <>
            {', drawn for this place '}
            <button type="button" className="font-semibold text-green" onClick={() => onFocal(null)}>
              As everywhere
            </button>
          </>
        ) : null}
      </p>
      <p className="text-sm text-ink-2">
        {isAsItIs ? 'as it is' : `made ${pixelsText(size.widthPx, size.heightPx)} pixels`}
        {narrow ? `, and ${numberText(narrow.widthPx)} wide for small screens` : ''}
        {isTooSmall ? (
          <span className="text-should">
            , {(slot.widthPx / crop.widthPx).toFixed(1)} times fewer than the place asks for
          </span>
        ) : (
          ''
        )}
      </p>
    </>
  );
}
