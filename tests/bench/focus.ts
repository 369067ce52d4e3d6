/**
 * Looking for the subject beside a bare decode to the same size; and, for the pictures that were judged by hand
 * (`judged-subjects.jsonl`: photographs of Debian packages, given as a folder), how often the point lies in the subject
 * and the crops hold it, beside the middle of the picture.
 */
import { readdir, readFile } from 'node:fs/promises';
import { join } from 'node:path';
import sharp from 'sharp';
import type { ShareRect } from '@/core/focus/importance';
import { shapeCrop } from '@/core/focus/shape-crop';
import { cropToShape, type CropRect } from '@/core/swap/crop';
import { findHeads } from '@/server/imaging/find-heads';
import { lookForFocus, type FocusFound } from '@/server/imaging/look-for-focus';
import { byTurns, report } from './measure';
import { photographs } from './pictures';

const SHAPES = [1, 16 / 9, 3 / 4];
/** Share of the best possible share of the subject that a crop must keep. */
const KEEPS = 0.85;

interface Judged {
  readonly file: string;
  readonly subject: ShareRect;
  readonly heads: readonly ShareRect[];
}

export async function benchFocus(folders: readonly string[]): Promise<void> {
  const pictures = await photographs(folders);
  const { ours, bare } = await byTurns(
    async () => {
      for (const bytes of pictures) await lookForFocus(bytes, 'a photograph', findHeads);
    },
    async () => {
      for (const bytes of pictures) await sharp(bytes).resize(192, 192, { fit: 'inside' }).raw().toBuffer();
    },
  );
  let megapixels = 0;
  for (const bytes of pictures) {
    const { width, height } = await sharp(bytes).metadata();
    megapixels += (width * height) / 1e6;
  }
  report('looking for the subject ÷ bare decode', { ours, bare, unit: 'ms' }, { atMost: 4 });
  report('looking for the subject ÷ 60 ms a megapixel', { ours: ours / megapixels, bare: 60, unit: 'ms a megapixel' }, { atMost: 1 }); // oxfmt-ignore
  await benchJudged(folders);
}

async function benchJudged(folders: readonly string[]): Promise<void> {
  const text = await readFile(new URL('./judged-subjects.jsonl', import.meta.url), 'utf8');
  const judged = text.trim().split('\n').map((line) => JSON.parse(line) as Judged); // oxfmt-ignore
  const seen = { pictures: 0, inside: 0, middle: 0, held: 0, heldByMiddle: 0 };
  for (const folder of folders) {
    const names = await readdir(folder, { recursive: true });
    for (const one of judged) {
      // Some are named by their beginning alone: their makers' names are not ours to spread.
      const name = names.find(
        (path) => `/${path}`.includes(`/${one.file}`) && /\.(?:jpe?g|png)$/iu.test(path),
      );
      if (name === undefined) continue;
      const found = await lookForFocus(await readFile(join(folder, name)), name, findHeads);
      seen.pictures++;
      seen.inside += isIn(found.focus, one.subject) ? 1 : 0;
      seen.middle += isIn({ x: 0.5, y: 0.5 }, one.subject) ? 1 : 0;
      for (const ratio of SHAPES) {
        seen.held += holds(found, one, shapeCrop(found, ratio, found)) ? 1 : 0;
        seen.heldByMiddle += holds(found, one, cropToShape(found, ratio, { x: 0.5, y: 0.5 })) ? 1 : 0;
      }
    }
  }
  if (seen.pictures === 0) return;
  const share = (count: number, of: number) => count / of;
  const crops = seen.pictures * SHAPES.length;
  report(`the point in the subject, of ${seen.pictures} judged, ÷ the middle`, { ours: share(seen.inside, seen.pictures), bare: share(seen.middle, seen.pictures), unit: 'share' }, { atLeast: 1 }); // oxfmt-ignore
  report(`crops that hold the subject, of ${crops}, ÷ those of the middle`, { ours: share(seen.held, crops), bare: share(seen.heldByMiddle, crops), unit: 'share' }, { atLeast: 1 }); // oxfmt-ignore
}

const isIn = (point: { readonly x: number; readonly y: number }, rect: ShareRect) =>
  point.x >= rect.x && point.x <= rect.x + rect.width && point.y >= rect.y && point.y <= rect.y + rect.height;

/** Whether a crop keeps nearly as much of the subject as any of its shape could, and as many whole heads. */
function holds(found: FocusFound, { subject, heads }: Judged, crop: CropRect): boolean {
  const { widthPx, heightPx } = found;
  const room = widthPx - crop.widthPx + heightPx - crop.heightPx;
  const tried = Array.from({ length: 101 }, (_, n) => {
    const offset = (room * n) / 100;
    return crop.widthPx < widthPx ? { ...crop, left: offset } : { ...crop, top: offset };
  });
  const kept = (one: CropRect, rect: ShareRect) => {
    const span = (from: number, to: number, start: number, end: number) => Math.max(0, Math.min(to, end) - Math.max(from, start)); // oxfmt-ignore
    const across = span(rect.x * widthPx, (rect.x + rect.width) * widthPx, one.left, one.left + one.widthPx);
    const down = span(rect.y * heightPx, (rect.y + rect.height) * heightPx, one.top, one.top + one.heightPx);
    return (across * down) / (rect.width * widthPx * rect.height * heightPx);
  };
  const whole = (one: CropRect) => heads.filter((head) => kept(one, head) > 0.97).length;
  const best = Math.max(...tried.map((one) => kept(one, subject)));
  return kept(crop, subject) >= KEEPS * best && whole(crop) >= Math.max(...tried.map(whole));
}
