/**
 * How a file of a picture differs from the picture's master, as far as licences care. Another size, another format, lossy
 * compression, a palette and turning upright by the camera's own flag are no modifications.
 */
import type { Tint } from '../picture/colour';
import type { GreyPlane, Rect } from '../picture/grey-plane';
import { resample } from '../picture/kernels/comparing';
import type { Looks, Link } from '../picture/judge';

export type Modification =
  | 'cropped'
  | 'mirrored'
  | 'turned'
  | 'stretched'
  | 'bordered'
  | 'marked'
  | 'recoloured'
  | 'toned';

/** Share of a side below which a part of the picture was cut away; frames are found less exactly than that. */
const WHOLE_SIDE = 0.985;
/** Ratio of both scales from which a picture was stretched; the position of a part is found less exactly. */
const STRETCHED = { whole: 1.025, part: 1.06 };
/** Cells a side on which light and colours are compared. */
const LIGHT_CELLS = 24;
const COLOUR_CELLS = 12;
/** Contrast and brightness (of 255) that compression and scaling do not change by as much. */
const TONED = { gain: 0.06, shift: 6 };
/** Distance of colours, of 128, and its share of the colours there are. Colours of a part are known less exactly. */
const RECOLOURED = { distance: 4, whole: 0.25, part: 0.4 };

/** A file with the size that its pixels have. */
export interface Version extends Looks {
  readonly widthPx: number;
  readonly heightPx: number;
}

/**
 * @param own the file that is shown
 * @param master the picture's master
 * @param link how the file lies in the master
 */
export function modificationsOf(own: Version, master: Version, link: Link): Modification[] {
  const isPart = isCut(link.other) || isCut(link.own);
  const changes: Modification[] = [];
  if (isCut(link.other)) changes.push('cropped');
  if (isCut(link.own)) changes.push('bordered');
  if (link.isMirrored) changes.push('mirrored');
  if (stretchOf(own, master, link) > (isPart ? STRETCHED.part : STRETCHED.whole)) changes.push('stretched');
  if (hasOtherColours(own.tint, master.tint, link, isPart)) changes.push('recoloured');
  else if (link.kind === 'over') changes.push('marked');
  if (link.kind !== 'over' && isToned(own.plane, master.plane, link)) changes.push('toned');
  return changes;
}

const isCut = ({ width, height }: Rect): boolean => width < WHOLE_SIDE || height < WHOLE_SIDE;

/** How much more the one side was scaled than the other: 1 for not at all. */
function stretchOf(own: Version, master: Version, link: Link): number {
  const across = (own.widthPx * link.own.width) / (master.widthPx * link.other.width);
  const down = (own.heightPx * link.own.height) / (master.heightPx * link.other.height);
  // Sides are whole pixels: of a small picture that alone makes a difference.
  const rounding = 1 + 1 / Math.min(own.widthPx, own.heightPx);
  return Math.max(across / down, down / across) / rounding;
}

function isToned(own: GreyPlane, master: GreyPlane, link: Link): boolean {
  const a = momentsOf(resample(own, ownRect(link), [LIGHT_CELLS, LIGHT_CELLS]));
  const b = momentsOf(resample(master, link.other, [LIGHT_CELLS, LIGHT_CELLS]));
  const gain = b.deviation < 1 ? 1 : a.deviation / b.deviation;
  return Math.abs(gain - 1) > TONED.gain || Math.abs(a.mean - b.mean) > TONED.shift;
}

/** The common part in the file itself: a link knows it as the mirror shows it. */
function ownRect({ own, isMirrored }: Link): Rect {
  return isMirrored ? { ...own, left: 1 - own.left - own.width } : own;
}

function momentsOf(cells: Float32Array): { readonly mean: number; readonly deviation: number } {
  const mean = cells.reduce((sum, value) => sum + value, 0) / cells.length;
  const square = cells.reduce((sum, value) => sum + (value - mean) ** 2, 0) / cells.length;
  return { mean, deviation: Math.sqrt(square) };
}

/** Also where the colours were only made weaker or stronger all over, or taken away: all of it is another colouring. */
function hasOtherColours(own: Tint, master: Tint, link: Link, isPart: boolean): boolean {
  const cells = (plane: GreyPlane, rect: Rect) => resample(plane, rect, [COLOUR_CELLS, COLOUR_CELLS]);
  const facing = (plane: GreyPlane) => {
    const sampled = cells(plane, ownRect(link));
    return link.isMirrored ? mirroredRows(sampled) : sampled;
  };
  const a = [facing(own.blue), facing(own.red)] as const;
  const b = [cells(master.blue, link.other), cells(master.red, link.other)] as const;
  const count = a[0].length;
  let apart = 0;
  let ours = 0;
  let theirs = 0;
  for (const n of [0, 1] as const) {
    for (let i = 0; i < count; i++) {
      apart += ((a[n][i] ?? 0) - (b[n][i] ?? 0)) ** 2;
      ours += (a[n][i] ?? 0) ** 2;
      theirs += (b[n][i] ?? 0) ** 2;
    }
  }
  const distance = Math.sqrt(apart / count);
  const colours = Math.sqrt(Math.max(ours, theirs) / count);
  return distance > RECOLOURED.distance && distance > (isPart ? RECOLOURED.part : RECOLOURED.whole) * colours;
}

function mirroredRows(cells: Float32Array): Float32Array {
  return cells.map((_, i) => {
    const column = i % COLOUR_CELLS;
    return cells[i - column + COLOUR_CELLS - 1 - column] ?? 0;
  });
}
