import type { Plane } from './oklab';

/** Width of the strip along each edge, as a share of the short side. */
const STRIP = 0.08;
/** Added to the variances, so that an edge of one colour has some: a step of 1 in 100 of lightness. */
const LEAST_VARIANCE = 1e-4;

/**
 * How far the colour of each pixel is from those of three of the four edges, in standard deviations of each, added up.
 * The edge that is farthest does not count: a subject may stand on it.
 */
export function edgeContrast(planes: readonly [Plane, Plane, Plane], width: number, height: number): Plane {
  const strip = Math.max(2, Math.round(Math.min(width, height) * STRIP));
  const edges = [
    distances(planes, width, [0, 0, strip, height]),
    distances(planes, width, [width - strip, 0, width, height]),
    distances(planes, width, [0, 0, width, strip]),
    distances(planes, width, [0, height - strip, width, height]),
  ];
  const [left, right, top, bottom] = edges as [Plane, Plane, Plane, Plane];
  const result = new Float32Array(left.length);
  for (let at = 0; at < result.length; at++) {
    const sum = left[at]! + right[at]! + top[at]! + bottom[at]!;
    result[at] = sum - Math.max(left[at]!, right[at]!, top[at]!, bottom[at]!);
  }
  return result;
}

/** Mahalanobis distance of every pixel's colour from those of a rectangle, as shares of the largest. */
function distances(
  planes: readonly [Plane, Plane, Plane],
  width: number,
  rect: readonly [left: number, top: number, right: number, bottom: number],
): Plane {
  const [p, q, r] = planes;
  const { mean, inverse } = spreadOf(planes, width, rect);
  const [a, b, c, d, e, f] = inverse;
  const [u, v, w] = mean;
  const found = new Float32Array(p.length);
  let most = 0;
  for (let at = 0; at < found.length; at++) {
    const x = p[at]! - u;
    const y = q[at]! - v;
    const z = r[at]! - w;
    const squared = a * x * x + d * y * y + f * z * z + 2 * (b * x * y + c * x * z + e * y * z);
    const distance = Math.sqrt(Math.max(0, squared));
    if (distance > most) most = distance;
    found[at] = distance;
  }
  if (most > 0) for (let at = 0; at < found.length; at++) found[at]! /= most;
  return found;
}

type Triple = readonly [number, number, number];
/** A symmetric matrix of three rows: its upper triangle, row by row. */
type Symmetric = readonly [number, number, number, number, number, number];

function spreadOf(
  planes: readonly [Plane, Plane, Plane],
  width: number,
  [left, top, right, bottom]: readonly [number, number, number, number],
): { readonly mean: Triple; readonly inverse: Symmetric } {
  const [p, q, r] = planes;
  const count = (right - left) * (bottom - top);
  const sums = [0, 0, 0];
  const products = [0, 0, 0, 0, 0, 0];
  for (let y = top; y < bottom; y++)
    for (let x = left; x < right; x++) {
      const at = y * width + x;
      const [u, v, w] = [p[at]!, q[at]!, r[at]!];
      sums[0]! += u;
      sums[1]! += v;
      sums[2]! += w;
      products[0]! += u * u;
      products[1]! += u * v;
      products[2]! += u * w;
      products[3]! += v * v;
      products[4]! += v * w;
      products[5]! += w * w;
    }
  const mean: Triple = [sums[0]! / count, sums[1]! / count, sums[2]! / count];
  const covariance = (n: number, i: number, j: number) =>
    products[n]! / count - mean[i]! * mean[j]! + (i === j ? LEAST_VARIANCE : 0);
  return {
    mean,
    inverse: inverted([
      covariance(0, 0, 0),
      covariance(1, 0, 1),
      covariance(2, 0, 2),
      covariance(3, 1, 1),
      covariance(4, 1, 2),
      covariance(5, 2, 2),
    ]),
  };
}

/** By cofactors. The matrix has an inverse, since its diagonal was raised. */
function inverted([a, b, c, d, e, f]: Symmetric): Symmetric {
  const [i, j, k] = [d * f - e * e, c * e - b * f, b * e - c * d];
  const determinant = a * i + b * j + c * k;
  return [
    i / determinant,
    j / determinant,
    k / determinant,
    (a * f - c * c) / determinant,
    (b * c - a * e) / determinant,
    (a * d - b * b) / determinant,
  ];
}
