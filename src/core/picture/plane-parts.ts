/** Parts of a two-toned plane that hang together, each with its measures. */

/** A plane of marks, 1 where something is drawn. */
export interface MarkedPlane {
  readonly width: number;
  readonly height: number;
  readonly data: Uint8Array;
}

export interface Part {
  /** The rectangle around it, in pixels. */
  readonly left: number;
  readonly top: number;
  readonly width: number;
  readonly height: number;
  /** Pixels that belong to it. */
  readonly area: number;
  /** Share of its pixels whose mirror image, left for right, is none of it. */
  readonly asymmetry: number;
  /** From its leftmost to its rightmost pixel at a share of its height. */
  widthAt(share: number): number;
  /** Whether it is a triangle that points to the right. */
  readonly isPointedRight: boolean;
}

/** All parts, by eight neighbours, in the order of their first pixels. */
export function partsOf({ width, height, data }: MarkedPlane): Part[] {
  const seen = new Uint8Array(data.length);
  const parts: Part[] = [];
  for (let start = 0; start < data.length; start++) {
    if (!data[start] || seen[start]) continue;
    const pixels: number[] = [start];
    seen[start] = 1;
    for (let i = 0; i < pixels.length; i++) {
      const at = pixels[i] as number;
      const [x, y] = [at % width, Math.floor(at / width)];
      for (let dy = -1; dy <= 1; dy++) {
        for (let dx = -1; dx <= 1; dx++) {
          const [nx, ny] = [x + dx, y + dy];
          if (nx < 0 || ny < 0 || nx >= width || ny >= height) continue;
          const next = ny * width + nx;
          if (data[next] && !seen[next]) {
            seen[next] = 1;
            pixels.push(next);
          }
        }
      }
    }
    parts.push(partOf(pixels, width));
  }
  return parts;
}

function partOf(pixels: readonly number[], planeWidth: number): Part {
  let [left, top, right, bottom] = [Infinity, Infinity, 0, 0];
  for (const at of pixels) {
    const [x, y] = [at % planeWidth, Math.floor(at / planeWidth)];
    if (x < left) left = x;
    if (x > right) right = x;
    if (y < top) top = y;
    if (y > bottom) bottom = y;
  }
  const [width, height] = [right - left + 1, bottom - top + 1];
  const inside = new Uint8Array(width * height);
  for (const at of pixels) inside[(Math.floor(at / planeWidth) - top) * width + (at % planeWidth) - left] = 1;
  let unlike = 0;
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) if (inside[y * width + x] && !inside[y * width + width - 1 - x]) unlike++;
  const shape = { width, height, data: inside };
  return {
    ...{ left, top, width, height, area: pixels.length, asymmetry: unlike / pixels.length },
    widthAt: (share) => {
      const [from, until] = extent(
        shape,
        Math.min(height - 1, Math.max(0, Math.round(share * (height - 1)))),
      );
      return until - from;
    },
    isPointedRight: isPointedRight(shape),
  };
}

/** First mark of a row and the one after its last; both 0 where it has none. */
function extent({ width, data }: MarkedPlane, y: number): readonly [number, number] {
  let [from, until] = [0, 0];
  for (let x = 0; x < width; x++) {
    if (!data[y * width + x]) continue;
    if (until === 0) from = x;
    until = x + 1;
  }
  return [from, until];
}

/** A triangle that points to the right: high on its left, without height on its right, and half as full as its rectangle. */
function isPointedRight({ width, height, data }: MarkedPlane): boolean {
  const tall = (x: number) => {
    let count = 0;
    for (let y = 0; y < height; y++) if (data[y * width + x]) count++;
    return count;
  };
  let area = 0;
  for (const value of data) area += value;
  const fill = area / (width * height);
  const at = (share: number) => tall(Math.min(width - 1, Math.round(share * (width - 1))));
  return (
    width >= 4 &&
    fill > 0.38 &&
    fill < 0.68 &&
    at(0.08) > 0.65 * height &&
    at(0.92) < 0.35 * height &&
    at(0.5) < at(0.2)
  );
}
