/** Draws a revision onto a canvas, by the same maps and tables as the server makes it. */
import { inTurn, scaled, type Affine } from '@/core/revision/affine';
import type { Light } from '@/core/revision/steps';
import { applyTone, toneTables } from '@/core/revision/tone';
import type { PixelSize } from '@/core/swap/slot';

interface Drawing {
  readonly image: HTMLImageElement;
  /** Pixels of the original, which the image shows in fewer. */
  readonly original: PixelSize;
  /** From the original's pixels to those of the frame that is drawn. */
  readonly map: Affine;
  readonly frame: PixelSize;
  readonly light: Light;
}

/** @param canvas its size is what the frame is drawn in */
export function drawRevision(canvas: HTMLCanvasElement, drawing: Drawing): void {
  const { image, original, map, frame, light } = drawing;
  const context = canvas.getContext('2d', { willReadFrequently: true });
  if (!context) return;
  const { a, b, c, d, e, f } = inTurn(
    scaled(original.widthPx / image.naturalWidth, original.heightPx / image.naturalHeight),
    map,
    scaled(canvas.width / frame.widthPx, canvas.height / frame.heightPx),
  );
  context.setTransform(1, 0, 0, 1, 0, 0);
  context.clearRect(0, 0, canvas.width, canvas.height);
  context.imageSmoothingQuality = 'high';
  context.setTransform(a, b, c, d, e, f);
  context.drawImage(image, 0, 0);
  const tables = toneTables(light);
  if (!tables) return;
  const pixels = context.getImageData(0, 0, canvas.width, canvas.height);
  applyTone(pixels.data, 4, tables);
  context.putImageData(pixels, 0, 0);
}

/** A frame's size on a canvas: whole pixels, at most so many along its long side. */
export function drawnIn(
  { widthPx, heightPx }: PixelSize,
  longest: number,
): { width: number; height: number } {
  const scale = Math.min(1, longest / Math.max(widthPx, heightPx));
  return {
    width: Math.max(1, Math.round(widthPx * scale)),
    height: Math.max(1, Math.round(heightPx * scale)),
  };
}
