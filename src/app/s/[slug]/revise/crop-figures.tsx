import { framesOf } from '@/core/revision/frames';
import { sharesOf } from '@/core/revision/rect';
import { croppedTo, taken } from '@/core/revision/revised';
import type { Revision } from '@/core/revision/steps';
import type { FocalPoint } from '@/core/swap/crop';
import type { PixelSize } from '@/core/swap/slot';
import { FigureField } from './figure-field';
import type { Write } from './use-revision';

/** A shape that a crop can be held to. */
export interface Shape {
  readonly name: string;
  /** Width ÷ height. */
  readonly ratio: number;
}

const USUAL: readonly Shape[] = [
  { name: 'square', ratio: 1 },
  { name: '4 : 3', ratio: 4 / 3 },
  { name: '3 : 2', ratio: 3 / 2 },
  { name: '16 : 9', ratio: 16 / 9 },
  { name: '3 : 4, upright', ratio: 3 / 4 },
  { name: '2 : 3, upright', ratio: 2 / 3 },
];

/** What the steps are written on, and what hears of it. */
export interface CropFiguresProps {
  original: PixelSize;
  revision: Revision;
  focal: FocalPoint;
  /** The shapes of the places it may go to. */
  places: readonly Shape[];
  shape: Shape | null;
  onShape: (shape: Shape | null) => void;
  onWrite: Write;
}

/** The crop’s shape and its exact pixels. */
export function CropFigures(props: CropFiguresProps) {
  const { original, revision, focal, places, shape, onShape, onWrite } = props;
  const { straight, crop } = framesOf(original, { ...revision, struck: [] });
  const whole: Shape = { name: 'its own shape', ratio: straight.widthPx / straight.heightPx };
  const shapes = [whole, ...places, ...USUAL];
  const choose = (name: string) => {
    const chosen = shapes.find((one) => one.name === name) ?? null;
    onShape(chosen);
    if (chosen) onWrite(croppedTo(original, revision, chosen.ratio, focal), null);
  };
  const edge = (by: keyof typeof crop, figure: number) => {
    const next = { ...crop, [by]: figure };
    const left = Math.min(next.left, straight.widthPx - 1);
    const top = Math.min(next.top, straight.heightPx - 1);
    const inside = {
      ...{ left, top },
      widthPx: Math.min(next.widthPx, straight.widthPx - left),
      heightPx: Math.min(next.heightPx, straight.heightPx - top),
    };
    onShape(null);
    onWrite({ ...taken(revision, 'crop'), crop: sharesOf(inside, straight) }, `crop ${by}`);
  };
  const wide = { min: 1, max: straight.widthPx };
  const high = { min: 1, max: straight.heightPx };
  return (
    <div className="space-y-1.5">
      <label className="flex items-center gap-2 text-sm text-ink-2">
        Shape
        <select
          className="min-w-0 flex-1 rounded-sm border border-ink-3 bg-sheet px-1.5 py-0.5 text-ink"
          value={shape?.name ?? ''}
          onChange={({ target }) => choose(target.value)}
        >
          <option value="">free</option>
          <option>{whole.name}</option>
          {places.length > 0 ? (
            <optgroup label="of its places">
              {places.map(({ name }) => (
                <option key={name}>{name}</option>
              ))}
            </optgroup>
          ) : null}
          <optgroup label="usual">
            {USUAL.map(({ name }) => (
              <option key={name}>{name}</option>
            ))}
          </optgroup>
        </select>
      </label>
      <div className="grid grid-cols-2 gap-x-3 gap-y-1.5 [&_label]:w-[46px]">
        <FigureField label="Left" value={crop.left} {...wide} min={0} onFigure={(n) => edge('left', n)} />
        <FigureField label="Width" value={crop.widthPx} {...wide} onFigure={(n) => edge('widthPx', n)} />
        <FigureField label="Top" value={crop.top} {...high} min={0} onFigure={(n) => edge('top', n)} />
        <FigureField label="Height" value={crop.heightPx} {...high} onFigure={(n) => edge('heightPx', n)} />
      </div>
    </div>
  );
}
