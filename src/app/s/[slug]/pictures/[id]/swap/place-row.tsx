import { Check } from 'lucide-react';
import { Checkbox } from 'radix-ui';
import { count, pixelsText, placeText } from '@/ui/format';
import { kindText, slotText } from '@/ui/placement-text';
import type { PixelSize } from '@/core/swap/slot';
import { drawnSize, type DeskPlace, type Preview } from './desk-place';

interface PlaceRowProps {
  place: DeskPlace;
  oldSrc: string | null;
  oldSize: PixelSize | null;
  isChosen: boolean;
  onChoose: (isChosen: boolean) => void;
  after: (Preview & { readonly src: string; readonly size: PixelSize }) | null;
}

const LOOK_AT_BELOW = 0.5;

/** One place of the desk: the old picture in its slot, and the new one in the same slot with its crop. */
export function PlaceRow({ place, oldSrc, oldSize, isChosen, onChoose, after }: PlaceRowProps) {
  const isSheet = place.sourcePath !== place.pagePath;
  const box = after ? drawnSize(after.slot, after.size) : { width: 168, height: 112 };
  const name = placeText(place.pagePath);
  return (
    <li className="grid grid-cols-[20px_minmax(0,1fr)_minmax(0,1fr)] gap-3 border-b border-line-2 px-5 py-3">
      <Checkbox.Root
        checked={isChosen}
        onCheckedChange={(value) => onChoose(value === true)}
        aria-label={`${name}, ${kindText(place.kind, isSheet)}`}
        className="flex size-[18px] items-center justify-center rounded-sm border border-ink-3 bg-sheet data-[state=checked]:border-green data-[state=checked]:bg-green"
      >
        <Checkbox.Indicator>
          <Check size={13} strokeWidth={3} className="text-green-ink" aria-hidden />
        </Checkbox.Indicator>
      </Checkbox.Root>
      <div className="min-w-0">
        <div className="flex items-center justify-center overflow-hidden bg-mat" style={box}>
          {oldSrc ? (
            <img src={oldSrc} alt="" className="h-full w-full object-cover" />
          ) : (
            <span className="text-sm text-ink-3">missing</span>
          )}
        </div>
        <p className="mt-1 truncate">{name}</p>
        <p className="text-sm text-ink-2">
          {[
            kindText(place.kind, isSheet),
            slotText(place.declared) || pixelsText(oldSize?.widthPx ?? null, oldSize?.heightPx ?? null),
          ].join(' · ')}
          {place.ids.length > 1 ? ` · on ${count(place.ids.length, 'page')} together` : ''}
        </p>
      </div>
      <div className="min-w-0">
        {after ? (
          <After isChosen={isChosen} after={after} box={box} />
        ) : (
          <p className="text-sm text-ink-3">Choose a picture on the right.</p>
        )}
      </div>
    </li>
  );
}

function After({
  after,
  box,
  isChosen,
}: {
  after: NonNullable<PlaceRowProps['after']>;
  box: { width: number; height: number };
  isChosen: boolean;
}) {
  if (!isChosen) return <p className="text-sm text-ink-3">stays as it is</p>;
  const { crop, size, keeps, isTooSmall, src, slot } = after;
  const scale = box.width / crop.widthPx;
  const isMuchCut = keeps < LOOK_AT_BELOW;
  return (
    <>
      <div className="relative overflow-hidden bg-mat" style={box}>
        <img
          src={src}
          alt=""
          className="absolute max-w-none"
          style={{
            width: size.widthPx * scale,
            height: size.heightPx * scale,
            left: -crop.left * scale,
            top: -crop.top * scale,
          }}
        />
      </div>
      <p className={`mt-1 ${isMuchCut ? 'text-should' : ''}`}>
        {keeps > 0.995 ? 'the whole picture' : `keeps ${Math.round(keeps * 100)} % of the picture`}
        {isMuchCut ? ': look at this one' : ''}
      </p>
      <p className="text-sm text-ink-2">
        {slot.shape === 'free'
          ? 'as large as it is'
          : `made ${Math.min(slot.widthPx, crop.widthPx)} × ${Math.min(slot.heightPx, crop.heightPx)} pixels`}
        {isTooSmall ? <span className="text-should">, fewer than the place asks for</span> : ''}
      </p>
    </>
  );
}
