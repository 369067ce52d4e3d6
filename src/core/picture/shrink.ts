import { fitted, resample, WHOLE, type GreyPlane } from './grey-plane';

const made = new WeakMap<GreyPlane, Map<number, GreyPlane>>();

/** A plane at a smaller size; one that is small enough already is given as it is. Kept as long as the plane is. */
export function shrunk(plane: GreyPlane, longSide: number): GreyPlane {
  if (Math.max(plane.width, plane.height) <= longSide) return plane;
  let sizes = made.get(plane);
  if (!sizes) made.set(plane, (sizes = new Map<number, GreyPlane>()));
  let small = sizes.get(longSide);
  if (!small) {
    const [width, height] = fitted(plane.width, plane.height, longSide);
    small = { width, height, data: resample(plane, WHOLE, [width, height]) };
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
