import { shapeCrop } from '@/core/focus/shape-crop';
import { lookForFocus } from '@/server/imaging/look-for-focus';
import { ProblemError } from '@/server/problem-error';
import { readPictures } from './picture-folder';
import { printRow } from './rows';

interface FocusOptions {
  readonly shapes: string;
  readonly heads: boolean;
}

/** `ibidem focus FOLDER`: a row a picture, with its suggested focal point and the largest crop of each shape. */
export async function focusCommand(folder: string, { shapes, heads }: FocusOptions): Promise<void> {
  const ratios = shapes.split(',').map((shape) => [shape.trim(), ratioOf(shape.trim())] as const);
  // Its models and what runs them are loaded only where they are used: other commands begin at once.
  const find = heads ? (await import('@/server/imaging/find-heads')).findHeads : null;
  const rows = await readPictures(folder, async ({ path }, bytes) => {
    const found = await lookForFocus(bytes, path, find);
    const crops = ratios.map(([shape, ratio]) => {
      const { left, top, widthPx, heightPx } = shapeCrop(found, ratio, found);
      return [shape, { x: left, y: top, width: widthPx, height: heightPx }] as const;
    });
    const { x, y, because } = found.focus;
    return {
      file: path,
      width: found.widthPx,
      height: found.heightPx,
      x: rounded(x),
      y: rounded(y),
      because,
      crops: Object.fromEntries(crops),
    };
  });
  for (const row of rows) await printRow(row);
}

const rounded = (share: number) => Math.round(share * 1e4) / 1e4;

/** Width ÷ height of a shape as in 16:9. @throws ProblemError `SHAPE_UNKNOWN` */
function ratioOf(shape: string): number {
  const [, width, height] = /^(\d+(?:\.\d+)?):(\d+(?:\.\d+)?)$/.exec(shape) ?? [];
  const ratio = Number(width) / Number(height);
  if (ratio > 0 && Number.isFinite(ratio)) return ratio;
  throw new ProblemError({
    code: 'SHAPE_UNKNOWN',
    what: `“${shape}” is no shape.`,
    why: 'A shape is its width and its height with a colon between them.',
    remedy: 'Give shapes as in 1:1,16:9,3:4.',
  });
}
