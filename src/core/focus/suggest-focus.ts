import type { FocalPoint } from '../swap/crop';
import type { Importance, ShareRect } from './importance';
import { boxBlur } from './plane-filters';

/** What a suggested point rests on, strongest first. */
type FocusReason = 'head' | 'contrast' | 'detail' | 'colour' | 'middle';

export interface SuggestedFocus extends FocalPoint {
  readonly because: readonly FocusReason[];
}

/** Radius over which weight is gathered to find the point, as a share of the long side. */
const REACH = 0.15;
/** A measure this high at the point is a reason for it. */
const TELLS = 0.4;

/**
 * The focal point of a picture, as shares of its width and height. Where there are heads, it is the middle of that
 * head which is nearest to all of them; otherwise where most of the weight is.
 */
export function suggestFocus(importance: Importance, heads: readonly ShareRect[]): SuggestedFocus {
  const head = middleHead(heads);
  if (head) return { x: head.x + head.width / 2, y: head.y + head.height / 2, because: ['head'] };
  const { width, height, weight } = importance;
  const radius = Math.max(1, Math.round(Math.max(width, height) * REACH));
  const gathered = boxBlur(weight, { width, height }, radius, 2);
  let at = 0;
  gathered.forEach((value, n) => {
    if (value > gathered[at]!) at = n;
  });
  if (!(gathered[at]! > 0)) return { x: 0.5, y: 0.5, because: ['middle'] };
  const x = ((at % width) + 0.5) / width;
  const y = (Math.floor(at / width) + 0.5) / height;
  return { x, y, because: reasons(importance, x, y) };
}

function middleHead(heads: readonly ShareRect[]): ShareRect | undefined {
  const area = heads.reduce((sum, { width, height }) => sum + width * height, 0);
  const mean = (of: (head: ShareRect) => number) =>
    heads.reduce((sum, head) => sum + of(head) * head.width * head.height, 0) / area;
  const x = mean((head) => head.x + head.width / 2);
  const y = mean((head) => head.y + head.height / 2);
  const far = (head: ShareRect) => Math.hypot(head.x + head.width / 2 - x, head.y + head.height / 2 - y);
  return heads.toSorted((a, b) => far(a) - far(b))[0];
}

/** Which measures are high around the point; where none is, it is the pull of the middle. */
function reasons(importance: Importance, x: number, y: number): readonly FocusReason[] {
  const { width, height } = importance;
  const near = Math.max(1, Math.round(Math.max(width, height) * 0.08));
  const named = ['contrast', 'detail', 'colour'] as const;
  const means = named.map((reason) => {
    let [sum, count] = [0, 0];
    for (let row = 0; row < height; row++)
      for (let column = 0; column < width; column++) {
        if (Math.hypot(column + 0.5 - x * width, row + 0.5 - y * height) > near) continue;
        sum += importance[reason][row * width + column]!;
        count++;
      }
    return { reason, mean: count > 0 ? sum / count : 0 };
  });
  const found = means.filter(({ mean }) => mean >= TELLS).toSorted((a, b) => b.mean - a.mean);
  return found.length > 0 ? found.map(({ reason }) => reason) : ['middle'];
}
