/**
 * Affine maps of the plane as a canvas takes them: a point (x, y) goes to (a·x + c·y + e, b·x + d·y + f).
 * Source: HTML Standard, `CanvasTransform`.
 */
export interface Affine {
  readonly a: number;
  readonly b: number;
  readonly c: number;
  readonly d: number;
  readonly e: number;
  readonly f: number;
}

interface XY {
  readonly x: number;
  readonly y: number;
}

export const moved = (e: number, f: number): Affine => ({ a: 1, b: 0, c: 0, d: 1, e, f });
export const scaled = (x: number, y: number): Affine => ({ a: x, b: 0, c: 0, d: y, e: 0, f: 0 });

/** Clockwise on a screen, whose y goes down. */
export function turned(degrees: number): Affine {
  const angle = (degrees * Math.PI) / 180;
  const [sine, cosine] = [Math.sin(angle), Math.cos(angle)];
  return { a: cosine, b: sine, c: -sine, d: cosine, e: 0, f: 0 };
}

/** Maps one after another, the first one first. */
export function inTurn(...maps: readonly Affine[]): Affine {
  return maps.reduce((first, then) => ({
    a: then.a * first.a + then.c * first.b,
    b: then.b * first.a + then.d * first.b,
    c: then.a * first.c + then.c * first.d,
    d: then.b * first.c + then.d * first.d,
    e: then.a * first.e + then.c * first.f + then.e,
    f: then.b * first.e + then.d * first.f + then.f,
  }));
}

export function mapped({ a, b, c, d, e, f }: Affine, { x, y }: XY): XY {
  return { x: a * x + c * y + e, y: b * x + d * y + f };
}

/** @throws RangeError where the map flattens the plane */
export function inverse({ a, b, c, d, e, f }: Affine): Affine {
  const size = a * d - b * c;
  if (size === 0) throw new RangeError('a map that flattens the plane has no way back');
  return {
    a: d / size,
    b: -b / size,
    c: -c / size,
    d: a / size,
    e: (c * f - d * e) / size,
    f: (b * e - a * f) / size,
  };
}
