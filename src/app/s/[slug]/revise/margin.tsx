'use client';

import { mirroredBy, taken, turnedBy } from '@/core/revision/revised';
import type { Light, WantedSize } from '@/core/revision/steps';
import { framesOf } from '@/core/revision/frames';
import { numberText } from '@/ui/format';
import { CropFigures, type CropFiguresProps } from './crop-figures';
import { FigureField } from './figure-field';
import { StepNote } from './step-note';

const LIGHTS: readonly (readonly [keyof Light, string])[] = [
  ['brightness', 'Brightness'],
  ['contrast', 'Contrast'],
  ['warmth', 'Warmth'],
];

/** The steps as numbered notes beside the proof, in the order in which they are taken. */
export function Margin(props: CropFiguresProps) {
  const { original, revision, onShape, onWrite } = props;
  const note = { original, revision, onWrite };
  const turn = (quarters: number) => {
    // A crop that was held to a shape lies the other way now.
    onShape(null);
    onWrite(turnedBy(revision, quarters), null);
  };
  return (
    <ol aria-label="Steps" className="divide-y divide-line-2">
      <StepNote step="turn" {...note}>
        <Small onClick={() => turn(-1)}>To the left</Small>
        <Small onClick={() => turn(1)}>To the right</Small>
      </StepNote>
      <StepNote step="mirror" {...note}>
        <Small onClick={() => onWrite(mirroredBy(revision, 'sideways'), null)}>Sideways</Small>
        <Small onClick={() => onWrite(mirroredBy(revision, 'upside down'), null)}>Upside down</Small>
      </StepNote>
      <StepNote step="straighten" {...note}>
        <FigureField
          label="Degrees"
          value={revision.straighten}
          {...{ min: -45, max: 45, step: 0.1 }}
          isDrawn
          onFigure={(straighten) => onWrite({ ...taken(revision, 'straighten'), straighten }, 'straighten')}
        />
      </StepNote>
      <StepNote step="crop" {...note}>
        <CropFigures {...props} />
      </StepNote>
      <StepNote step="light" {...note}>
        <div className="space-y-1">
          {LIGHTS.map(([name, label]) => (
            <FigureField
              key={name}
              label={label}
              value={revision.light[name]}
              {...{ min: -100, max: 100 }}
              isDrawn
              onFigure={(figure) =>
                onWrite({ ...taken(revision, 'light'), light: { ...revision.light, [name]: figure } }, name)
              }
            />
          ))}
        </div>
      </StepNote>
      <StepNote step="size" {...note}>
        <SizeFigures {...note} />
      </StepNote>
    </ol>
  );
}

function SizeFigures({
  original,
  revision,
  onWrite,
}: Pick<CropFiguresProps, 'original' | 'revision' | 'onWrite'>) {
  const { crop } = framesOf(original, revision);
  const sides = {
    width: crop.widthPx,
    height: crop.heightPx,
    longest: Math.max(crop.widthPx, crop.heightPx),
  };
  const { size } = revision;
  const write = (next: WantedSize | null, by: string | null) =>
    onWrite({ ...taken(revision, 'size'), size: next }, by);
  return (
    <div className="flex items-center gap-2">
      <select
        aria-label="Made smaller by"
        className="rounded-sm border border-ink-3 bg-sheet px-1.5 py-0.5"
        value={size?.by ?? ''}
        onChange={({ target }) => {
          const by = (['width', 'height', 'longest'] as const).find((one) => one === target.value);
          write(by ? { by, px: Math.min(size?.px ?? sides[by], sides[by]) } : null, null);
        }}
      >
        <option value="">as large as it is</option>
        <option value="width">by width</option>
        <option value="height">by height</option>
        <option value="longest">by its longer side</option>
      </select>
      {size ? (
        <FigureField
          label="Pixels"
          unit={`of ${numberText(sides[size.by])}`}
          value={size.px}
          {...{ min: 1, max: sides[size.by] }}
          onFigure={(px) => write({ ...size, px: Math.round(px) }, 'size')}
        />
      ) : null}
    </div>
  );
}

function Small({ onClick, children }: { onClick: () => void; children: string }) {
  return (
    <button
      type="button"
      onClick={onClick}
      className="mr-2 rounded-sm border border-line bg-sheet px-2 py-0.5 text-sm"
    >
      {children}
    </button>
  );
}
