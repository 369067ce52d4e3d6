/** Makes a picture anew by the steps of a revision: what the browser has shown of it, in all its pixels. */
import sharp, { type OutputInfo, type Sharp } from 'sharp';
import { framesOf } from '@/core/revision/frames';
import type { PixelSize } from '@/core/swap/slot';
import { withoutStruck, type Revision } from '@/core/revision/steps';
import { applyTone, toneTables } from '@/core/revision/tone';
import { encoded, type Quality } from './make-rendition';
import { openPicture } from './read-pixels';

/** A master is kept better than what is made from it for places. */
const FOR_MASTERS: Quality = { jpeg: 90, webp: 90, avif: 65, isThorough: false };

/** Formats that stay what they are; the others become JPEG, or PNG where they are seen through. */
const STAYS = new Set(['jpeg', 'png', 'webp', 'avif']);

/** Long side of the picture that a revision is drawn from on a screen, in pixels. */
const WORKING_PX = 1280;

interface Pixels {
  readonly data: Buffer;
  readonly info: OutputInfo;
}

export interface Revised {
  readonly bytes: Uint8Array;
  readonly format: 'jpeg' | 'png' | 'webp' | 'avif';
  readonly widthPx: number;
  readonly heightPx: number;
}

/**
 * The picture after its steps, upright, in sRGB, without metadata.
 *
 * @param format of the original, as `inspectImage` names it
 */
export async function makeRevision(
  { bytes, format }: { readonly bytes: Uint8Array; readonly format: string },
  revision: Revision,
): Promise<Revised> {
  const { turn, mirror, straighten, light } = withoutStruck(revision);
  let pixels = await upright(bytes);
  const isSeenThrough = pixels.info.channels === 4;
  const original = { widthPx: pixels.info.width, heightPx: pixels.info.height };
  const { straight, crop, result } = framesOf(original, revision);
  if (turn !== 0) pixels = await raw(of(pixels).rotate(turn * 90));
  if (mirror !== 'none') pixels = await raw(mirror === 'sideways' ? of(pixels).flop() : of(pixels).flip());
  if (straighten !== 0) pixels = await straightened(pixels, straighten, straight);
  const cut = { left: crop.left, top: crop.top, width: crop.widthPx, height: crop.heightPx };
  const size = [result.widthPx, result.heightPx] as const;
  pixels = await raw(
    of(pixels)
      .extract(cut)
      .resize(...size, { fit: 'fill', kernel: 'lanczos3' }),
  );
  const tables = toneTables(light);
  if (tables) applyTone(pixels.data, pixels.info.channels, tables);
  const sized = of(pixels).resize(...size, { fit: 'fill', kernel: 'lanczos3' });
  const becomes = STAYS.has(format) ? (format as Revised['format']) : isSeenThrough ? 'png' : 'jpeg';
  return { bytes: await encoded(sized, becomes, FOR_MASTERS).toBuffer(), format: becomes, ...result };
}

/** Pixels that are repeated beyond the edges, so that nothing blank is mixed in where a corner touches them. */
const MARGIN_PX = 2;

/**
 * The picture turned about its middle, and the frame cut out of the middle of that.
 *
 * `vips_affine` maps the corners of pixels where it computes the area and their middles where it computes the pixels, and
 * rounds the area's corner: the middle lies where `middle` says (measured on gradients), and what is missing to whole
 * pixels of the frame is given as an offset.
 */
async function straightened(pixels: Pixels, degrees: number, frame: PixelSize): Promise<Pixels> {
  const margin = { top: MARGIN_PX, bottom: MARGIN_PX, left: MARGIN_PX, right: MARGIN_PX };
  const wider = await raw(of(pixels).extend({ ...margin, extendWith: 'copy' }));
  const [width, height] = [wider.info.width, wider.info.height];
  const angle = (degrees * Math.PI) / 180;
  const [sine, cosine] = [Math.sin(angle), Math.cos(angle)];
  const middle = (alongX: number, alongY: number) =>
    (alongX + alongY) / 2 -
    Math.round(Math.min(0, alongX, alongY, alongX + alongY)) -
    (alongX / width + alongY / height) / 2 +
    0.5;
  const x = middle(width * cosine, height * -sine);
  const y = middle(width * sine, height * cosine);
  const left = Math.round(x - frame.widthPx / 2);
  const top = Math.round(y - frame.heightPx / 2);
  const turned = of(wider).affine(
    [
      [cosine, -sine],
      [sine, cosine],
    ],
    {
      interpolator: sharp.interpolators.bicubic,
      odx: left + frame.widthPx / 2 - x,
      ody: top + frame.heightPx / 2 - y,
    },
  );
  const whole = await raw(turned);
  return raw(of(whole).extract({ left, top, width: frame.widthPx, height: frame.heightPx }));
}

/** The upright picture small and without loss, as a screen draws a revision from it. */
export async function makeWorking(bytes: Uint8Array): Promise<Uint8Array> {
  return (await openPicture(bytes))
    .resize(WORKING_PX, WORKING_PX, { fit: 'inside', withoutEnlargement: true })
    .toColourspace('srgb')
    .webp({ lossless: true, effort: 1 })
    .toBuffer();
}

/** In colours; with alpha only where something is seen through. */
async function upright(bytes: Uint8Array): Promise<Pixels> {
  const pixels = await raw((await openPicture(bytes)).toColourspace('srgb').ensureAlpha());
  const { data } = pixels;
  for (let at = 3; at < data.length; at += 4) if (data[at] !== 255) return pixels;
  return raw(of(pixels).removeAlpha());
}

async function raw(image: Sharp): Promise<Pixels> {
  return image.raw({ depth: 'uchar' }).toBuffer({ resolveWithObject: true });
}

function of({ data, info }: Pixels): Sharp {
  const { width, height, channels } = info;
  return sharp(data, { raw: { width, height, channels }, limitInputPixels: false });
}
