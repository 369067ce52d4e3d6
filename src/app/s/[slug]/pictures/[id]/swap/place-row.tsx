import { Check } from 'lucide-react';
import { Checkbox } from 'radix-ui';
import { count, pixelsText, placeText } from '@/ui/format';
import { kindText, slotText } from '@/ui/placement-text';
import { slotOf, type PixelSize } from '@/core/swap/slot';
import type { OwnOfPlace } from '@/server/work/editions/gather-swap';
import { After, type AfterPicture } from './after';
import { drawnSize, type DeskPlace } from './desk-place';
import { OwnWords } from './own-words';

interface PlaceRowProps {
  place: DeskPlace;
  oldSrc: string | null;
  oldSize: PixelSize | null;
  isChosen: boolean;
  onChoose: (isChosen: boolean) => void;
  after: AfterPicture | null;
  /** What this place has of its own. */
  own: OwnOfPlace;
  onOwn: (own: OwnOfPlace) => void;
}

/** Where neither the old picture nor the new one is known. */
const NO_SIZE: PixelSize = { widthPx: 168, heightPx: 112 };

/** One place of the desk: the old picture in its slot, and the new one in the same slot with its crop. */
export function PlaceRow({ place, oldSrc, oldSize, isChosen, onChoose, after, own, onOwn }: PlaceRowProps) {
  const isSheet = place.sourcePath !== place.pagePath;
  const slot = after?.slot ?? slotOf(place.kind, place.declared, oldSize);
  // Where the place has no shape of its own, each stands in its own.
  const before = drawnSize(slot, oldSize ?? after?.of ?? NO_SIZE);
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
        <div className="flex items-center justify-center overflow-hidden bg-mat" style={before}>
          {oldSrc ? (
            <img src={oldSrc} alt="" className="h-full w-full object-cover" />
          ) : (
            <span className="text-sm text-ink-3">no picture</span>
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
        {after && !isChosen ? (
          <p className="text-sm text-ink-3">stays as it is</p>
        ) : after ? (
          <>
            <After
              after={after}
              box={drawnSize(slot, after.of)}
              isOwn={own.focal !== undefined}
              onFocal={(focal) => {
                const { focal: _, ...rest } = own;
                onOwn(focal ? { ...rest, focal } : rest);
              }}
            />
            <OwnWords
              own={own}
              hasAlt={(place.words.alt?.span.start ?? place.words.addAttribute) !== null}
              hasCaption={place.words.caption !== null}
              onWords={(words) => onOwn(own.focal ? { focal: own.focal, ...words } : words)}
            />
          </>
        ) : (
          <p className="text-sm text-ink-3">Choose a picture on the right.</p>
        )}
      </div>
    </li>
  );
}
