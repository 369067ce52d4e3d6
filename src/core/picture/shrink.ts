import { fitted, WHOLE, type GreyPlane } from './grey-plane';
import { resample } from './kernels/comparing';

const made = new WeakMap<GreyPlane, Map<number, GreyPlane>>();

/**
 * A plane at a smaller size, or at its own where that is small enough. Kept as long as the plane is; always in floating
 * point, as what lays one over another takes it.
 */
export function shrunk(plane: GreyPlane, longSide: number): GreyPlane {
  let sizes = made.get(plane);
  if (!sizes) made.set(plane, (sizes = new Map<number, GreyPlane>()));
  let small = sizes.get(longSide);
  if (!small) {
    const isSmall = Math.max(plane.width, plane.height) <= longSide;
    const [width, height] = isSmall
      ? [plane.width, plane.height]
      : fitted(plane.width, plane.height, longSide);
    const data = isSmall ? Float32Array.from(plane.data) : resample(plane, WHOLE, [width, height]);
    small = { width, height, data };
    sizes.set(longSide, small);
  }
  return small;
}

/** A plane mirrored left to right. */
export function mirrored(plane: GreyPlane): GreyPlane {
  const { width, height } = plane;
  const data = new Float32Array(width * height);
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) data[y * width + x] = plane.data[y * width + width - 1 - x]!;
  return { width, height, data };
}
