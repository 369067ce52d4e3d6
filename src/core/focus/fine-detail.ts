import type { Plane } from './oklab';
import { boxBlur } from './plane-filters';

/** Radius over which detail is gathered, as a share of the long side. */
const REACH = 0.025;
/** Strongest detail of one pixel that counts: beyond it is a hard edge, which is no more in focus than another. */
const MOST = 0.5;

/**
 * Where there is fine detail: the size of the Laplacian in lightness and, doubled, in both colours, gathered over the
 * surroundings. What the camera focused on has it, and a blurred background has none.
 */
export function fineDetail(planes: readonly [Plane, Plane, Plane], width: number, height: number): Plane {
  const detail = new Float32Array(width * height);
  const [lightness, greenRed, blueYellow] = planes;
  for (let y = 1; y < height - 1; y++)
    for (let x = 1; x < width - 1; x++) {
      const at = y * width + x;
      const colours = edgeAt(greenRed, at, width) + edgeAt(blueYellow, at, width);
      detail[at] = Math.min(edgeAt(lightness, at, width) + 2 * colours, MOST);
    }
  return boxBlur(detail, { width, height }, Math.max(1, Math.round(Math.max(width, height) * REACH)), 2);
}

/** Size of the Laplacian at a pixel that is not on the edge. */
function edgeAt(plane: Plane, at: number, width: number): number {
  const around = plane[at - 1]! + plane[at + 1]! + plane[at - width]! + plane[at + width]!;
  return Math.abs(4 * plane[at]! - around);
}
