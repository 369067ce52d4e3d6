'use client';

import 'react-image-crop/dist/ReactCrop.css';
import ReactCrop, { type PercentCrop } from 'react-image-crop';
import { taken } from '@/core/revision/revised';
import type { Revision } from '@/core/revision/steps';
import type { PixelSize } from '@/core/swap/slot';
import type { Shape } from './crop-figures';
import { useDrawing } from './use-drawing';
import type { Write } from './use-revision';

interface CropProofProps {
  source: HTMLCanvasElement;
  original: PixelSize;
  revision: Revision;
  shape: Shape | null;
  onWrite: Write;
}

/** So many pixels are drawn along the long side. */
const DRAWN_PX = 720;
/** `max-h-[46vh]`. */
export const SHOWN_IN = 0.46;
/** Sides nearer than this to the picture’s edges are at them, in shares. */
const AT_EDGE = 0.001;

/** The whole picture, straightened and in its light, with handles on what is cut out of it. */
export function CropProof({ source, original, revision, shape, onWrite }: CropProofProps) {
  const canvas = useDrawing({
    source,
    original,
    revision,
    part: 'straight',
    longest: DRAWN_PX,
    shownIn: SHOWN_IN,
  });
  const crop = revision.struck.includes('crop') ? null : revision.crop;
  const write = (percent: PercentCrop) => {
    if (percent.width <= 0 || percent.height <= 0) return;
    const next = { x: percent.x / 100, y: percent.y / 100, width: percent.width / 100, height: percent.height / 100 }; // oxfmt-ignore
    const isWhole = next.width > 1 - AT_EDGE && next.height > 1 - AT_EDGE;
    onWrite({ ...taken(revision, 'crop'), crop: isWhole ? null : within(next) }, 'crop');
  };
  return (
    <ReactCrop
      crop={percentOf(crop ?? { x: 0, y: 0, width: 1, height: 1 })}
      {...(shape ? { aspect: shape.ratio } : {})}
      keepSelection
      ruleOfThirds
      // Its edge stands still: nothing moves here but what somebody moves.
      className="ReactCrop--no-animate"
      onChange={(_, percent) => write(percent)}
      ariaLabels={LABELS}
    >
      <canvas
        ref={canvas}
        className="block max-h-[46vh] max-w-full"
        aria-label="The picture, with what is cut out of it"
        role="img"
      />
    </ReactCrop>
  );
}

/** No more than all of it, whatever the handles’ arithmetic left over. */
function within({ x, y, width, height }: NonNullable<Revision['crop']>): NonNullable<Revision['crop']> {
  const left = Math.min(1, Math.max(0, x));
  const top = Math.min(1, Math.max(0, y));
  return { x: left, y: top, width: Math.min(width, 1 - left), height: Math.min(height, 1 - top) };
}

function percentOf({ x, y, width, height }: NonNullable<Revision['crop']>): PercentCrop {
  return { unit: '%', x: x * 100, y: y * 100, width: width * 100, height: height * 100 };
}

const EDGE = 'Move it with the arrow keys';
const LABELS = {
  cropArea: 'What is cut out. Move it with the arrow keys',
  nwDragHandle: `Upper left corner. ${EDGE}`,
  nDragHandle: `Upper edge. ${EDGE}`,
  neDragHandle: `Upper right corner. ${EDGE}`,
  eDragHandle: `Right edge. ${EDGE}`,
  seDragHandle: `Lower right corner. ${EDGE}`,
  sDragHandle: `Lower edge. ${EDGE}`,
  swDragHandle: `Lower left corner. ${EDGE}`,
  wDragHandle: `Left edge. ${EDGE}`,
};
