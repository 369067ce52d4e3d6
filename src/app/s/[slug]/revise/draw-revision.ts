/** Draws a revision onto canvases, by the same maps and tables as the server makes it. */
import { inTurn, scaled, type Affine } from '@/core/revision/affine';
import type { Light } from '@/core/revision/steps';
import { applyTone, toneTables } from '@/core/revision/tone';
import type { PixelSize } from '@/core/swap/slot';

interface Drawing {
  readonly source: HTMLCanvasElement;
  /** Pixels of the original, which the source shows in fewer. */
  readonly original: PixelSize;
  /** From the original's pixels to those of the frame that is drawn. */
  readonly map: Affine;
  readonly frame: PixelSize;
}

/** @param canvas its size is what the frame is drawn in */
export function drawRevision(canvas: HTMLCanvasElement, drawing: Drawing): void {
  const { source, original, map, frame } = drawing;
  const context = canvas.getContext('2d');
  if (!context) return;
  const { a, b, c, d, e, f } = inTurn(
    scaled(original.widthPx / source.width, original.heightPx / source.height),
    map,
    scaled(canvas.width / frame.widthPx, canvas.height / frame.heightPx),
  );
  context.setTransform(1, 0, 0, 1, 0, 0);
  context.clearRect(0, 0, canvas.width, canvas.height);
  context.setTransform(a, b, c, d, e, f);
  context.drawImage(source, 0, 0);
}

/** The pixels of what is drawn from, read once, and two canvases that are lit by turns: making one costs a third of a frame. */
interface Lighting {
  readonly pixels: ImageData;
  readonly canvases: readonly [HTMLCanvasElement, HTMLCanvasElement];
  turn: 0 | 1;
}

const lightings = new WeakMap<HTMLCanvasElement, Lighting>();

function lightingOf(source: HTMLCanvasElement): Lighting | null {
  const known = lightings.get(source);
  if (known) return known;
  const { width, height } = source;
  const pixels = source.getContext('2d')?.getImageData(0, 0, width, height);
  if (!pixels) return null;
  const blank = () => Object.assign(document.createElement('canvas'), { width, height });
  const made: Lighting = { pixels, canvases: [blank(), blank()], turn: 0 };
  lightings.set(source, made);
  return made;
}

/**
 * What is drawn from, in other light; the very same where nothing changes. It holds until the light was changed twice
 * more: only the last is drawn.
 */
export function litSource(source: HTMLCanvasElement, light: Light): HTMLCanvasElement {
  const tables = toneTables(light);
  const lighting = tables && lightingOf(source);
  if (!lighting) return source;
  lighting.turn = lighting.turn === 0 ? 1 : 0;
  const lit = lighting.canvases[lighting.turn];
  const { width, height } = source;
  const pixels = new ImageData(new Uint8ClampedArray(lighting.pixels.data), width, height);
  applyTone(pixels.data, 4, tables);
  lit.getContext('2d', { willReadFrequently: true })?.putImageData(pixels, 0, 0);
  return lit;
}

/** A frame's size on a canvas: whole pixels, at most so many along its long side, and as its height. */
export function drawnIn(
  { widthPx, heightPx }: PixelSize,
  longest: number,
  tallest = longest,
): { width: number; height: number } {
  const scale = Math.min(1, longest / Math.max(widthPx, heightPx), tallest / heightPx);
  return {
    width: Math.max(1, Math.round(widthPx * scale)),
    height: Math.max(1, Math.round(heightPx * scale)),
  };
}
