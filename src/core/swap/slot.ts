/**
 * The space that a placement gives its picture, in pixels of the file to put there. Only what the markup declares and
 * the size of the picture that stands there now are known here; sizes measured in a browser come from elsewhere.
 */
import type { DeclaredSlot } from '../markup/placement';
import type { PlacementKind } from '../markup/kinds/kind';

export interface PixelSize {
  readonly widthPx: number;
  readonly heightPx: number;
}

export interface Slot {
  /** Size of the file that suits the slot, in image pixels: CSS size × 2 where that is declared. */
  readonly widthPx: number;
  readonly heightPx: number;
  /** Whether the picture must have the slot's shape, or may keep its own within the slot. */
  readonly shape: 'fixed' | 'free';
  /** Where the size comes from. */
  readonly from: 'declared' | 'descriptor' | 'old picture' | 'limit';
  /** CSS pixels on the page, as far as known. */
  readonly css: PixelSize | null;
}

/** CSS pixels are doubled: most screens have two image pixels to one of them. */
const DENSITY = 2;
/** Long side of an enlarge target and of pictures whose old size is unknown, in pixels. */
const LONG_SIDE_PX = 2000;

/**
 * The slot of a placement.
 *
 * @param old pixel size of the file that stands there now, or `null` where it is missing
 */
export function slotOf(kind: PlacementKind, declared: DeclaredSlot, old: PixelSize | null): Slot {
  const free = {
    widthPx: LONG_SIDE_PX,
    heightPx: LONG_SIDE_PX,
    shape: 'free',
    from: 'limit',
    css: null,
  } as const;
  if (kind === 'link') return free;
  const width = /^(\d+)w$/.exec(declared.descriptor)?.[1];
  const ratio = ratioOf(declared, old);
  if (width && ratio) {
    const widthPx = Number(width);
    return { ...rounded(widthPx, widthPx / ratio), shape: 'fixed', from: 'descriptor', css: null };
  }
  const css = cssSize(declared, ratio);
  if (css && kind !== 'icon') {
    return {
      ...rounded(css.widthPx * DENSITY, css.heightPx * DENSITY),
      shape: 'fixed',
      from: 'declared',
      css,
    };
  }
  const icon = kind === 'icon' ? /^(\d+)x(\d+)/i.exec(declared.sizes ?? '') : null;
  if (icon)
    return { ...rounded(Number(icon[1]), Number(icon[2])), shape: 'fixed', from: 'declared', css: null };
  if (old) return { ...old, shape: 'fixed', from: 'old picture', css: kind === 'css' ? null : old };
  return free;
}

function ratioOf({ widthPx, heightPx }: DeclaredSlot, old: PixelSize | null): number | null {
  if (widthPx && heightPx) return widthPx / heightPx;
  return old && old.heightPx > 0 ? old.widthPx / old.heightPx : null;
}

function cssSize({ widthPx, heightPx }: DeclaredSlot, ratio: number | null): PixelSize | null {
  if (widthPx && heightPx) return { widthPx, heightPx };
  if (widthPx && ratio) return { widthPx, heightPx: widthPx / ratio };
  if (heightPx && ratio) return { widthPx: heightPx * ratio, heightPx };
  return null;
}

function rounded(widthPx: number, heightPx: number): PixelSize {
  return { widthPx: Math.max(1, Math.round(widthPx)), heightPx: Math.max(1, Math.round(heightPx)) };
}
