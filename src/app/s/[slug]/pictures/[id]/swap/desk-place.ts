import type { PlacementRow } from '@/app/_data/pictures/pictures';
import { shareKept, type CropRect, type FocalPoint } from '@/core/swap/crop';
import { cropFor, fitted, narrower } from '@/core/swap/plan-swap';
import { slotOf, type PixelSize, type Slot } from '@/core/swap/slot';

/** A place as the desk shows it; `ids` are its placements: one a page for a style sheet's rule. */
export type DeskPlace = PlacementRow & {
  readonly ids: number[];
  /** Whether it gets a list of widths, as other pictures of its page have one. */
  readonly isListed: boolean;
};

export interface Preview {
  readonly slot: Slot;
  readonly crop: CropRect;
  /** Share of the picture's area that is kept, 0 to 1. */
  readonly keeps: number;
  readonly isTooSmall: boolean;
  /** Pixels that are made for the place. */
  readonly made: PixelSize;
  /** Width of a second file for screens with fewer pixels, where the place gets one. */
  readonly narrowPx: number | null;
}

type CroppedCandidate = Parameters<typeof cropFor>[0];

/** What a candidate looks like in a place, before any pixel is made. */
export function previewOf(
  place: DeskPlace,
  old: PixelSize | null,
  candidate: CroppedCandidate,
  own: FocalPoint | undefined,
): Preview {
  const slot = slotOf(place.kind, place.declared, old);
  const { widthPx, heightPx } = candidate;
  const whole = { left: 0, top: 0, widthPx, heightPx };
  const crop = slot.shape === 'free' ? whole : cropFor(candidate, slot.widthPx / slot.heightPx, own);
  const made = fitted(crop, slot);
  return {
    slot,
    crop,
    keeps: shareKept(candidate, crop),
    isTooSmall: slot.shape === 'fixed' && crop.widthPx < slot.widthPx,
    made,
    narrowPx: place.isListed ? (narrower(slot, made)?.widthPx ?? null) : null,
  };
}

/** Size in which a slot is drawn at the desk: its shape, within 220 × 126 CSS pixels. */
export function drawnSize(slot: Slot, shape: PixelSize): { width: number; height: number } {
  const { widthPx, heightPx } = slot.shape === 'free' ? shape : slot;
  const scale = Math.min(220 / widthPx, 126 / heightPx, 1);
  return {
    width: Math.max(24, Math.round(widthPx * scale)),
    height: Math.max(16, Math.round(heightPx * scale)),
  };
}
