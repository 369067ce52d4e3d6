import type { PlacementRow } from '@/app/_data/pictures/pictures';
import type { PixelSize, Slot } from '@/core/swap/slot';

/** A place as the desk shows it; `ids` are its placements: one a page for a style sheet's rule. What was measured of it is declared. */
export type DeskPlace = PlacementRow & {
  readonly ids: number[];
  /** Whether it gets a list of widths, as other pictures of its page have one. */
  readonly isListed: boolean;
};

/** Size in which a slot is drawn at the desk: its shape, within 220 × 126 CSS pixels. */
export function drawnSize(slot: Slot, shape: PixelSize): { width: number; height: number } {
  const { widthPx, heightPx } = slot.shape === 'free' ? shape : slot;
  const scale = Math.min(220 / widthPx, 126 / heightPx, 1);
  return {
    width: Math.max(24, Math.round(widthPx * scale)),
    height: Math.max(16, Math.round(heightPx * scale)),
  };
}
