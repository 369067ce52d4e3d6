/** The figure of each step, as a note of the margin says it. */
import { framesOf } from '@/core/revision/frames';
import { isSet, type Revision, type StepName } from '@/core/revision/steps';
import type { PixelSize } from '@/core/swap/slot';
import { pixelsText } from '@/ui/format';

export const STEP_TITLES: Readonly<Record<StepName, string>> = {
  turn: 'Turn',
  mirror: 'Mirror',
  straighten: 'Straighten',
  crop: 'Crop',
  light: 'Light',
  size: 'Size',
};

/** A step's figure in words, as it is written, be it struck out or not. */
export function figureText(step: StepName, revision: Revision, original: PixelSize): string {
  if (!isSet(revision, step)) return step === 'crop' ? 'the whole picture' : 'as it is';
  switch (step) {
    case 'turn':
      return ['', 'a quarter to the right', 'upside down', 'a quarter to the left'][revision.turn] ?? '';
    case 'mirror':
      return revision.mirror === 'sideways' ? 'left is right' : 'above is below';
    case 'straighten':
      return `${Math.abs(revision.straighten).toFixed(1)}° to the ${revision.straighten > 0 ? 'right' : 'left'}`;
    case 'crop': {
      const { crop } = framesOf(original, { ...revision, struck: [] });
      return pixelsText(crop.widthPx, crop.heightPx);
    }
    case 'light':
      return (['brightness', 'contrast', 'warmth'] as const)
        .filter((name) => revision.light[name] !== 0)
        .map((name) => `${name} ${revision.light[name] > 0 ? '+' : '−'}${Math.abs(revision.light[name])}`)
        .join(', ');
    case 'size': {
      const by = { width: 'wide', height: 'high', longest: 'along its longer side' };
      return revision.size ? `${revision.size.px} pixels ${by[revision.size.by]}` : '';
    }
  }
}
